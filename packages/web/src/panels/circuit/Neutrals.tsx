import {
  findBox,
  findSlot,
  neutralVerdict,
  neutralWords,
  stateNeutral,
  switchedGroups,
  type Circuit,
  type Job,
  type Slot,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { Field } from '../../parts/ui.js';

const OfSwitch = ({
  job,
  slot,
  name,
  switches,
}: {
  job: Job;
  slot: Slot;
  name: string;
  /** Of its group. */
  switches: number;
}) => {
  const edit = useEdit();
  const verdict = neutralVerdict(job, slot.id);
  return (
    <li className="border-b border-line py-2 last:border-0">
      <Field label={name}>
        <WordSelect
          words={neutralWords(switches)}
          value={slot.neutral}
          onPick={(neutral) => neutral && edit(stateNeutral(job, slot.id, neutral), `neutral at ${name}`)}
        />
      </Field>
      {verdict ? (
        <p className={`mt-1 text-[13px] break-words ${verdict.against ? 'text-violation' : 'text-quiet'}`}>
          {verdict.against ? <strong>Against the rule. </strong> : null}
          {verdict.sentence}
        </p>
      ) : null}
    </li>
  );
};

/** What somebody says of the neutral at each switch of a circuit, with what the rule says of it beside. */
export const Neutrals = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const groups = switchedGroups(job, circuit);
  const stated = groups.flatMap(({ group, slots }) =>
    slots.flatMap((id) => {
      const slot = findSlot(job, id);
      if (!slot || slot.leaves) return [];
      const box = findBox(job, slot.box)?.name ?? '';
      return [{ slot, switches: slots.length, name: groups.length > 1 ? `${box}, ${group.name}` : box }];
    }),
  );
  if (stated.length === 0) return null;
  return (
    <section aria-label="Neutral at each switch">
      <h3 className="text-[15px] font-bold">Neutral at each switch</h3>
      <ul>
        {stated.map((one) => (
          <OfSwitch key={one.slot.id} job={job} {...one} />
        ))}
      </ul>
    </section>
  );
};
