import { useState } from 'react';
import {
  CAME_OUT,
  listed,
  LIVE_CAUTION,
  tellCameOut,
  type CameOut as Kind,
  type HotReading,
  type WireDuty,
} from '@amber/core';
import { OneOf } from '../../../parts/OneOf.js';
import { Button, SeverityMark } from '../../../parts/ui.js';

const TAGS = ['A', 'B', 'C', 'D'];
const tag = (at: number): string => TAGS[at] ?? '?';
const KINDS: { value: Kind; words: string }[] = [
  { value: 'single', words: 'Two wires' },
  { value: 'threeWay', words: 'Three wires' },
  { value: 'fourWay', words: 'Four wires' },
];
const NEXT = {
  asTheyStand: 'Leave every other handle as it is.',
  moveOne: 'Breaker off. Move the handle of one other switch of the group; breaker on again.',
  moveAnother:
    'That handle stands beyond this box. Breaker off; move the handle of yet another switch; breaker on again.',
} as const;
const BROKEN = {
  dead: 'No wire was live: no power comes here, or it comes by a wire that was not read. Look for it at the other boxes.',
  twoHot: 'Two were live at once: that is no such switch, or two circuits. Stop, and find both breakers.',
  unlike:
    'No switch of this kind that works is wired so: another switch is worn, or more is wrong. Find the fault first.',
} as const;

/** The duty of each wire, and where it goes on the switch. */
const sayDuties = (kind: Kind, duties: readonly WireDuty[]): string[] => {
  const of = (duty: WireDuty) => listed(duties.flatMap((one, i) => (one === duty ? [tag(i)] : [])));
  if (kind === 'single')
    return [`${of('feed')} is the hot, ${of('leg')} goes to what is switched: either screw.`];
  if (kind === 'fourWay')
    return [
      `${of('traveler')} are one pair, ${of('onward')} the other: each pair on the screws of one pair.`,
    ];
  return [
    duties.includes('feed')
      ? `${of('feed')} is the hot that comes in: on the common, the dark screw.`
      : `${of('leg')} is the switch leg: on the common, the dark screw.`,
    `${of('traveler')} are the travelers: on the two brass screws.`,
  ];
};

/** Wires of one switch that came out, told by which is hot as other handles move: live readings, for an electrician. */
export const CameOut = ({ electrician }: { electrician: boolean }) => {
  const [kind, setKind] = useState<Kind>('threeWay');
  const [readings, setReadings] = useState<HotReading[]>([]);
  const [hot, setHot] = useState<number[]>([]);
  const { duties, next, broken } = tellCameOut(kind, readings);
  const tags = Array.from({ length: CAME_OUT[kind] }, (_, i) => i);
  if (!electrician)
    return (
      <p className="max-w-2xl text-[14px]">
        These are live readings, for an electrician. Dead, the wires are told by opening the other boxes of
        the group too: that is what stands above.
      </p>
    );
  return (
    <section aria-label="One switch came out" className="flex max-w-2xl flex-col gap-3">
      <p className="flex gap-2 text-[13.5px]">
        <SeverityMark severity="caution" />
        <span>{LIVE_CAUTION}</span>
      </p>
      <p className="text-[14px]">
        Dead and proved so: the wires that were on the switch, beside the ground, each in a connector with a
        test opening, with tape {listed(tags.map(tag))} in any order. Splices in the box stay as they are.
      </p>
      <OneOf
        label="Wires that were on the switch"
        options={KINDS}
        value={kind}
        onPick={(value) => {
          setKind(value);
          setReadings([]);
          setHot([]);
        }}
      />
      {duties ? (
        <div role="status" className="rounded-md border border-pass p-3 text-[15.5px] font-semibold">
          {sayDuties(kind, duties).map((words) => (
            <p key={words}>{words}</p>
          ))}
          <p className="mt-1 text-[13.5px] font-normal">
            Breaker off, locked or tagged, and proved dead before they are landed. Then walk the test sheet:
            every handle in every position.
          </p>
        </div>
      ) : broken ? (
        <p role="status" className="rounded-md border-2 border-violation p-3 text-[15px] font-semibold">
          {BROKEN[broken]}
        </p>
      ) : next ? (
        <div className="rounded-lg border-2 border-ink bg-white p-4">
          <p className="text-[17px] leading-snug font-bold">{NEXT[next]}</p>
          <p className="mb-3 text-[17px] leading-snug font-bold">
            Two-pole tester on each of {listed(tags.map(tag))} and a ground that was proved good. Which reads
            about 120 V?
          </p>
          <div className="flex flex-wrap gap-2">
            {tags.map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={hot.includes(one)}
                onClick={() =>
                  setHot(hot.includes(one) ? hot.filter((other) => other !== one) : [...hot, one])
                }
                className="min-h-12 min-w-12 rounded-md border border-line px-3 font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
              >
                {tag(one)}
              </button>
            ))}
            <Button
              className="min-h-12"
              onClick={() => {
                setReadings([...readings, { moved: next !== 'asTheyStand', hot }]);
                setHot([]);
              }}
            >
              {hot.length > 0 ? 'No other does' : 'None of them does'}
            </Button>
          </div>
        </div>
      ) : null}
      {readings.length > 0 ? (
        <Button look="bare" className="self-start" onClick={() => setReadings(readings.slice(0, -1))}>
          Take the last reading back
        </Button>
      ) : null}
    </section>
  );
};
