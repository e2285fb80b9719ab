import { defineTap } from './tappedCircuit.js';

/** 210.11(C)(4), from 2017: the garage circuit has no other outlets. */
export const garageCircuit = defineTap({
  id: 'garage-circuit',
  title: 'No lighting on the receptacle circuit of the garage',
  rests: 'From 2017; readily accessible outdoor receptacles, and from 2020 some garage equipment, excepted.',
  section: '210.11(C)(4)',
  since: 2017,
  purpose: 'garage',
  serves: 'garage receptacles',
});
