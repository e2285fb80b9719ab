import { defineSiteCheck } from '../rule.js';

/** 410.115, 410.116: a recessed luminaire keeps clear of insulation and of what burns, unless it is marked IC. */
export const recessedLuminaires = defineSiteCheck({
  id: 'recessed-luminaires',
  stage: 'roughIn',
  title: 'Recessed luminaires keep clear of insulation unless marked IC',
  rests: 'Not marked IC: 3 in from insulation, 1/2 in from what burns. Marked IC it may touch both.',
  section: () => '410.115, 410.116',
  where: ({ job }) =>
    job.luminaires
      .filter(({ driverBox }) => driverBox !== null)
      .map(({ id, box }) => ({ luminaire: id, box })),
  why: 'Covered, it heats until what lies on it burns.',
  look: 'Read the marking inside the housing, and measure before the insulation comes.',
});
