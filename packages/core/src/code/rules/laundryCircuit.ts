import { defineTap } from './tappedCircuit.js';

/** 210.11(C)(2): the laundry circuit has no other outlets. */
export const laundryCircuit = defineTap({
  id: 'laundry-circuit',
  title: 'No lighting on the laundry circuit',
  rests: 'The laundry branch circuit has no other outlets.',
  section: '210.11(C)(2)',
  purpose: 'laundry',
  serves: 'laundry receptacles',
});
