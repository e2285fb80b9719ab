import {
  endKey,
  isNeutralColour,
  MARK_COLOURS,
  whereIs,
  whereMayBe,
  wiresIn,
  type BoxId,
  type End,
  type Job,
  type Whereabouts,
  type WireHere,
  type Wiring,
  type WiringEdit,
} from '@amber/core';
import { Check } from 'lucide-react';
import { Button, Select } from '../../parts/ui.js';

const KINDS: Record<Whereabouts['kind'], string> = {
  screw: 'On a screw',
  splice: 'In a splice that is there',
  wire: 'Joined with another wire',
  none: 'On nothing',
};

interface Telling {
  job: Job;
  wiring: Wiring;
  box: BoxId;
  /** Keys of the ends of this box of which it is only assumed where they are. */
  assumed: ReadonlySet<string>;
  onTell: (edit: WiringEdit, label: string) => void;
  onConfirm: (end: End) => void;
}

/** Whites and grays are marked where they are hot; what else was marked is shown too. */
const isMarked = (wiring: Wiring, end: End): boolean =>
  wiring.marks.some((one) => endKey(one.end) === endKey(end));

const MarkSelect = ({
  wiring,
  end,
  words,
  onTell,
}: Pick<Telling, 'wiring' | 'onTell'> & { end: End; words: string }) => {
  const mark = wiring.marks.find((one) => endKey(one.end) === endKey(end));
  return (
    <Select
      aria-label={`Marking of the ${words}`}
      className="w-auto!"
      value={mark?.colour ?? ''}
      onChange={(event) =>
        onTell(
          { do: 'mark', end, colour: MARK_COLOURS.find((one) => one === event.target.value) ?? null },
          `marking of the ${words}`,
        )
      }
    >
      <option value="">not marked</option>
      {MARK_COLOURS.map((colour) => (
        <option key={colour} value={colour}>
          marked {colour}
        </option>
      ))}
    </Select>
  );
};

const Row = ({ here, ...telling }: Telling & { here: WireHere }) => {
  const { job, wiring, box, assumed, onTell, onConfirm } = telling;
  const { wire, words, key, colour } = here;
  const options = whereMayBe(job, wiring, box, wire);
  const now = whereIs(wiring, wire);
  const isAssumed = assumed.has(key);
  const kinds = (Object.keys(KINDS) as Whereabouts['kind'][]).filter((kind) =>
    options.some((one) => one.kind === kind),
  );
  return (
    <li className="border-b border-line py-2">
      <label className="block">
        <span className="mb-1 flex items-baseline gap-2 text-[14px] font-semibold">
          <span className="min-w-0 flex-1 break-words first-letter:uppercase">{words}</span>
          {isAssumed ? <span className="shrink-0 text-[13px] text-caution">assumed</span> : null}
        </span>
        <Select
          aria-label={`The ${words} is`}
          value={now}
          onChange={(event) => {
            const picked = options.find((one) => one.key === event.target.value);
            if (picked) onTell({ do: 'put', wire, to: picked.put }, `${words}: ${picked.words}`);
          }}
        >
          {kinds.map((kind) => (
            <optgroup key={kind} label={KINDS[kind]}>
              {options
                .filter((one) => one.kind === kind)
                .map((one) => (
                  <option key={one.key} value={one.key}>
                    {one.words.replace(/^spliced /, '')}
                  </option>
                ))}
            </optgroup>
          ))}
        </Select>
      </label>
      {'end' in wire ? (
        <div className="mt-1.5 flex flex-wrap gap-2">
          {isAssumed ? (
            <Button aria-label={`The ${words}: so it is`} onClick={() => onConfirm(wire.end)}>
              <Check size={16} /> So it is
            </Button>
          ) : null}
          {colour !== null && (isNeutralColour(colour) || isMarked(wiring, wire.end)) ? (
            <MarkSelect wiring={wiring} end={wire.end} words={words} onTell={onTell} />
          ) : null}
        </div>
      ) : null}
    </li>
  );
};

/** Every wire of a box and where it is told to be: the way for a keyboard, a telephone, and whoever wants words. */
export const WiresHere = (telling: Telling) => {
  const wires = wiresIn(telling.job, telling.wiring, telling.box);
  if (wires.length === 0)
    return <p className="text-[13.5px] text-quiet">No wire comes here yet. Bring in the first cable.</p>;
  return (
    <ul>
      {wires.map((here) => (
        <Row key={here.key} here={here} {...telling} />
      ))}
    </ul>
  );
};
