import { withStanding } from '../model/lying.js';
import type { BoxId, CircuitId, GroupId, LuminaireId, SlotId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox, nextGang } from '../model/lookup.js';
import { newLuminaire, newSlot, USUAL_LUMINAIRE } from '../model/newJob.js';
import { withHotGroup } from './hotEdits.js';

/** What an existing box is found to be; with splices only there is nothing to say of it on the plan. */
export type Found =
  | { what: 'switch'; group: GroupId; slot: SlotId }
  | { what: 'luminaire'; group: GroupId; luminaire: LuminaireId }
  /** Always hot; its group is made where the circuit has none yet. */
  | { what: 'receptacle'; circuit: CircuitId; slot: SlotId; group: GroupId };

/** Says of an existing box what is in it: that is there, and is neither bought nor fitted. The job itself where the box is none or not there yet. */
export const sayWhatItIs = (job: Job, id: BoxId, found: Found): Job => {
  const box = findBox(job, id);
  if (box?.work !== 'existing') return job;
  const gang = nextGang(job, id);
  switch (found.what) {
    case 'switch':
      return withStanding(
        {
          ...job,
          slots: [...job.slots, newSlot({ box: id, id: found.slot, gang, group: found.group })],
        },
        { slots: [found.slot] },
      );
    case 'luminaire':
      return withStanding(
        {
          ...job,
          luminaires: [
            ...job.luminaires,
            newLuminaire({
              ...{ ...USUAL_LUMINAIRE, box: id },
              ...{ id: found.luminaire, name: box.name, group: found.group },
            }),
          ],
        },
        { luminaires: [found.luminaire] },
      );
    case 'receptacle': {
      const taken = withHotGroup(job, found.circuit, { id: found.group, name: box.name, room: box.room });
      if (!taken) return job;
      return withStanding(
        {
          ...taken.job,
          slots: [
            ...job.slots,
            newSlot({ box: id, id: found.slot, gang, group: taken.group.id, role: 'receptacle' }),
          ],
        },
        { slots: [found.slot] },
      );
    }
  }
};
