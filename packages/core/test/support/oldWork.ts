import {
  assumeUsual,
  compile,
  existingDocument,
  leastChange,
  makeUpSteps,
  newBox,
  newRunFact,
  reviewJob,
  signSeen,
  staysShut,
  type Change,
  type Job,
  type LeastChange,
} from '../../src/index.js';
import { jobOf, planned, type Shorthand } from './jobs.js';

/** Old work that somebody has seen, in boxes of a size that was usual. */
export const old = (short: Shorthand, box = 'wall-1-20'): Job => {
  const { job, wiring } = planned(jobOf(short));
  const bare: Job = {
    ...job,
    existingEdition: 2008,
    boxes: job.boxes.map((one) => ({
      ...one,
      work: 'existing' as const,
      article: (one.id.startsWith('S') ? box : 'ceiling-22.5') as never,
    })),
    choices: [],
    wirings: [],
  };
  const cables = wiring.cables.map((cable) => ({
    ...cable,
    existing: true,
    length: 120,
    lengthSource: 'measured' as const,
  }));
  const { job: assumed } = assumeUsual(bare, { circuit: 'c1' as never, cables });
  return assumed.boxes.reduce((one, { id }) => signSeen(one, 'existing', id), assumed);
};

export const inLine = { runs: ['F-S1', 'S1-S2', 'S2-L'], neutralAt: ['S1', 'S2'] };

/** A luminaire that is wanted, as a change names it; and the same of a weight that any box holds. */
const hung = {
  name: 'New light',
  unit: 'luminaire',
  va: 15,
  terminals: 'leads',
  leadAwg: 18,
  metal: true,
  driverBox: null,
} as const;
export const light = { ...hung, pounds: 4 };

/** The steps of a box, in words. */
export const stepsAt = (job: Job, box: string): string[] => {
  const { job: after, wiring } = reviewJob(job);
  return makeUpSteps(after, wiring, compile(wiring, after), box as never).steps.map(({ text }) => text);
};

/** A place that comes new, with what was measured to it from others, inches. */
export const place = (
  id: string,
  lengths: Record<string, number>,
  mount: 'wall' | 'ceiling' | null = null,
) => ({
  box: newBox({ id, name: id, article: null, work: 'old', mount, accessible: 'no', room: 'r1' }),
  runs: Object.entries(lengths).map(([to, length]) => newRunFact({ between: [id, to] as never, length })),
});

/** Carries a change out: what is not opened is as it was, wire for wire, and everything works. */
export const done = (job: Job, change: Change): LeastChange & { others: LeastChange[] } => {
  const outcome = leastChange(job, change);
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  for (const way of [outcome.value, ...outcome.others]) {
    const { job: after, wiring, proofs } = reviewJob(way.job);
    for (const proof of proofs) expect(proof.working).toBe(proof.positions);
    const there = existingDocument(job);
    expect(existingDocument(after)).toEqual(there);
    for (const { id } of job.boxes)
      expect([id, staysShut(after, wiring, id)]).toEqual([id, !way.opened.includes(id)]);
    // No cable is planned that is not there and does not come new.
    const lying = new Set<string>(there?.wiring.cables.map((cable) => cable.id));
    const fresh = new Set<string>(way.fresh.map((cable) => cable.id));
    for (const cable of wiring.cables) expect(lying.has(cable.id) || fresh.has(cable.id)).toBe(true);
    // And none that is there is lost but those that the way takes out.
    const given = way.job.choices.flatMap(({ givenUp }) => givenUp ?? []);
    expect(way.drawnOut.map(({ id }) => id).sort()).toEqual([...given].sort());
  }
  return { ...outcome.value, others: outcome.others };
};
