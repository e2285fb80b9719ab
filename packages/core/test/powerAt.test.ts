import {
  assumeUsual,
  existingDocument,
  newCircuit,
  noPowerAt,
  sayNoPower,
  signSeen,
  withDocument,
  wiringOrEmpty,
  planJob,
  type Job,
} from '../src/index.js';
import { jobOf, type Shorthand } from './support/jobs.js';

/** What a plan gives, as though it lay there and somebody had seen all of it. */
const old = (short: Shorthand, seen = true): Job => {
  const job = planJob(jobOf(short)).job;
  const cables = wiringOrEmpty(job).cables.map((cable) => ({ ...cable, existing: true }));
  const there = {
    ...job,
    wirings: [],
    choices: [],
    circuits: [...job.circuits, newCircuit({ id: 'c2', name: 'Sockets', breaker: 15, awg: 14 })],
    boxes: job.boxes.map((box) => ({ ...box, work: 'existing' as const })),
  };
  const { job: told } = assumeUsual(there, { circuit: 'c1' as never, cables });
  return seen ? told.boxes.reduce((one, { id }) => signSeen(one, 'existing', id), told) : told;
};
const why = (job: Job, box: string, circuit = 'c1') => noPowerAt(job, box as never, circuit as never)?.why;

test('power is where hot and neutral come whatever the handles do, and nowhere else', () => {
  const loop = old({ runs: ['F-L', 'L-S1'], neutralAt: [] });
  expect(why(loop, 'L')).toBeUndefined();
  expect(why(loop, 'S1')).toBe('noNeutral');
  const inLine = old({ runs: ['F-S1', 'S1-L'], neutralAt: [] });
  expect(why(inLine, 'S1')).toBeUndefined();
  // Beyond the switch the hot comes only through it.
  expect(why(inLine, 'L')).toBe('switched');
  const pair = old({ runs: ['F-S1', 'S1-S2', 'S2-L'], neutralAt: [] });
  expect(why(pair, 'S2')).toBe('switched');
  expect(why(pair, 'S2', 'c2')).toBe('none');
});

test('another circuit is told by its name, what is only usual as that, and what nobody looked at as not known', () => {
  const loop = old({ runs: ['F-L', 'L-S1'], neutralAt: [] }, false);
  const other = noPowerAt(loop, 'L' as never, 'c2' as never);
  expect(other && sayNoPower(loop, other)).toBe(
    'The power here is of Lights, and of no other. That is what is usual here: look first.',
  );
  const document = existingDocument(loop);
  if (!document) throw new Error('nothing is told');
  const { wiring } = document;
  const loose = withDocument(loop, {
    ...document,
    wiring: {
      ...wiring,
      landings: [],
      unseen: wiring.cables.flatMap(({ id }) =>
        (['from', 'to'] as const).flatMap((side) =>
          (['black', 'white', 'bare'] as const).map((colour) => ({ cable: id, side, colour })),
        ),
      ),
    },
  });
  expect(why(loose, 'S1')).toBe('unknown');
  // Of a box that nobody has told of nothing is said.
  expect(why(jobOf({ runs: ['F-L', 'L-S1'] }), 'L')).toBeUndefined();
});
