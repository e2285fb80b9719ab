import { hueOf, type InsulatedColour } from '../model/colours.js';
import {
  groundWire,
  LAID,
  tapeKey,
  type Stub,
  type WirePoint,
  type WireQuestion,
  type WireReading,
  type WiresFound,
} from './found.js';
import { mateOf, type Mates } from './mates.js';

/** The wires of one cable from end to end: those at one, each with its name at the other; null where alike ones are not told yet. */
export type WiresAcross = readonly { a: InsulatedColour; b: InsulatedColour | null }[];

const alikeOf = (stub: Stub): InsulatedColour[][] => {
  const byHue = new Map<string, InsulatedColour[]>();
  for (const wire of stub.wires) byHue.set(hueOf(wire), [...(byHue.get(hueOf(wire)) ?? []), wire]);
  return [...byHue.values()].filter((wires) => wires.length > 1);
};

/** Against what the wires that look alike are read: the ground, another wire that has no like, or a wire laid along. */
const against = (stub: Stub): WirePoint => {
  const alone = stub.wires.find((wire) =>
    stub.wires.every((other) => other === wire || hueOf(other) !== hueOf(wire)),
  );
  return groundWire(stub) ?? alone ?? LAID;
};

/** Which wire of one end is which at the other, as far as their looks and the readings tell. */
export const wiresAcross = (a: Stub, b: Stub, readings: readonly WireReading[]): WiresAcross => {
  const told = new Map<InsulatedColour, InsulatedColour>();
  for (const { question, answer } of readings) {
    if (question.kind === 'far' && answer.kind === 'pair' && answer.pair !== null) {
      const turned = tapeKey(question.at) === tapeKey(a);
      const [near, far] = turned ? [b, a] : [a, b];
      const link = question.links.find(({ number }) => question.box === near.box && number === near.number);
      if (!link || tapeKey(question.at) !== tapeKey(far)) continue;
      for (const wire of near.wires.filter((one) => link.pair.includes(one))) {
        const [shown, ...others] = far.wires.filter(
          (one) => hueOf(one) === hueOf(wire) && answer.pair?.includes(one) === true,
        );
        // Where two that look alike are joined, it does not show which of them is which.
        if (shown !== undefined && others.length === 0)
          told.set(turned ? shown : wire, turned ? wire : shown);
      }
    }
    if (question.kind !== 'alike' || answer.kind !== 'wire' || answer.wire === null) continue;
    const linked = question.pair.find((point) => point !== against(a) && point !== LAID) as InsulatedColour;
    if (tapeKey(question.link) === tapeKey(a) && tapeKey(question.at) === tapeKey(b))
      told.set(linked, answer.wire);
    if (tapeKey(question.link) === tapeKey(b) && tapeKey(question.at) === tapeKey(a))
      told.set(answer.wire, linked);
  }
  return a.wires.map((wire) => {
    const mine = a.wires.filter((one) => hueOf(one) === hueOf(wire));
    const theirs = b.wires.filter((one) => hueOf(one) === hueOf(wire));
    const known = told.get(wire);
    if (known !== undefined) return { a: wire, b: known };
    const left = theirs.filter((one) => ![...told.values()].includes(one));
    const open = mine.filter((one) => !told.has(one));
    return { a: wire, b: open.length === 1 && left.length === 1 ? (left[0] ?? null) : null };
  });
};

/** The reading that tells wires of a cable apart that look alike, where both of its ends are known. */
export const alikeQuestion = (
  found: WiresFound,
  mates: Mates,
  readings: readonly WireReading[],
): Extract<WireQuestion, { kind: 'alike' }> | null => {
  for (const a of found.stubs) {
    const mate = mateOf(mates, tapeKey(a));
    const b = mate === null ? undefined : found.stubs.find((one) => tapeKey(one) === mate);
    if (!b || tapeKey(a) > tapeKey(b) || alikeOf(a).length === 0) continue;
    const across = wiresAcross(a, b, readings);
    const wire = across.find((one) => one.b === null)?.a;
    if (wire === undefined) continue;
    const isAsked = readings.some(
      ({ question, answer }) =>
        question.kind === 'alike' &&
        (answer.kind === 'cannot' || (answer.kind === 'wire' && answer.wire === null)) &&
        tapeKey(question.link) === tapeKey(a) &&
        question.pair.includes(wire),
    );
    if (isAsked) continue;
    const taken = new Set(across.map((one) => one.b));
    return {
      ...{ kind: 'alike', link: { box: a.box, number: a.number }, at: { box: b.box, number: b.number } },
      pair: [wire, against(a)],
      among: b.wires.filter((one) => hueOf(one) === hueOf(wire) && !taken.has(one)),
    };
  }
  return null;
};
