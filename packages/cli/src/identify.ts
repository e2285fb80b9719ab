import {
  findBox,
  identifyWires,
  LAID,
  numbered,
  sayEnd,
  sayOpening,
  sayUsual,
  sayWireQuestion,
  sayWireReading,
  tagOfWire,
  tapeKey,
  tapeWord,
  usualDuties,
  wiresFoundSchema,
  type Stub,
  type WireQuestion,
  type WireReading,
  type WireReply,
  type WiresFound,
  type WiresSubject,
} from '@amber/core';
import type { Command, Refused } from './report.js';

const refused = (line: string): Refused => ({ refused: [line] });
const isRefused = (one: object): one is Refused => 'refused' in one;

const GROUNDS = ['bare', 'green', 'raceway'] as const;
const HOW =
  'tell it as BOX: WIRES; WIRES, such as "Stair foot: black white bare; black white", or "loose black" for one wire of a raceway.';

/** What comes into one box: its cables by their wires, numbered in the order in which they are told. */
const stubsOf = (subject: WiresSubject['job'], text: string): Stub[] | Refused => {
  const cut = text.indexOf(':');
  const name = text.slice(0, cut).trim();
  if (cut < 1) return refused(`--comes "${text}": ${HOW}`);
  const box = subject.boxes.find((one) => one.id === name || one.name === name);
  if (!box)
    return refused(
      `--comes "${text}": the job has no box "${name}"; it has ${subject.boxes.map((one) => `"${one.name}"`).join(', ')}.`,
    );
  const stubs: Stub[] = [];
  for (const [i, part] of text
    .slice(cut + 1)
    .split(';')
    .entries()) {
    const words = part.trim().split(/\s+/);
    const loose = words[0] === 'loose';
    const own = loose ? words.slice(1) : words;
    const last = own.at(-1);
    const ground = GROUNDS.find((one) => one === last && own.length > 1) ?? (loose ? 'raceway' : 'none');
    const wires = numbered(ground === last ? own.slice(0, -1) : own);
    const read = wiresFoundSchema.safeParse({
      stubs: [{ box: box.id, number: i + 1, wires: wires ?? [], ground, loose }],
    });
    const [stub] = read.data?.stubs ?? [];
    if (!stub) return refused(`--comes "${text}": "${part.trim()}" is no list of wires; ${HOW}`);
    stubs.push(stub);
  }
  return stubs;
};

/** An answer by the words that the question offers for it. */
const replyOf = (
  subject: WiresSubject,
  question: WireQuestion,
  readings: readonly WireReading[],
  text: string,
): WireReply | Refused => {
  const { options, picks } = sayWireQuestion(subject, question, readings);
  const word = text.trim().toLowerCase();
  if (word === 'cannot') return { kind: 'cannot' };
  const option = options.find(
    ({ label }) => label.toLowerCase() === word || (word === 'none' && label.startsWith('None')),
  );
  if (option) return option.reply;
  const named = word === 'none' ? [] : word.split(';').map((one) => one.trim());
  const shown = named.map((one) => picks.find(({ label }) => label.toLowerCase() === one)?.link);
  if (options.length > 0 || shown.includes(undefined)) {
    const there = [...options, ...picks].map(({ label }) => `"${label}"`).join(', ');
    return refused(
      `--read "${text}": that is no answer to what is asked then; there are ${there}, none and cannot.`,
    );
  }
  const links = shown.flatMap((one) => one ?? []);
  return question.kind === 'live'
    ? {
        kind: 'hot',
        wires: links.flatMap(({ pair: [wire] }) => (wire === LAID ? [] : [wire as Stub['wires'][number]])),
      }
    : { kind: 'pairs', shown: links };
};

/** Tells which of the wires that nobody knows is which: from what comes into each box and what was read so far, the next reading. */
export const identify: Command = ({ job }, { circuit, identification, diagnosis }) => {
  if (!circuit) return refused('Name the circuit whose wires nobody knows with --circuit.');
  if (identification.comes.length === 0) return refused(`Tell what comes into each box with --comes: ${HOW}`);
  const stubs: Stub[] = [];
  for (const text of identification.comes) {
    const told = stubsOf(job, text);
    if (isRefused(told)) return told;
    if (told.some(({ box }) => stubs.some((one) => one.box === box)))
      return refused(`--comes "${text}": this box was told already; name each once.`);
    stubs.push(...told);
  }
  const found: WiresFound = { stubs };
  const subject: WiresSubject = { job, circuit: circuit.id, found };
  const asking = { isElectrician: diagnosis.electrician };
  const readings: WireReading[] = [];
  for (const text of identification.read) {
    const { next } = identifyWires(found, readings, asking);
    if (!next) return refused(`--read "${text}": nothing more is asked after ${readings.length} readings.`);
    const answer = replyOf(subject, next, readings, text);
    if (isRefused(answer)) return answer;
    readings.push({ question: next, answer });
  }
  const told = identifyWires(found, readings, asking);
  const opening = sayOpening(subject);
  const usual = usualDuties(job, circuit.id, found, told);
  const words = told.next && sayWireQuestion(subject, told.next, readings);
  return {
    lines: [
      ...(readings.length === 0
        ? [
            'Before the first reading, in every box:',
            ...opening.cautions.map((one) => `  CAUTION: ${one}`),
            ...opening.steps.map((one) => `  ${one}`),
            ...opening.boxes.map(
              ({ name, tape }) => `  ${name}: ${tape.map(({ number, on }) => `${number}, ${on}`).join('; ')}`,
            ),
          ]
        : []),
      ...readings.map((one) => `Read: ${sayWireReading(subject, one)}`),
      ...(told.state === 'contradicts'
        ? [
            'These readings cannot all be right; one of these is not, read it again:',
            ...told.suspects.map((one) => `  ${sayWireReading(subject, one)}`),
          ]
        : []),
      ...(words
        ? [
            'Next:',
            ...words.cautions.map((one) => `  CAUTION: ${one}`),
            ...words.steps.map((one) => `  ${one}`),
            `  ${words.ask}  Answer with --read ${[...words.options, ...words.picks].map(({ label }) => `"${label}"`).join(', ')}${words.picks.length > 0 ? ' (several with ";"), "none"' : ''} or "cannot"`,
            `  ${words.why}`,
          ]
        : []),
      ...(told.state === 'open' && told.feed.feed === null
        ? [
            diagnosis.electrician
              ? 'Which cable brings the power these readings do not tell.'
              : 'Which cable brings the power no dead reading in these boxes tells: an electrician reads that, at the panel or live (--electrician).',
          ]
        : []),
      ...(usual.size > 0
        ? [
            'As a rule such cables are made up so, which is a proposal and no fact:',
            ...told.ends.flatMap(({ stub }) => {
              const duties = usual.get(tapeKey(stub));
              return duties
                ? [`  ${findBox(job, stub.box)?.name ?? stub.box}, ${tapeWord(stub)}: ${sayUsual(duties)}`]
                : [];
            }),
          ]
        : []),
      'What is told:',
      ...told.ends.map(
        ({ stub, told: end }) =>
          `  ${findBox(job, stub.box)?.name ?? stub.box}, ${tapeWord(stub)}: ${sayEnd(subject, stub, end, told.feed.feed?.hot ?? [])}.  Tag: ${tagOfWire(subject, end)}`,
      ),
    ],
    data: { state: told.state, next: told.next, ends: told.ends, feed: told.feed.feed, readings },
    violates: false,
  };
};
