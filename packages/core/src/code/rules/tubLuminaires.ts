import { defineSiteCheck } from '../rule.js';

/** 410.10(D): near tub and shower no luminaire hangs, and what is in their outline is marked for it. */
export const tubLuminaires = defineSiteCheck({
  id: 'tub-luminaires',
  stage: 'roughIn',
  title: 'No hanging luminaire or fan near a tub or shower',
  rests:
    '3 ft out from the rim and 8 ft up from it; within the outline only what is marked for damp or wet places.',
  section: () => '410.10(D)',
  where: ({ job }) => {
    const rooms = new Set<string>(job.rooms.filter(({ kind }) => kind === 'bathroom').map(({ id }) => id));
    const groups = new Set<string>(job.groups.filter(({ room }) => rooms.has(room)).map(({ id }) => id));
    return job.luminaires
      .filter(({ group, unit }) => groups.has(group) && unit !== 'onward')
      .map(({ id, box }) => ({ luminaire: id, box }));
  },
  why: 'Whoever stands in the tub reaches it with wet hands.',
  look: 'Measure from the rim of tub or shower to the luminaire, and read its marking.',
});
