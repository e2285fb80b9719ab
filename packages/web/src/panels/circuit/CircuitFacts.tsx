import type { Circuit, Job } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { AnswerSelect } from '../../parts/AnswerSelect.js';
import { NameInput, NumberInput } from '../../parts/inputs.js';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

/** What is known of a circuit, whatever hangs on it: name, breaker, size, protection, and what else is on it. */
export const CircuitFacts = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const edit = useEdit();
  const set = (more: Partial<Circuit>, what: string) =>
    edit(
      { ...job, circuits: job.circuits.map((one) => (one.id === circuit.id ? { ...one, ...more } : one)) },
      `${what} of ${circuit.name}`,
    );
  return (
    <div className="flex flex-col gap-3">
      <Field label="Circuit">
        <NameInput value={circuit.name} onChange={(name) => set({ name }, 'name')} />
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Breaker">
          <WordSelect
            words={{ 10: '10 A, lighting alone', 15: '15 A', 20: '20 A' }}
            value={String(circuit.breaker) as '10' | '15' | '20'}
            onPick={(value) => set({ breaker: value === '20' ? 20 : value === '10' ? 10 : 15 }, 'breaker')}
          />
        </Field>
        <Field label="Conductors">
          <WordSelect
            words={{ 14: '14 AWG', 12: '12 AWG', 10: '10 AWG' }}
            value={String(circuit.awg) as '14' | '12' | '10'}
            onPick={(value) => set({ awg: value === '10' ? 10 : value === '12' ? 12 : 14 }, 'conductor size')}
          />
        </Field>
        <Field label="Load on it already, VA">
          <NumberInput
            value={circuit.existingVa}
            least={0}
            most={20_000}
            unit="VA"
            onChange={(existingVa) => set({ existingVa }, 'load that is there')}
          />
        </Field>
      </div>
      <AnswerSelect
        label="Arc-fault protection"
        value={circuit.afci}
        onChange={(afci) => set({ afci }, 'arc-fault protection')}
      />
      <AnswerSelect
        label="Ground-fault protection"
        value={circuit.gfci}
        onChange={(gfci) => set({ gfci }, 'ground-fault protection')}
      />
    </div>
  );
};
