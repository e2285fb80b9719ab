import { isNeutralColour } from '../model/colours.js';
import {
  findStub,
  groundWire,
  tapeKey,
  type Pair,
  type Stub,
  type Tape,
  type WireQuestion,
  type WireReading,
  type WiresFound,
} from './found.js';
import { leadsElsewhere, type Mates } from './mates.js';

/** Where the power of the circuit may come in: a cable that leads elsewhere, and the wire of it that is hot. */
export interface FeedMayBe {
  stub: Stub;
  wire: Stub['wires'][number];
  share: number;
}

/** How it stands with the cable that brings power. */
export interface FeedTold {
  /** Its cable and which of its wires are hot, both by readings; no wire where only its cable is told, null while none has told. */
  feed: { stub: Stub; hot: Stub['wires'] } | null;
  /** What is still possible, likeliest first. */
  mayBe: FeedMayBe[];
  /** Cables whose white shows continuity to ground by itself: a strong hint of the feed, no proof. */
  hinted: Stub[];
  /** The breaker's wire shows continuity to ground with no link on: the reading at the panel tells nothing. */
  panelBlind: boolean;
}

/** A white that is met with the ground at the service shows so where the neutral arrives whole. */
const HINTED = 6;

const isHint = (mates: Mates, stub: Stub): boolean =>
  (mates.atRest.get(tapeKey(stub)) ?? []).some((pattern) =>
    /^(white|gray) to ground$|^ground to (white|gray)$/.test(pattern),
  );

/**
 * The two wires that a link joins so that the breaker's wire is met with a bar of the panel: one and the ground of its cable; where it has
 * none, one and its white, or the next one, since the other is the neutral then. Null of a wire that comes alone.
 */
export const toBar = (stub: Stub, wire: Stub['wires'][number]): Pair | null => {
  const others = stub.wires.filter((one) => one !== wire);
  const back = groundWire(stub) ?? others.find(isNeutralColour) ?? others[0];
  return back === undefined ? null : [wire, back];
};

/** What is known of the feed after the readings at the panel and live ones. */
export const feedOf = (found: WiresFound, mates: Mates, readings: readonly WireReading[]): FeedTold => {
  const outer = found.stubs.filter((stub) => leadsElsewhere(mates, tapeKey(stub)));
  const hinted = outer.filter((stub) => isHint(mates, stub));
  let mayBe = outer.flatMap((stub) =>
    stub.wires.map((wire, at): FeedMayBe => ({
      ...{ stub, wire },
      // Black first: that is what a hot is as a rule. A white comes last, since a feed has its neutral on it.
      share: (isHint(mates, stub) ? HINTED : 1) * (isNeutralColour(wire) ? 0.05 : at === 0 ? 1 : 0.3),
    })),
  );
  let feed: FeedTold['feed'] = null;
  let panelBlind = false;
  for (const { question, answer } of readings) {
    if (question.kind === 'live' && answer.kind === 'hot') {
      const stub = findStub(found, question.at);
      if (!stub) continue;
      if (answer.wires.length > 0) feed = { stub, hot: answer.wires };
      else mayBe = mayBe.filter((one) => tapeKey(one.stub) !== tapeKey(stub));
    }
    if (question.kind !== 'panel' || answer.kind !== 'shows') continue;
    if (question.link === null) {
      panelBlind = answer.shows;
      continue;
    }
    const { link, pair } = question;
    const stub = findStub(found, link);
    if (!stub || !pair) continue;
    const isGrounded = groundWire(stub) !== null;
    // Without a ground it is told of both wires that were joined, not which of them is hot.
    const isIt = (one: FeedMayBe) =>
      tapeKey(one.stub) === tapeKey(stub) && (isGrounded ? pair[0] === one.wire : pair.includes(one.wire));
    const its = mayBe.filter(isIt);
    if (answer.shows && its.length > 0) feed ??= { stub, hot: isGrounded ? its.map(({ wire }) => wire) : [] };
    else mayBe = mayBe.filter((one) => !isIt(one));
  }
  return { feed, mayBe: [...mayBe].sort((a, b) => b.share - a.share), hinted, panelBlind };
};

/**
 * The readings that tell the feed, the dead one at the panel first. Both are for an electrician: the first leads to the panel, the second
 * is live.
 */
export const feedQuestions = (
  { feed, mayBe, panelBlind }: FeedTold,
  readings: readonly WireReading[],
): Extract<WireQuestion, { kind: 'panel' | 'live' }>[] => {
  if ((feed && feed.hot.length > 0) || mayBe.length === 0) return [];
  const cannot = (kind: WireQuestion['kind']) =>
    readings.some(({ question, answer }) => question.kind === kind && answer.kind === 'cannot');
  const isRead = (tape: Tape) =>
    readings.some(({ question }) => question.kind === 'live' && tapeKey(question.at) === tapeKey(tape));
  const panel: Extract<WireQuestion, { kind: 'panel' }>[] = [];
  const first = mayBe.flatMap(({ stub, wire }) => {
    const pair = toBar(stub, wire);
    return pair ? [{ stub, pair }] : [];
  })[0];
  if (first && !feed && !panelBlind && !cannot('panel')) {
    const { box, number } = first.stub;
    const isBare = readings.some(({ question }) => question.kind === 'panel' && question.link === null);
    panel.push(
      isBare
        ? { kind: 'panel', link: { box, number }, pair: first.pair }
        : { kind: 'panel', link: null, pair: null },
    );
  }
  const live = [...new Map((feed ? [feed] : mayBe).map(({ stub }) => [tapeKey(stub), stub])).values()]
    .filter((stub) => !isRead(stub))
    .map(({ box, number }) => ({ kind: 'live' as const, at: { box, number } }));
  return [...panel, ...live];
};
