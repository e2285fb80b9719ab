import { findLuminaire } from '../../model/lookup.js';
import { wiredLuminaires } from '../../model/there.js';
import { defineGrounding } from './ungrounded.js';

/** 410.40 to 410.46: exposed metal of a luminaire is connected to a ground; one all of plastic has none to connect. */
export const luminaireGrounded = defineGrounding({
  id: 'luminaire-grounded',
  stage: 'final',
  title: 'Exposed metal of a luminaire is grounded',
  rests: 'A lampholder all of plastic has nothing to connect.',
  section: () => '410.40, 410.44',
  // Of one that is on no wire, as where no way is chosen for its circuit yet, nothing is told.
  boxOf: (part, { job, wiring }) =>
    'luminaire' in part && wiredLuminaires(wiring).has(part.luminaire)
      ? (findLuminaire(job, part.luminaire)?.box ?? null)
      : null,
  what: (part, { job }) => ('luminaire' in part ? (findLuminaire(job, part.luminaire)?.name ?? '') : ''),
  reason: 'A worn lead makes its metal live, where hands reach it on a ladder.',
  remedy: 'Join its ground lead or green screw to the grounds of the box.',
  withoutGround: 'No cable brings a ground here: use a luminaire without exposed metal, or bring a ground.',
});
