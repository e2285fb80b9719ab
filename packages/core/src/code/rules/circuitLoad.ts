import { plannedVa } from '../plannedVa.js';
import { BRANCH_VOLTS } from '../../model/units.js';
import { defineRule, type Breach } from '../rule.js';

/** Share of the breaker above which there is no room for what may come. */
const FULL = 0.8;

interface Found {
  name: string;
  planned: number;
  there: number;
  room: number;
}

/** 210.23, 220.14, 220.18: what is connected against what the breaker carries. */
export const circuitLoad = defineRule<Found>({
  id: 'circuit-load',
  stage: 'roughIn',
  title: 'The connected load is within the rating of the circuit',
  rests: 'Rating of the breaker x 120 V; above 80 % a caution.',
  section: () => '210.23, 220.14, 220.18',
  severities: ['violation', 'caution'],
  check: ({ job }) =>
    job.circuits.flatMap((circuit): Breach<Found>[] => {
      const planned = plannedVa(job, circuit.id);
      const room = circuit.breaker * BRANCH_VOLTS;
      const all = planned + circuit.existingVa;
      if (all <= FULL * room) return [];
      const data = { name: circuit.name, planned, there: circuit.existingVa, room };
      return [{ severity: all > room ? 'violation' : 'caution', at: { circuit: circuit.id }, data }];
    }),
  say: ({ name, planned, there, room }) => ({
    where: name,
    what: `${planned + there} VA of ${room} VA`,
    reason: `${planned} VA in this job${there > 0 ? ` and ${there} VA there already` : ''}; the breaker carries ${room / BRANCH_VOLTS} A x ${BRANCH_VOLTS} V = ${room} VA.`,
    remedy: 'Move a part of the load to another circuit.',
  }),
});
