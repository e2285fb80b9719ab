import type { BoxId, LevelId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { slotsInBox } from '../model/lookup.js';
import type { Spot } from '../layout/walls.js';
import { levelsOf, onLevel } from './levels.js';
import { moveBox } from './placeEdits.js';

/** Gives a box that was begun without a plan its place on a level: on the wall next to the spot where switches are in it, else overhead. */
export const placeBox = (job: Job, id: BoxId, level: LevelId | null, spot: Spot): Job => {
  const shown = level ?? levelsOf(job)[0]?.id ?? null;
  const mount = slotsInBox(job, id).length > 0 ? 'wall' : 'ceiling';
  const waiting: Job = {
    ...job,
    boxes: job.boxes.map((box) =>
      box.id === id ? { ...box, level: shown, mount: box.mount ?? mount } : box,
    ),
  };
  return onLevel(waiting, level, (seen) => moveBox(seen, id, spot));
};
