import { cutHash, feetInches, setRunFact, type Cut, type CutState } from '@amber/core';
import { LengthInput } from '../../parts/inputs.js';
import { placeName } from '../../parts/words.js';
import { useEdit } from '../../store/review.js';
import type { OrderView } from './useOrder.js';

const RESTS_ON: Record<Cut['restsOn'], string> = {
  measured: 'measured',
  estimated: 'by the plan, with its allowance',
  rough: 'rough: measure before you cut',
  guessed: 'a guess: measure before you cut',
  unknown: 'no length: measure it',
};

const TickBox = ({
  label,
  state,
  can,
  onTick,
  onOpen,
}: {
  label: string;
  state: CutState['cut'];
  can: boolean;
  onTick: () => void;
  onOpen: () => void;
}) => (
  <label className="inline-flex min-h-11 items-center justify-center gap-2">
    <input
      type="checkbox"
      aria-label={label}
      className="size-6 accent-ink"
      checked={state === 'done'}
      disabled={!can && state !== 'done'}
      onChange={() => (state === 'done' ? onOpen() : onTick())}
    />
    <span className="text-[13px] md:hidden" aria-hidden="true">
      {label.split(':')[0]}
    </span>
    {state === 'changed' ? (
      <span className="text-[12.5px] font-semibold text-caution">changed since</span>
    ) : null}
  </label>
);

/** One cable to cut: its number, where it goes, how long and what that rests on; ticked when it is cut, and when it is pulled. */
export const CutRow = ({ view, cut, number }: { view: OrderView; cut: Cut; number: number }) => {
  const edit = useEdit();
  const { job } = view;
  const state = view.stateOf(cut);
  const run = `${placeName(job, cut.from)} to ${placeName(job, cut.to)}`;
  const about = {
    kind: 'cable',
    id: cut.cable,
    wiring: view.review.id,
    hash: cutHash(cut),
  } as const;
  const signed = view.initials.trim() !== '';
  const of = (kind: 'cut' | 'pulled') => state.records.filter((one) => one.kind === kind);
  return (
    <tr className="border-b border-line align-top max-md:flex max-md:flex-wrap max-md:items-center max-md:gap-x-4 max-md:py-2">
      <td className="py-1.5 text-[16px] font-bold">{number}</td>
      <th scope="row" className="py-1.5 font-normal max-md:basis-4/5">
        <strong className="break-words">{cut.name}</strong>, {run}
        <span className="block text-[13px] text-quiet">
          tags: {cut.tags.from}; {cut.tags.to}
        </span>
      </th>
      <td className="px-2 py-1.5 text-right max-md:text-left">
        <strong>{cut.length ? feetInches(cut.length.cut) : 'not known'}</strong>
        <span
          className={`block text-[12.5px] ${['rough', 'guessed', 'unknown'].includes(cut.restsOn) ? 'font-semibold text-caution' : 'text-quiet'}`}
        >
          {RESTS_ON[cut.restsOn]}
        </span>
      </td>
      <td className="w-36 px-2 py-1">
        <LengthInput
          label={`Measured from ${run}`}
          value={cut.lengthSource === 'measured' ? (cut.length?.run ?? null) : null}
          onChange={(length) => edit(setRunFact(job, cut.from, cut.to, { length }), `length of ${run}`)}
        />
      </td>
      <td className="px-2 text-center">
        <TickBox
          label={`Cut: number ${number}`}
          state={state.cut}
          can={signed && cut.length !== null}
          onTick={() => view.put('cut', about, { length: cut.length?.cut ?? 0 })}
          onOpen={() => view.takeBack(of('cut'))}
        />
      </td>
      <td className="px-2 text-center">
        <TickBox
          label={`Pulled: number ${number}`}
          state={state.pulled}
          can={signed}
          onTick={() =>
            view.put('pulled', about, {
              length: cut.length?.cut ?? null,
              draws: cut.length ? view.drawing(cut.article, cut.length.cut / 12) : null,
            })
          }
          onOpen={() => view.takeBack(of('pulled'))}
        />
      </td>
    </tr>
  );
};
