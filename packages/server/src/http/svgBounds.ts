import { SaxesParser } from 'saxes';

/** Elements that a picture may have, all that it draws once more counted each time; and how deep they may lie in one another. */
const MOST = 50_000;
const DEEPEST = 100;

interface Part {
  children: Part[];
  /** Ids of what it draws once more. */
  draws: string[];
}

/** Elements that a part comes to when it is drawn; Infinity where it draws itself, or more than is taken. */
const drawn = (part: Part, byId: ReadonlyMap<string, Part>, known: Map<Part, number>): number => {
  const before = known.get(part);
  if (before !== undefined) return before;
  // Whoever comes back to it on the way would never end.
  known.set(part, Infinity);
  let sum = 1;
  for (const child of part.children) sum += drawn(child, byId, known);
  for (const id of part.draws) {
    const target = byId.get(id);
    if (target) sum += drawn(target, byId, known);
  }
  known.set(part, sum);
  return sum;
};

/**
 * Why an SVG is not taken, in a sentence; null of one that is. Whatever would keep a browser busy for minutes is refused here: too many elements, also by
 * drawing parts of it again and again, elements too deep in one another, and definitions of text that grow out of themselves.
 */
export const svgFault = (text: string): string | null => {
  const parser = new SaxesParser({ xmlns: false });
  const root: Part = { children: [], draws: [] };
  const open: Part[] = [root];
  const byId = new Map<string, Part>();
  let count = 0;
  let fault: string | null = null;
  const refuse = (why: string) => {
    fault ??= why;
  };
  parser.on('doctype', (doctype) => {
    if (/<!ENTITY/i.test(doctype)) refuse('It defines text of its own (ENTITY), which is not taken.');
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (fault) return;
    count += 1;
    if (count > MOST) return refuse(`It has more than ${MOST.toLocaleString('en')} elements.`);
    if (open.length > DEEPEST) return refuse(`Its elements lie more than ${DEEPEST} deep in one another.`);
    const value = (key: string) => attributes[key];
    const href = value('href') ?? value('xlink:href') ?? '';
    const part: Part = {
      children: [],
      draws: name.replace(/^.*:/, '') === 'use' && href.startsWith('#') ? [href.slice(1)] : [],
    };
    open.at(-1)?.children.push(part);
    open.push(part);
    const id = value('id');
    if (id !== undefined && !byId.has(id)) byId.set(id, part);
  });
  parser.on('closetag', () => void open.pop());
  parser.on('error', (error) => refuse(`It is no well-formed SVG: ${error.message}`));
  parser.write(text).close();
  if (fault !== null) return fault;
  return drawn(root, byId, new Map()) > MOST
    ? `It draws parts of itself so often that it comes to more than ${MOST.toLocaleString('en')} elements.`
    : null;
};
