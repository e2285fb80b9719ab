import {
  addLoad,
  inspect,
  LOAD_KINDS,
  loadKindOf,
  planJob,
  withoutLoad,
  wiringOrEmpty,
  type BoxId,
  type GroupId,
  type LoadKind,
  type LuminaireId,
} from '../src/index.js';
import { jobOf } from './support/jobs.js';

const job = jobOf({ runs: ['F-S1', 'S1-L'] });
const adding = (kind: LoadKind, partOf: LuminaireId | null = null) =>
  addLoad(job, {
    ...{ id: 'more' as LuminaireId, name: 'More', box: 'L' as BoxId, group: 'g1' as GroupId },
    ...{ kind, partOf },
  });

test.each(Object.keys(LOAD_KINDS) as LoadKind[])(
  'a %s is told by what it brings, and its weight is asked',
  (kind) => {
    const added = adding(kind);
    const load = added.luminaires.find(({ id }) => id === 'more')!;
    expect(loadKindOf(load)).toBe(kind);
    expect(withoutLoad(added, 'more' as LuminaireId).luminaires).toEqual(job.luminaires);
    expect(load.pounds).toBeNull();
    const { job: planned, circuits } = planJob(added);
    expect(circuits.every(({ outcome }) => outcome.ok)).toBe(true);
    // What holds a fan is another matter, and a vent fan is built in.
    if (kind === 'fan' || kind === 'ventFan') return;
    const asked = inspect(planned, wiringOrEmpty(planned)).flatMap(({ questions }) => questions);
    expect(asked.some((one) => one.kind === 'luminaire.pounds' && one.of === 'more')).toBe(true);
  },
);

test('the light under a fan shares its neutral and ground, and goes with it; a part of nothing is refused', () => {
  const [fan] = job.luminaires;
  const under = adding('light', fan!.id);
  expect(under.luminaires[1]).toMatchObject({ partOf: fan!.id });
  expect(withoutLoad(under, fan!.id).luminaires).toEqual([]);
  expect(adding('light', 'nobody' as LuminaireId)).toBe(job);
  expect(withoutLoad(job, 'nobody' as LuminaireId)).toBe(job);
});

test('a driver box whose mark nobody has read passes for nothing', () => {
  const recessed = {
    ...job,
    boxes: job.boxes.map((box) => (box.id === 'L' ? { ...box, article: null } : box)),
    luminaires: job.luminaires.map((one) => ({ ...one, ...LOAD_KINDS.recessed })),
  };
  const { job: planned } = planJob(recessed);
  const found = inspect(planned, wiringOrEmpty(planned)).map(({ rule }) => rule);
  expect(found).toContain('driver-box');
});
