import { findNodeAtLocation, parseTree, printParseErrorCode, type ParseError } from 'jsonc-parser';
import { fault, parseJson, WHOLE_FILE, type FileFault } from './documents.js';
import { sayWhere } from './faultWords.js';
import { readJob, type ReadResult } from './jobFile.js';

/** What a reader of JSON misses, in words. */
const MISSING: Record<string, string> = {
  ValueExpected: 'a value is missing before this',
  CommaExpected: 'a comma is missing before this',
  ColonExpected: 'a colon is missing before this',
  PropertyNameExpected: 'the name of a field is missing before this',
  CloseBraceExpected: 'a closing brace } is missing',
  CloseBracketExpected: 'a closing bracket ] is missing',
  EndOfFileExpected: 'the file should end before this',
  InvalidSymbol: 'this is neither a number, a text, nor true, false or null',
  InvalidNumberFormat: 'this number is not finished',
  UnexpectedEndOfString: 'this text has no closing quote',
  UnexpectedEndOfComment: 'this remark has no end',
  InvalidCommentToken: 'there are no remarks in a job file',
  InvalidEscapeCharacter: 'after \\ comes something that means nothing',
  InvalidUnicode: 'after \\u four hexadecimal digits are missing',
  InvalidCharacter: 'this text holds a character that may not stand in one, such as a line break',
};

const STRICT = { disallowComments: true, allowTrailingComma: false, allowEmptyContent: false };

/** Line and column of an offset, counted from 1 as editors do. */
const lineOf = (text: string, offset: number): { line: number; column: number } => {
  const before = text.slice(0, offset);
  return { line: before.split('\n').length, column: offset - before.lastIndexOf('\n') };
};

const notJson = (text: string): ReadResult => {
  if (text.trim() === '') return fault(WHOLE_FILE, 'This is not JSON: the file is empty.');
  if (!/^\s*[{[]/.test(text))
    return fault(
      WHOLE_FILE,
      'This is not JSON, so it is no job file. A job file was saved by this program and ends in .json; one from a colleague ends in .zip.',
    );
  const errors: ParseError[] = [];
  parseTree(text, errors, STRICT);
  const [first] = errors;
  // What the one reader refuses and the other does not is told without its place.
  if (!first) return parseJson(text) as ReadResult;
  const { line, column } = lineOf(text, first.offset);
  const what = MISSING[printParseErrorCode(first.error)] ?? 'this cannot be read';
  const cut =
    first.offset >= text.trimEnd().length ? ' The file ends there: it may have been cut off on its way.' : '';
  return fault(WHOLE_FILE, `This is not JSON: in line ${line}, column ${column}, ${what}.${cut}`);
};

/** A dotted path as it was given, back in its parts; a number is a place in a list. */
const partsOf = (path: string): (string | number)[] =>
  path.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part));

/**
 * Reads the text of a job file. What is wrong with it is told in people's words, with the line, and by the name of the thing that it is about;
 * the path stays beside it for programs.
 */
export const parseJobFile = (raw: string): ReadResult => {
  const text = raw.replace(/^\uFEFF/, '');
  const json = parseJson(text);
  if (!json.ok) return notJson(text);
  const read = readJob(json.value);
  if (read.ok) return read;
  const tree = parseTree(text, [], STRICT);
  const told = read.faults.map(({ path, message }): FileFault => {
    if (path === WHOLE_FILE) return { path, message };
    const parts = partsOf(path);
    const where = sayWhere(json.value, parts);
    // Where the thing itself is missing, the line of what should hold it.
    const node = parts
      .map((_, i) => (tree ? findNodeAtLocation(tree, parts.slice(0, parts.length - i)) : undefined))
      .find((one) => one !== undefined);
    const line = node ? `line ${lineOf(text, node.offset).line}` : null;
    const at = [line, where].filter((one) => one !== null).join(', ');
    return { path, message: at === '' ? message : `${at[0]?.toUpperCase() ?? ''}${at.slice(1)}: ${message}` };
  });
  return { ok: false, faults: told };
};
