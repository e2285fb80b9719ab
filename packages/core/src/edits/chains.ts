import type { GroupId, SlotId } from '../model/ids.js';
import type { Job, Slot } from '../model/job.js';
import { findGroup, switchesOfGroup } from '../model/lookup.js';
import { ofId } from '../model/records.js';

/** The order that somebody has settled for the switches of a group, line end first; null where the program chooses. */
export const settledChain = (job: Job, group: GroupId): readonly SlotId[] | null => {
  const circuit = findGroup(job, group)?.circuit;
  return ofId(job.choices.find((choice) => choice.circuit === circuit)?.chains, group) ?? null;
};

/**
 * Settles the order of the switches of a group over the way that is chosen for its circuit: line end first, the four-ways between, load end
 * last; null leaves it to the program again. The job as it is where no way is chosen, or where the order is not of all its switches.
 */
export const settleChain = (job: Job, group: GroupId, chain: readonly SlotId[] | null): Job => {
  const circuit = findGroup(job, group)?.circuit;
  const mine = switchesOfGroup(job, group).map(({ id }) => id);
  if (chain !== null && (chain.length !== mine.length || !mine.every((id) => chain.includes(id)))) return job;
  return {
    ...job,
    choices: job.choices.map((choice) => {
      if (choice.circuit !== circuit) return choice;
      const others = Object.fromEntries(
        Object.entries(choice.chains ?? {}).filter(([id]) => (id as GroupId) !== group),
      );
      const { chains: _chains, ...rest } = choice;
      const chains = chain === null ? others : { ...others, [group]: [...chain] };
      return Object.keys(chains).length > 0 ? { ...rest, chains } : rest;
    }),
  };
};

/**
 * Says of a switch whether a neutral is brought to it, or leaves it to the rule. A way that is chosen, and that names the switches with a
 * neutral, is heard to say the same.
 */
export const stateNeutral = (job: Job, slot: SlotId, neutral: Slot['neutral']): Job => {
  const said = (named: readonly SlotId[]): SlotId[] =>
    neutral === 'brought' ? [...new Set([...named, slot])] : named.filter((one) => one !== slot);
  const circuit = findGroup(job, job.slots.find(({ id }) => id === slot)?.group ?? null)?.circuit;
  return {
    ...job,
    slots: job.slots.map((one) => (one.id === slot ? { ...one, neutral } : one)),
    choices: job.choices.map((choice) => {
      if (choice.circuit !== circuit || !choice.neutralAt) return choice;
      // By the rule: what a search had found for the sake of it is left open again.
      const { neutralAt, ...rest } = choice;
      return neutral === 'byRule' ? rest : { ...rest, neutralAt: said(neutralAt) };
    }),
  };
};
