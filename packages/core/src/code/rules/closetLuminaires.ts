import { defineSiteCheck } from '../rule.js';

/** 410.16: clearances of luminaires from storage in closets. */
export const closetLuminaires = defineSiteCheck({
  id: 'closet-luminaires',
  stage: 'final',
  title: 'Luminaires in closets keep clear of what is stored',
  rests: 'Clearances by kind of luminaire; no open or partly open lamps.',
  section: () => '410.16',
  where: ({ job }) => {
    const rooms = new Set<string>(job.rooms.filter((room) => room.kind === 'closet').map((room) => room.id));
    const groups = new Set<string>(job.groups.filter((one) => rooms.has(one.room)).map((one) => one.id));
    return job.luminaires
      .filter((one) => groups.has(one.group))
      .map(({ id, box }) => ({ luminaire: id, box }));
  },
  why: 'What is stored is pushed against it in the dark.',
  look: 'Measure from the edge of shelf and rod to the luminaire.',
});
