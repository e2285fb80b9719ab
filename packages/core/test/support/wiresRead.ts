import { tapeKey, type WireReading } from '../../src/identify/found.js';
import { identifyWires, type WiresTold } from '../../src/identify/identify.js';
import { houseOfWires, type HiddenWires } from './unknownWires.js';

const MOST_READ = 200;

/** Reads what is asked until nothing is left to ask; `wrong` turns some answers into others. */
export const wiresRead = (
  hidden: HiddenWires,
  {
    isElectrician = true,
    wrong = (reading) => reading,
  }: { isElectrician?: boolean; wrong?: (reading: WireReading, at: number) => WireReading } = {},
): { told: WiresTold; readings: WireReading[] } => {
  const house = houseOfWires(hidden);
  const readings: WireReading[] = [];
  for (;;) {
    const told = identifyWires(hidden.found, readings, { isElectrician });
    if (!told.next || readings.length >= MOST_READ) return { told, readings };
    readings.push(wrong({ question: told.next, answer: house.answer(told.next) }, readings.length));
  }
};

/** What is told otherwise than it is, in words; nothing where all is right. What is open is no fault by itself. */
export const toldWrong = ({ cables, hot }: HiddenWires, told: WiresTold): string[] => {
  const faults = told.ends.flatMap(({ stub, told: end }): string[] => {
    const key = tapeKey(stub);
    const cable = cables.find(
      ({ a, b }) => tapeKey(a) === key || (typeof b !== 'string' && tapeKey(b) === key),
    );
    if (!cable) return [`${key} is nowhere`];
    const isA = tapeKey(cable.a) === key;
    const other = isA ? cable.b : cable.a;
    if (end.state === 'open') return [];
    if (end.state === 'elsewhere') {
      if (typeof other !== 'string') return [`${key} does not lead elsewhere`];
      const isFeed = hot !== null && tapeKey(hot.at) === key;
      return end.feed === null || end.feed === isFeed ? [] : [`${key} ${isFeed ? 'is' : 'is not'} the feed`];
    }
    if (typeof other === 'string' || tapeKey(end.to) !== tapeKey(other))
      return [`${key} does not go to ${tapeKey(end.to)}`];
    return end.across.flatMap(({ a, b }) => {
      const wire = cable.wires.find((one) => (isA ? one.a : one.b) === a);
      return b === null || b === (isA ? wire?.b : wire?.a) ? [] : [`${key} ${a} is not ${b}`];
    });
  });
  const { feed } = told.feed;
  const isHot = !feed || feed.hot.length === 0 || (hot !== null && feed.hot.join() === hot.wire);
  return isHot ? faults : [...faults, `the hot is not ${feed.hot.join()}`];
};
