import {
  cubicInches,
  evaluate,
  everyPosition,
  grayWalk,
  fillOf,
  reviewJob,
  sayFillLine,
  spiceNetlist,
  writeJobFile,
  type Job,
} from '@amber/core';

/** What a command gives: lines for people, the same as data, and whether the job violates a rule. */
export interface Report {
  lines: string[];
  data: unknown;
  violates: boolean;
}

const plain = (volume: number) => cubicInches(volume).replace(' in³', '');

/** Every finding on the job, planned anew. */
const inspect = (asked: Job): Report => {
  const { findings } = reviewJob(asked);
  return {
    lines: findings.flatMap((one) => [
      `${one.severity.toUpperCase()} ${one.section} ${one.title}`.replace(/ {2,}/g, ' '),
      `  ${one.reason}`,
      `  Remedy: ${one.remedy}`,
    ]),
    data: findings,
    violates: findings.some((one) => one.severity === 'violation' || one.severity === 'unfinished'),
  };
};

/** The truth table of each circuit: every set of handle positions, and which luminaires light. */
const simulate = (asked: Job): Report => {
  const { job, wiring, compiled, proofs } = reviewJob(asked);
  const name = (box: string) => job.boxes.find((one) => one.id === box)?.name ?? box;
  const tables = job.groups.map((group) => {
    const slots = new Set<string>(job.slots.filter((slot) => slot.group === group.id).map((slot) => slot.id));
    const devices = wiring.devices.filter((device) => device.slot !== null && slots.has(device.slot));
    const luminaires = job.luminaires.filter((one) => one.group === group.id);
    // In the order of the shortest walk: one handle moved at a time.
    const rows = grayWalk(
      compiled,
      devices.map((device) => device.id),
    ).map((positions) => {
      const state = evaluate(compiled, positions);
      return {
        positions: devices.map((device) => positions[device.id] ?? 0),
        light: luminaires.map((one) => state.luminaires.find((lit) => lit.id === one.id)?.light ?? 'dark'),
        shorts: state.shorts,
      };
    });
    return {
      group: group.name,
      devices: devices.map((device) => name(device.box)),
      luminaires: luminaires.map((one) => one.name),
      rows,
    };
  });
  return {
    lines: tables.flatMap(({ group, devices, luminaires, rows }) => [
      `${group}: ${devices.join(', ') || 'not planned'}`,
      ...rows.map(
        (row) =>
          `  ${row.positions.map((at) => (at === 0 ? 'up  ' : 'down')).join(' ')}  ${luminaires.map((one, i) => `${one} ${row.light[i]}`).join(', ')}`,
      ),
    ]),
    data: tables,
    violates: proofs.some((proof) => proof.working !== proof.positions) || proofs.length < job.groups.length,
  };
};

/** The box-fill worksheet of every box. */
const fill = (asked: Job): Report => {
  const { job, wiring } = reviewJob(asked);
  const boxes = job.boxes.map((box) => ({ id: box.id, name: box.name, ...fillOf(job, wiring, box.id) }));
  return {
    lines: boxes.flatMap((box) => [
      `${box.name}: ${plain(box.needed)} of ${cubicInches(box.available)}${box.passes ? '' : ', TOO FULL'}`,
      ...box.lines.map(
        (line) =>
          `  ${sayFillLine(line)}: ${line.count} x ${plain(line.each)} = ${plain(line.total)}  ${line.section}`,
      ),
    ]),
    data: boxes,
    violates: boxes.some((box) => !box.passes),
  };
};

/** The job with its wiring planned, as a job file. */
const plan = (asked: Job): Report => {
  const { job, findings } = reviewJob(asked);
  return {
    lines: [writeJobFile(job).trimEnd()],
    data: job,
    violates: findings.some((one) => one.severity === 'unfinished'),
  };
};

/** A netlist for a general circuit simulator, for every set of handle positions of the whole job. */
const netlist = (asked: Job): Report => {
  const { job, wiring, compiled } = reviewJob(asked);
  const devices = wiring.devices.map((device) => device.id);
  const netlists = everyPosition(compiled, devices).map((positions) => {
    const words = devices.map((id) => `${id} ${(positions[id] ?? 0) === 0 ? 'up' : 'down'}`).join(', ');
    return { positions, ...spiceNetlist(wiring, job, positions, `${job.name}: ${words}`) };
  });
  return { lines: netlists.map((one) => one.text), data: netlists, violates: false };
};

const validate = (job: Job): Report => ({
  lines: [`${job.name}: a valid job file, ${job.circuits.length} circuits, ${job.boxes.length} boxes.`],
  data: { valid: true, circuits: job.circuits.length, boxes: job.boxes.length },
  violates: false,
});

export const COMMANDS: Record<string, (job: Job) => Report> = {
  validate,
  plan,
  simulate,
  fill,
  netlist,
  inspect,
};
