import { findDevice, findLuminaire } from '../model/lookup.js';
import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Terminal, Wiring } from '../model/wiring.js';

/** The box in which a terminal is; null at the panel. */
export const boxOfTerminal = (job: Job, wiring: Wiring, terminal: Terminal): BoxId | null => {
  if ('device' in terminal) return findDevice(wiring, terminal.device)?.box ?? null;
  if ('luminaire' in terminal) return findLuminaire(job, terminal.luminaire)?.box ?? null;
  return 'box' in terminal ? terminal.box : null;
};

/** The boxes that a wiring sets or opens anew. */
export const newPlaces = (job: Job, wiring: Wiring): BoxId[] => {
  const reached = new Set<string>(
    wiring.cables.filter((cable) => !cable.existing).flatMap(({ from, to }) => [from, to]),
  );
  return job.boxes.filter((box) => box.work !== 'beyond' && reached.has(box.id)).map((box) => box.id);
};
