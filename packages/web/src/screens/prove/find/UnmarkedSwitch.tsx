import { useState } from 'react';
import { tellScrews, type ScrewReading, type Unmarked } from '@amber/core';
import { OneOf } from '../../../parts/OneOf.js';
import { Button, SeverityMark } from '../../../parts/ui.js';

const TAGS = ['A', 'B', 'C', 'D'];
const tag = (at: number): string => TAGS[at] ?? '?';
const KINDS = [
  { value: 'threeWay' as const, words: 'Three screws and the green' },
  { value: 'fourWay' as const, words: 'Four screws and the green' },
];

/** What was found, and what that means for whoever lands wires on it. */
const sayTold = (kind: Unmarked, told: readonly (readonly number[])[]): string =>
  kind === 'threeWay'
    ? `${tag(told[0]?.[0] ?? 0)} is the common; the other two are the travelers.`
    : `${told.map((pair) => pair.map(tag).join(' and ')).join(' are one pair, ')} the other: the two wires of one cable go on one pair.`;

/** A switch out of the wall without marks: its common, or its pairs, by continuity in both positions of its handle. */
export const UnmarkedSwitch = () => {
  const [kind, setKind] = useState<Unmarked>('threeWay');
  const [readings, setReadings] = useState<ScrewReading[]>([]);
  const { told, next, broken } = tellScrews(kind, readings);
  const now = readings.at(-1)?.position ?? 0;
  const read = (continuity: boolean) => next && setReadings([...readings, { ...next, continuity }]);
  return (
    <section aria-label="A switch without marks" className="flex max-w-2xl flex-col gap-3">
      <p className="flex gap-2 text-[13.5px]">
        <SeverityMark severity="caution" />
        <span>
          Out of the wall, every wire off it, the wires in the box capped and proved dead. Put tags{' '}
          {TAGS.slice(0, kind === 'threeWay' ? 3 : 4).join(', ')} on its screws in any order, never on the
          green one.
        </span>
      </p>
      <OneOf
        label="The switch in the hand"
        options={KINDS}
        value={kind}
        onPick={(value) => {
          setKind(value);
          setReadings([]);
        }}
      />
      {told ? (
        <p role="status" className="rounded-md border border-pass p-3 text-[15.5px] font-semibold">
          {sayTold(kind, told)}
        </p>
      ) : broken ? (
        <p role="status" className="rounded-md border-2 border-violation p-3 text-[15px] font-semibold">
          No switch of this kind that works reads so: it is worn, it is of another kind, or a reading went
          wrong. Read again, and if it comes out the same, fit another.
        </p>
      ) : next ? (
        <div className="rounded-lg border-2 border-ink bg-white p-4">
          {readings.length > 0 && next.position !== now ? (
            <p className="text-[17px] leading-snug font-bold">Move its handle to the other position.</p>
          ) : readings.length === 0 ? (
            <p className="text-[17px] leading-snug font-bold">Leave its handle as it is.</p>
          ) : null}
          <p className="mb-3 text-[17px] leading-snug font-bold">
            Continuity tester between {tag(next.a)} and {tag(next.b)}.
          </p>
          <div className="grid grid-cols-2 gap-2">
            <Button className="min-h-14" onClick={() => read(true)}>
              Continuity
            </Button>
            <Button className="min-h-14" onClick={() => read(false)}>
              None
            </Button>
          </div>
        </div>
      ) : null}
      {readings.length > 0 ? (
        <>
          <ol aria-label="Read so far" className="list-decimal pl-6 text-[13.5px]">
            {readings.map(({ position, a, b, continuity }) => (
              <li key={`${position} ${a} ${b}`}>
                {position === 0 ? 'first' : 'other'} position, {tag(a)} to {tag(b)}:{' '}
                {continuity ? 'continuity' : 'none'}
              </li>
            ))}
          </ol>
          <div className="flex gap-2">
            <Button look="bare" onClick={() => setReadings(readings.slice(0, -1))}>
              Take the last back
            </Button>
            <Button look="bare" onClick={() => setReadings([])}>
              Another switch
            </Button>
          </div>
        </>
      ) : null}
    </section>
  );
};
