import { endsIn } from '../model/boxState.js';
import { existingDocument } from '../model/existing.js';
import type { BoxId, CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { circuitName } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { compiledOnce } from '../circuit/compiledOnce.js';
import { conductorKey } from '../circuit/keys.js';
import { listed } from '../words/lists.js';

/** Why a circuit cannot be fed from a box that is there, as far as its wires are told. */
export interface NoPower {
  /** Its power comes to the box only through a switch; without a neutral; not at all; or an end in the box is not looked at. */
  why: 'switched' | 'noNeutral' | 'others' | 'none' | 'unknown';
  /** Circuits whose power is there instead. */
  others: CircuitId[];
  /** Is that only what is usual, as nobody has seen all of the box? */
  usual: boolean;
}

/**
 * Is the power of a circuit in a box that is told of, hot and neutral, whatever any handle does? Null where it is, and where nobody has told of
 * the box at all.
 */
export const noPowerAt = (job: Job, box: BoxId, circuit: CircuitId): NoPower | null => {
  const document = existingDocument(job);
  const sure = ofId(document?.certainty, box);
  if (!document || sure === undefined) return null;
  const compiled = compiledOnce(document.wiring, job);
  const here = new Set(
    endsIn(job, document.wiring, box).flatMap(
      ({ cable, colour }) => compiled.netOf(conductorKey(cable, colour)) ?? [],
    ),
  );
  const isHot = ({ hot }: { hot: number }) => here.has(hot);
  const source = compiled.sources.find(({ id }) => id === circuit);
  const [hot, neutral] = [source && isHot(source), source && here.has(source.neutral)];
  if (hot && neutral) return null;
  const others = compiled.sources.filter((one) => one.id !== circuit && isHot(one)).map(({ id }) => id);
  const isOpen = [...here].some((net) => compiled.unknown.includes(net));
  const why = isOpen
    ? 'unknown'
    : hot
      ? 'noNeutral'
      : neutral
        ? 'switched'
        : others.length > 0
          ? 'others'
          : 'none';
  return { why, others, usual: sure !== 'seen' };
};

/** That in words. */
export const sayNoPower = (job: Job, { why, others, usual }: NoPower): string => {
  const told = {
    switched:
      'Its neutral is here, and no wire of it that is live with every handle in either position: what is fed from here would go off with a switch.',
    noNeutral: 'Its hot is here and its neutral is not, as in a switch loop: nothing can be fed from here.',
    others: `The power here is of ${listed(others.map((id) => circuitName(job, id)))}, and of no other.`,
    none: 'Neither its hot nor its neutral comes here but through a switch.',
    unknown: 'Whether its power is here nobody knows: not every wire of this box was looked at.',
  }[why];
  return usual && why !== 'unknown' ? `${told} That is what is usual here: look first.` : told;
};
