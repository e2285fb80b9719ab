import { defineRule, type Ask, type Breach, type Fix } from '../rule.js';

/** 210.8(E) in 2017, 210.8(C) from 2020: lighting outlets in a crawl space have ground-fault protection. */
export const crawlSpace = defineRule<{ room: string; circuit: string }>({
  id: 'crawl-space-lighting',
  stage: 'final',
  title: 'Lighting in a crawl space has ground-fault protection',
  rests: 'Lighting outlets of 120 V or less, from 2017 on.',
  since: 2017,
  section: (edition) => (edition === 2017 ? '210.8(E)' : '210.8(C)'),
  severities: ['violation'],
  asks: ['circuit.gfci'],
  check: ({ job }) =>
    job.rooms
      .filter(({ kind }) => kind === 'crawlSpace')
      .flatMap((room): (Breach<{ room: string; circuit: string }> | Ask)[] => {
        const boxes = new Set<string>(job.boxes.filter((box) => box.room === room.id).map(({ id }) => id));
        const lit = job.groups.filter((group) =>
          job.luminaires.some(
            (one) =>
              one.group === group.id &&
              one.unit !== 'onward' &&
              (group.room === room.id || boxes.has(one.box)),
          ),
        );
        const mine = new Set<string>(lit.map((group) => group.circuit));
        return job.circuits
          .filter(({ id, gfci }) => mine.has(id) && gfci !== 'yes')
          .map((circuit): Breach<{ room: string; circuit: string }> | Ask =>
            circuit.gfci === 'unknown'
              ? { ask: 'circuit.gfci', of: circuit.id }
              : {
                  severity: 'violation',
                  at: { circuit: circuit.id, room: room.id },
                  data: { room: room.name, circuit: circuit.name },
                },
          );
      }),
  say: ({ room, circuit }) => ({
    where: room,
    what: `its lighting, on ${circuit}, has no ground-fault protection`,
    reason: 'Whoever crawls there lies on damp earth with a hand on the lamp.',
    remedy: 'Fit a ground-fault breaker, or feed the lights from the load side of a ground-fault device.',
  }),
  fixes: ({ at }): Fix[] => [
    {
      words: 'Fit a ground-fault breaker',
      unpriced: 'breaker',
      job: (job) => ({
        ...job,
        circuits: job.circuits.map((one) => (one.id === at.circuit ? { ...one, gfci: 'yes' } : one)),
      }),
    },
  ],
});
