import { groupsOfCircuit } from '../../model/lookup.js';
import { defineTap } from './tappedCircuit.js';

/** 210.11(C)(3): the 20 A circuit feeds no other outlets, unless it serves one bathroom only. */
export const bathroomCircuit = defineTap({
  id: 'bathroom-circuit',
  title:
    'No lighting on the receptacle circuit of bathrooms, unless it serves one bathroom and this is in it',
  rests: 'Where it serves a single bathroom, other equipment of that bathroom may join.',
  section: '210.11(C)(3)',
  purpose: 'bathroom',
  serves: 'bathroom receptacles',
  asks: ['circuit.oneBathroom'],
  unless: (circuit, { job }) => {
    const rooms = new Set(groupsOfCircuit(job, circuit.id).map((one) => one.room));
    const inside =
      rooms.size === 1 && job.rooms.some((room) => rooms.has(room.id) && room.kind === 'bathroom');
    if (!inside || circuit.oneBathroom === 'no') return false;
    return circuit.oneBathroom === 'yes' ? true : { ask: 'circuit.oneBathroom', of: circuit.id };
  },
});
