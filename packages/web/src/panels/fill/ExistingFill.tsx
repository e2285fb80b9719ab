import { boxContentsSchema, othersIn, withOthersIn, type Box, type BoxContents, type Job } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { NumberInput } from '../../parts/inputs.js';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

type Fill = BoxContents;
type Told = 'nothing' | 'something';

const TOLD: Record<Told, string> = {
  nothing: 'nothing else',
  something: 'more, counted below',
};

const NOTHING: Fill = boxContentsSchema.parse({});
/** What a receptacle with the cable that feeds it brings: most old boxes that are tapped hold at least that. */
const SOMETHING: Fill = boxContentsSchema.parse({ yokes: [{ gangs: 1, awg: 14 }] });

const isNothing = (fill: Fill): boolean =>
  fill.conductors.length + fill.grounds.length + fill.yokes.length + fill.passing.length === 0 &&
  !fill.internalClamps;

const SIZES = [14, 12] as const;

/** What is in a box that is there beside what the plan shows: until it is told, nobody can say how full the box is. */
export const ExistingFill = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const fill = othersIn(job, box.id);
  const set = (contents: Fill | null) => edit(withOthersIn(job, box.id, contents), `what is in ${box.name}`);
  const told: Told | null = fill === null ? null : isNothing(fill) ? 'nothing' : 'something';
  const counted = (key: 'conductors' | 'grounds', awg: number) =>
    (fill?.[key] ?? []).filter((one) => one === awg).length;
  const count = (key: 'conductors' | 'grounds', awg: 14 | 12, many: number) =>
    fill &&
    set({
      ...fill,
      [key]: [...fill[key].filter((one) => one !== awg), ...Array<14 | 12>(Math.round(many)).fill(awg)],
    });
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-[13px] font-semibold">In it beside what is planned here</legend>
      <WordSelect
        aria-label={`What else is in ${box.name}`}
        words={TOLD}
        value={told}
        none="not told: its fill is not known"
        onPick={(one) => set(one === null ? null : one === 'nothing' ? NOTHING : SOMETHING)}
      />
      {fill && told === 'something' ? (
        <div className="grid grid-cols-2 gap-3">
          {SIZES.map((awg) => (
            <Field key={awg} label={`Conductors, ${awg} AWG`}>
              <NumberInput
                value={counted('conductors', awg)}
                least={0}
                most={60}
                unit="conductors"
                onChange={(many) => count('conductors', awg, many)}
              />
            </Field>
          ))}
          {SIZES.map((awg) => (
            <Field key={awg} label={`Grounds, ${awg} AWG`}>
              <NumberInput
                value={counted('grounds', awg)}
                least={0}
                most={30}
                unit="grounds"
                onChange={(many) => count('grounds', awg, many)}
              />
            </Field>
          ))}
          <Field label="Devices">
            <NumberInput
              value={fill.yokes.length}
              least={0}
              most={8}
              unit="devices"
              onChange={(many) => {
                const awg = counted('conductors', 12) > 0 ? 12 : 14;
                set({ ...fill, yokes: Array.from({ length: Math.round(many) }, () => ({ gangs: 1, awg })) });
              }}
            />
          </Field>
          <label className="flex min-h-10 items-center gap-2.5 self-end text-[14px]">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={fill.internalClamps}
              onChange={() => set({ ...fill, internalClamps: !fill.internalClamps })}
            />
            Clamps inside
          </label>
        </div>
      ) : null}
    </fieldset>
  );
};
