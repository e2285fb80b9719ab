import { hueOf } from '../model/colours.js';
import type { CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { circuitName, findBox } from '../model/lookup.js';
import { CONTINUITY, DEAD, isHigh, LADDER, LIVE, NO_GROUND, PANEL_CAUTION } from '../words/cautions.js';
import { listed } from '../words/lists.js';
import { placeName } from '../words/places.js';
import { colourWord } from '../words/wires.js';
import {
  findStub,
  kindOf,
  LAID,
  linksOf,
  allPairsOf,
  patternOf,
  restPairsOf,
  sameAt,
  tapeKey,
  type Link,
  type Pair,
  type Stub,
  type Tape,
  type WirePoint,
  type WireQuestion,
  type WireReading,
  type WireReply,
  type WiresFound,
} from './found.js';

/** A reading as it is put to whoever stands at the box. */
export interface WireQuestionWords {
  /** What is done first, each a sentence. */
  steps: string[];
  ask: string;
  /** Answers of which one is given; none where any number is picked of what may show. */
  options: { label: string; reply: WireReply }[];
  /** What may show, where more than one may. */
  picks: { label: string; link: Link }[];
  /** Pairs that the tester is put on, in their order. */
  pairs: Pair[];
  /** What each answer would mean, in a sentence. */
  why: string;
  cautions: string[];
}

/** What is told of wires: the job in which their boxes are, and what was found in them. */
export interface WiresSubject {
  job: Job;
  circuit: CircuitId;
  found: WiresFound;
}

const pointWord = (point: WirePoint): string => (point === LAID ? 'the wire laid along' : colourWord(point));
export const pairWord = ([a, b]: Pair): string => `${pointWord(a)} to ${pointWord(b)}`;
export const joinedWord = ([a, b]: Pair): string => `${pointWord(a)} and ${pointWord(b)}`;

/** "cable 2", "wire 3". */
export const tapeWord = ({ number, loose }: Pick<Stub, 'number' | 'loose'>): string =>
  `${loose ? 'wire' : 'cable'} ${number}`;

const wireList = ({ wires, ground, loose }: Stub): string => {
  const named = wires.map(colourWord).join(', ');
  return loose || ground === 'none' ? named : `${named}, ${ground === 'raceway' ? 'raceway' : ground}`;
};

export const stubAt = (found: WiresFound, tape: Tape): Stub => {
  const stub = findStub(found, tape);
  if (!stub) throw new Error(`No cable has the tape "${tapeKey(tape)}".`);
  return stub;
};

const ladderAt = (job: Job, boxes: readonly string[]): string[] =>
  boxes.some((id) => {
    const box = findBox(job, id);
    return box !== undefined && isHigh(box);
  })
    ? [LADDER]
    : [];

const laidCaution = (pairs: readonly Pair[]): string[] =>
  pairs.some((pair) => pair.includes(LAID))
    ? [
        'The wire laid along runs from box to box on the floor, whole, tried end to end first; it is joined to nothing else, and nobody trips over it.',
      ]
    : [];

const linkSteps = (found: WiresFound, box: string, links: readonly Link[]): string[] =>
  links.map(({ number, pair }) => {
    const stub = stubAt(found, { box: box as Tape['box'], number });
    return `Join ${joinedWord(pair)} of ${tapeWord(stub)} by a link.`;
  });

/** Links taken off and put on between a reading and the one before. */
const linksChanged = (
  { job, found }: WiresSubject,
  readings: readonly WireReading[],
  question: WireQuestion,
): string[] => {
  const now = linksOf(question);
  const last = readings.at(-1)?.question;
  const before = last ? linksOf(last) : null;
  const isSame = JSON.stringify(before) === JSON.stringify(now);
  if (isSame) return now ? [`The links at ${placeName(job, now.box)} stay on as they are.`] : [];
  const off = before ? [`Take every link off at ${placeName(job, before.box)}.`] : [];
  if (!now) return off;
  const [first, ...others] = linkSteps(found, now.box, now.links);
  return [...off, `At ${placeName(job, now.box)}: ${(first ?? '').replace(/^J/, 'j')}`, ...others];
};

const STILL_DEAD =
  'Dead, as proved when the boxes were opened: breaker off and locked. If anybody was at the panel meanwhile, prove it again.';

/**
 * What is done in every box before the first reading, and which number goes on what: an end that is parted in one box and not in the other
 * tells of splices, not of a cable.
 */
export interface OpeningWords {
  cautions: string[];
  steps: string[];
  boxes: { name: string; tape: { number: number; on: string }[] }[];
}

export const sayOpening = ({ job, found }: WiresSubject): OpeningWords => {
  const boxes = [...new Set(found.stubs.map(({ box }) => box))];
  return {
    cautions: [
      DEAD,
      CONTINUITY,
      NO_GROUND,
      'Aluminium, knob-and-tube or other wiring that you do not know: stop here.',
      ...ladderAt(job, boxes),
    ],
    steps: [
      'Plate off; ease out what is fitted, touch no wire, and prove every wire dead: to ground, and to every other.',
      'Then take off what is fitted, and part every splice but that of the grounds.',
      'Put numbered tape on each cable or wire, as it stands below. Wires that look alike get a number of their own.',
      'Hold the ends apart.',
    ],
    boxes: boxes.map((box) => ({
      name: placeName(job, box),
      tape: found.stubs
        .filter((stub) => stub.box === box)
        .map((stub) => ({ number: stub.number, on: `${stub.loose ? 'wire' : 'cable'}: ${wireList(stub)}` })),
    })),
  };
};

/** A reading in the words of the trade, from the links that are on. */
export const sayWireQuestion = (
  subject: WiresSubject,
  question: WireQuestion,
  readings: readonly WireReading[],
): WireQuestionWords => {
  const { job, circuit, found } = subject;
  const name = (box: string) => placeName(job, box as Tape['box']);
  switch (question.kind) {
    case 'rest': {
      const here = found.stubs.filter(({ box }) => box === question.box);
      return {
        steps: [
          `At ${name(question.box)}, with every box open, every end parted and no link on anywhere: put the tester on every wire of a cable and every other of the same cable.`,
        ],
        ask: 'Which of these show continuity?',
        options: [],
        pairs: [],
        picks: here.flatMap((stub) =>
          restPairsOf(stub).map((pair) => ({
            label: `${tapeWord(stub)}: ${pairWord(pair)}`,
            link: { number: stub.number, pair },
          })),
        ),
        why: 'Most show none. White to ground here is a strong hint of the cable that brings the power, and no proof; any other that shows is met somewhere else, at a load or behind a box that is shut.',
        cautions: [CONTINUITY, STILL_DEAD, ...ladderAt(job, [question.box])],
      };
    }
    case 'far': {
      const at = stubAt(found, question.at);
      const linked = question.links.map((link) => ({
        link,
        stub: stubAt(found, { box: question.box, number: link.number }),
      }));
      const alike = linked.filter(({ stub }) => kindOf(stub) === kindOf(at));
      const shows = allPairsOf(at).filter((pair) =>
        alike.some(({ link, stub }) => patternOf(stub, link.pair) === patternOf(at, pair)),
      );
      const meant = (pair: Pair): string =>
        listed(
          alike
            .filter(({ link, stub }) => patternOf(stub, link.pair) === patternOf(at, pair))
            .map(({ stub }) => tapeWord(stub)),
        ).replace(/ and /, ' or ');
      return {
        steps: [
          ...linksChanged(subject, readings, question),
          `At ${name(at.box)}, ${tapeWord(at)} (${wireList(at)}): put the tester on ${shows.map(joinedWord).join(', then on ')}.`,
        ],
        ask: shows.length > 1 ? 'Which of them shows continuity?' : 'Does it show continuity?',
        options: [
          ...shows.map((pair) => ({
            label: shows.length > 1 ? pairWord(pair) : 'Continuity',
            reply: { kind: 'pair' as const, pair },
          })),
          { label: shows.length > 1 ? 'None of them' : 'None', reply: { kind: 'pair', pair: null } },
        ],
        picks: [],
        pairs: shows,
        why: `${shows
          .map((pair) => `${pairWord(pair)}: the other end of it is ${meant(pair)} of ${name(question.box)}`)
          .join('; ')}. None: none of those.`.replace(/^./, (one) => one.toUpperCase()),
        cautions: [STILL_DEAD, ...laidCaution(shows), ...ladderAt(job, [at.box, question.box])],
      };
    }
    case 'alike': {
      const at = stubAt(found, question.at);
      const hue = hueOf(question.among[0] ?? 'black');
      const back = sameAt(stubAt(found, question.link), question.pair[1], at) ?? question.pair[1];
      return {
        steps: [
          ...linksChanged(subject, readings, question),
          `At ${name(at.box)}, ${tapeWord(at)}: put the tester on ${pointWord(back)} and on each ${hue} wire in turn.`,
        ],
        ask: `Which ${hue} wire shows continuity?`,
        options: [
          ...question.among.map((wire) => ({
            label: colourWord(wire),
            reply: { kind: 'wire' as const, wire },
          })),
          { label: 'None of them', reply: { kind: 'wire', wire: null } },
        ],
        picks: [],
        pairs: question.among.map((wire): Pair => [wire, back]),
        why: `It is the ${colourWord(question.pair[0] as Stub['wires'][number])} of ${tapeWord(stubAt(found, question.link))} at ${name(question.link.box)}.`,
        cautions: [
          STILL_DEAD,
          ...laidCaution([question.pair]),
          ...ladderAt(job, [at.box, question.link.box]),
        ],
      };
    }
    case 'panel': {
      const breaker = circuitName(job, circuit);
      return {
        steps: [
          ...linksChanged(subject, readings, question),
          `At the panel, the breaker of ${breaker} off and its wire proved dead: put the tester on the screw of that breaker and on the bar of the grounds and neutrals.`,
        ],
        ask: 'Does it show continuity?',
        options: [
          { label: 'Continuity', reply: { kind: 'shows', shows: true } },
          { label: 'None', reply: { kind: 'shows', shows: false } },
        ],
        picks: [],
        pairs: [],
        why: question.link
          ? `Continuity: ${tapeWord(stubAt(found, question.link))} of ${name(question.link.box)} brings the power of ${breaker}${stubAt(found, question.link).ground === 'none' ? '' : `, and its ${pointWord(question.pair?.[0] ?? LAID)} is the hot`}. None: it does not come by that wire.`
          : 'None is as it should be. Continuity with no link on means that something on the circuit closes it: then this reading tells nothing, and it is read live.',
        cautions: [PANEL_CAUTION, CONTINUITY, ...ladderAt(job, question.link ? [question.link.box] : [])],
      };
    }
    case 'live': {
      const at = stubAt(found, question.at);
      return {
        steps: [
          ...linksChanged(subject, readings, question),
          `Dead first: the ends of ${tapeWord(at)} at ${name(at.box)} each in a connector with a test opening, standing free; every other end in every open box capped.`,
          `Nobody at any other box; the breaker of ${circuitName(job, circuit)} on.`,
          `Two-pole tester on each wire of ${tapeWord(at)} and ${at.ground === 'none' ? 'a ground that was proved good' : 'its ground, proved good'}.`,
          'Breaker off, locked or tagged again, and proved dead, before anything is touched.',
        ],
        ask: 'Which wires read about 120 V?',
        options: [],
        pairs: [],
        picks: at.wires.map((wire) => ({
          label: colourWord(wire),
          link: { number: at.number, pair: [wire, LAID] },
        })),
        why: 'A wire that reads 120 V is the hot of the feed. Two hots in one cable are two legs or two circuits: both breakers off from then on. None: the power does not come in here.',
        cautions: [LIVE, NO_GROUND, PANEL_CAUTION, ...ladderAt(job, [at.box])],
      };
    }
  }
};
