import { ArrowDown, ArrowUp } from 'lucide-react';
import {
  findBox,
  findSlot,
  groupsOfCircuit,
  settleChain,
  settledChain,
  type Circuit,
  type Group,
  type Job,
  type SlotId,
} from '@amber/core';
import { reviewOf, useEdit } from '../../store/review.js';
import { Button } from '../../parts/ui.js';

/** What a switch is by its place in the chain, and what comes to it there. */
const dutyAt = (at: number, count: number): string =>
  at === 0
    ? 'three-way, line end: takes the hot'
    : at === count - 1
      ? 'three-way, load end: the switch leg leaves here'
      : 'four-way, between';

const OfGroup = ({ job, group, chain }: { job: Job; group: Group; chain: readonly SlotId[] }) => {
  const edit = useEdit();
  const settled = settledChain(job, group.id) !== null;
  const move = (at: number, by: -1 | 1) => {
    const next = [...chain];
    const [moved] = next.splice(at, 1);
    if (moved !== undefined) next.splice(at + by, 0, moved);
    edit(settleChain(job, group.id, next), `order of the switches of ${group.name}`);
  };
  const nameOf = (slot: SlotId) => findBox(job, findSlot(job, slot)?.box)?.name ?? slot;
  return (
    <section aria-label={`Switches of ${group.name}`} className="flex flex-col gap-1">
      <h4 className="text-[13.5px] font-semibold break-words">{group.name}</h4>
      <ol className="flex flex-col">
        {chain.map((slot, at) => (
          <li key={slot} className="flex items-center gap-1 border-b border-line last:border-0">
            <span className="min-w-0 flex-1 py-1.5 text-[13.5px] break-words">
              <strong>{nameOf(slot)}</strong>
              <span className="block text-[13px] text-quiet">{dutyAt(at, chain.length)}</span>
            </span>
            <Button
              look="bare"
              aria-label={`${nameOf(slot)} nearer to the line`}
              disabled={at === 0}
              onClick={() => move(at, -1)}
            >
              <ArrowUp size={17} />
            </Button>
            <Button
              look="bare"
              aria-label={`${nameOf(slot)} nearer to the load`}
              disabled={at === chain.length - 1}
              onClick={() => move(at, 1)}
            >
              <ArrowDown size={17} />
            </Button>
          </li>
        ))}
      </ol>
      {settled ? (
        <Button
          onClick={() =>
            edit(
              settleChain(job, group.id, null),
              `order of the switches of ${group.name} left to the program`,
            )
          }
        >
          Let the program choose the order
        </Button>
      ) : (
        <p className="text-[13px] text-quiet">The program chose this order for the fewest conductors.</p>
      )}
    </section>
  );
};

/** Which location is the four-way, which end is the line: for every group of several switches whose way is chosen and can be planned. */
export const ChainOrder = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const plan = reviewOf(job).plans.find((one) => one.circuit.id === circuit.id);
  const planned = plan?.outcome.ok ? plan.outcome.value.arrangement.chains : null;
  // An order by which nothing can be planned stays in view, so that it can be changed again.
  const chainOf = ({ id }: Group) => planned?.[id] ?? settledChain(job, id) ?? [];
  const groups = groupsOfCircuit(job, circuit.id).filter((group) => chainOf(group).length > 1);
  if (groups.length === 0) return null;
  return (
    <section aria-label="Order of the switches" className="flex flex-col gap-3 border-t border-line pt-3">
      <h3 className="text-[15px] font-bold">Line end, four-ways, load end</h3>
      {planned === null ? (
        <p className="text-[13.5px] text-violation">
          No cable carries the runs of this way with this order: change it, or choose another way on Runs.
        </p>
      ) : null}
      {groups.map((group) => (
        <OfGroup key={group.id} job={job} group={group} chain={chainOf(group)} />
      ))}
    </section>
  );
};
