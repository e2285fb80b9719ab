import { alikeQuestion, wiresAcross, type WiresAcross } from './alike.js';
import { farQuestion, type Standing } from './ask.js';
import { feedOf, feedQuestions, type FeedTold } from './feed.js';
import {
  restPairsOf,
  tapeKey,
  type Stub,
  type WireQuestion,
  type WireReading,
  type WiresFound,
} from './found.js';
import { leadsElsewhere, mateOf, matesOf, type Mates } from './mates.js';

/** Who asks: the reading at the panel and live readings are for an electrician. */
export interface WiresAsking {
  isElectrician: boolean;
}

/** What is told of one cable's end. */
export type EndTold =
  | { state: 'cable'; to: Stub; across: WiresAcross }
  /** It leads to none of the open boxes: it brings the power, or goes on to something that nobody opened. */
  | { state: 'elsewhere'; feed: boolean | null }
  | { state: 'open'; mayBe: Stub[]; elsewhere: boolean };

export interface WiresTold {
  state:
    | 'reading'
    /** Readings cannot all be right. */
    | 'contradicts'
    /** All that readings tell is told. */
    | 'told'
    /** Something is open that nothing allowed here tells. */
    | 'open';
  next: WireQuestion | null;
  /** Others that may be read instead. */
  instead: WireQuestion[];
  ends: { stub: Stub; told: EndTold }[];
  feed: FeedTold;
  mates: Mates;
  /** Readings without any one of which the rest would fit; one of them is wrong. */
  suspects: readonly WireReading[];
}

const boxesOf = ({ stubs }: WiresFound): string[] => [...new Set(stubs.map(({ box }) => box as string))];

/** Links as the last reading with links had them. */
const standingAfter = (readings: readonly WireReading[]): Standing | null => {
  const last = readings.at(-1);
  if (last?.question.kind !== 'far') return null;
  const { box, links, at } = last.question;
  return { box, links, readAt: at.box };
};

/** Cables that nobody could get at. */
const shutOf = (found: WiresFound, readings: readonly WireReading[]): Set<string> =>
  new Set(
    readings.flatMap(({ question, answer }) => {
      if (answer.kind !== 'cannot') return [];
      if (question.kind === 'far') return [tapeKey(question.at)];
      return question.kind === 'rest'
        ? found.stubs.filter(({ box }) => box === question.box).map(tapeKey)
        : [];
    }),
  );

/** The box that is read next with no link anywhere; a cable that can show nothing by itself is not read. */
const restQuestion = (found: WiresFound, readings: readonly WireReading[]): WireQuestion | null => {
  const read = new Set(
    readings.flatMap(({ question }) => (question.kind === 'rest' ? [question.box as string] : [])),
  );
  const box = boxesOf(found).find((one) => !read.has(one));
  return box === undefined ? null : { kind: 'rest', box: box as Stub['box'] };
};

const endTold = (
  found: WiresFound,
  { mates, feed, readings }: { mates: Mates; feed: FeedTold; readings: readonly WireReading[] },
  stub: Stub,
): EndTold => {
  const key = tapeKey(stub);
  const mate = mateOf(mates, key);
  const to = mate === null ? undefined : found.stubs.find((one) => tapeKey(one) === mate);
  if (to) return { state: 'cable', to, across: wiresAcross(stub, to, readings) };
  if (leadsElsewhere(mates, key)) {
    const isFeed = feed.feed && tapeKey(feed.feed.stub) === key;
    const isOut = !feed.mayBe.some((one) => tapeKey(one.stub) === key);
    return { state: 'elsewhere', feed: isFeed ? true : feed.feed || isOut ? false : null };
  }
  return {
    state: 'open',
    mayBe: found.stubs.filter((one) => mates.may.get(key)?.has(tapeKey(one)) === true),
    elsewhere: mates.elsewhere.has(key),
  };
};

/**
 * Which wire is which, as far as the readings tell, and the next reading: first every box with no link anywhere, then links on in one
 * box and what shows in others, then wires of a cable that look alike, at last the feed.
 */
export const identifyWires = (
  found: WiresFound,
  readings: readonly WireReading[],
  { isElectrician }: WiresAsking,
): WiresTold => {
  const mates = matesOf(found, readings);
  const feed = feedOf(found, mates, readings);
  const ends = found.stubs.map((stub) => ({ stub, told: endTold(found, { mates, feed, readings }, stub) }));
  const base = { ends, feed, mates, suspects: [] };
  if (mates.against.length > 0)
    return {
      ...{ ...base, state: 'contradicts', next: null, instead: [] },
      suspects: readings.filter(
        (one) =>
          matesOf(
            found,
            readings.filter((other) => other !== one),
          ).against.length === 0,
      ),
    };
  const shut = shutOf(found, readings);
  const dead =
    restQuestion(found, readings) ??
    farQuestion(found, mates, shut, standingAfter(readings)) ??
    alikeQuestion(found, mates, readings);
  if (dead) return { ...base, state: 'reading', next: dead, instead: [] };
  const [next, ...instead] = isElectrician ? feedQuestions(feed, readings) : [];
  if (next) return { ...base, state: 'reading', next, instead };
  const isTold =
    feed.feed !== null &&
    feed.feed.hot.length > 0 &&
    ends.every(
      ({ told }) =>
        told.state !== 'open' && (told.state !== 'cable' || told.across.every(({ b }) => b !== null)),
    );
  return { ...base, state: isTold ? 'told' : 'open', next: null, instead: [] };
};

/** Can any cable of a box show something by itself? */
export const readsAtRest = (found: WiresFound, box: string): boolean =>
  found.stubs.some((stub) => stub.box === box && restPairsOf(stub).length > 0);
