import { Radio, RadioGroup } from '@headlessui/react';
import { CircleHelp, Cable, ListPlus, type LucideIcon } from 'lucide-react';
import { beginPlace, EVERYDAY, newJob, type EverydayId, type Job, type JobId } from '@amber/core';
import { PlaceMini } from './PlaceMini.js';

/** How a circuit can be begun: in an everyday place, without a plan, or with what nobody knows of one that is there. */
export type Beginning = EverydayId | 'withoutPlan' | 'trouble' | 'unknownWires';

/** One place alone, to be drawn. Nothing is planned of it. */
const alone = (place: EverydayId): Job =>
  beginPlace(newJob('place' as JobId, '', []), { place, stem: 'place', name: 'Place' });

const PLACES = (Object.keys(EVERYDAY) as EverydayId[]).map((id) => ({ id, ...EVERYDAY[id], job: alone(id) }));

const OTHERS: readonly {
  id: Exclude<Beginning, EverydayId>;
  title: string;
  says: string;
  icon: LucideIcon;
}[] = [
  {
    ...{ id: 'withoutPlan', title: 'Without a plan', icon: ListPlus },
    says: 'Boxes in their order, placed later or never',
  },
  {
    ...{ id: 'trouble', title: 'Something does not work', icon: CircleHelp },
    says: 'Find the fault by what it does',
  },
  {
    ...{ id: 'unknownWires', title: 'Wires nobody knows', icon: Cable },
    says: 'Which is which, by the fewest readings',
  },
];

const look =
  'flex cursor-pointer flex-col gap-1 rounded-lg border border-line bg-sheet p-2.5 text-left data-checked:border-ink data-checked:bg-white data-checked:shadow-[inset_5px_0_0_var(--color-ink)] data-focus:outline-2 data-focus:outline-ink';

const Words = ({ title, says }: { title: string; says: string }) => (
  <>
    <strong className="text-[14px] leading-tight">{title}</strong>
    <span className="text-[12.5px] leading-snug text-quiet">{says}</span>
  </>
);

/** The beginnings, each drawn as the place that it is. */
export const BeginningPick = ({
  value,
  onPick,
}: {
  value: Beginning | null;
  onPick: (id: Beginning) => void;
}) => (
  <RadioGroup<'div', Beginning | null>
    aria-label="Where is it?"
    value={value}
    onChange={(id) => id && onPick(id)}
    className="grid grid-cols-2 gap-2.5 sm:grid-cols-3"
  >
    {PLACES.map(({ id, title, says, job }) => (
      <Radio key={id} value={id} aria-label={title} className={look}>
        <PlaceMini job={job} className="h-auto w-full" />
        <Words title={title} says={says} />
      </Radio>
    ))}
    {OTHERS.map(({ id, title, says, icon: Icon }) => (
      <Radio key={id} value={id} aria-label={title} className={look}>
        <Icon size={22} aria-hidden="true" className="mb-0.5" />
        <Words title={title} says={says} />
      </Radio>
    ))}
  </RadioGroup>
);
