import { defineTap } from './tappedCircuit.js';

/** 210.52(B)(2): small-appliance circuits have no other outlets. */
export const smallApplianceCircuit = defineTap({
  id: 'small-appliance-circuit',
  title: 'No lighting on the receptacle circuits of kitchen and dining room',
  rests: 'Small-appliance branch circuits have no other outlets.',
  section: '210.52(B)(2)',
  purpose: 'smallAppliance',
  serves: 'kitchen and dining receptacles',
});
