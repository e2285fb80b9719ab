import type { Hung } from '@amber/core';
import { NameInput, NumberInput } from '../../parts/inputs.js';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

const UNIT_WORDS = {
  luminaire: 'Light',
  fan: 'Ceiling fan',
  ventFan: 'Vent fan',
  nightLight: 'Night light',
} as const;
const TERMINAL_WORDS = { leads: 'leads', screws: 'screws' } as const;
const METAL_WORDS = { yes: 'metal: it is grounded', no: 'plastic: nothing to ground' } as const;

/** What is hung: a load, a weight, and what its wires meet. */
export const HungFields = ({ hung, onChange }: { hung: Hung; onChange: (hung: Hung) => void }) => (
  <div className="grid grid-cols-2 gap-3">
    <Field label="What is hung">
      <WordSelect
        words={UNIT_WORDS}
        value={hung.unit as keyof typeof UNIT_WORDS}
        onPick={(unit) => unit && onChange({ ...hung, unit })}
      />
    </Field>
    <Field label="Its name">
      <NameInput value={hung.name} onChange={(name) => onChange({ ...hung, name })} />
    </Field>
    <Field label="Load, VA">
      <NumberInput
        value={hung.va}
        least={0.1}
        most={5000}
        unit="VA"
        onChange={(va) => onChange({ ...hung, va })}
      />
    </Field>
    <Field label="Weight, pounds">
      <NumberInput
        value={hung.pounds}
        least={0}
        most={1000}
        unit="lb"
        onChange={(pounds) => onChange({ ...hung, pounds })}
        onEmpty={() => onChange({ ...hung, pounds: null })}
      />
    </Field>
    <Field label="Its wires meet">
      <WordSelect
        words={TERMINAL_WORDS}
        value={hung.terminals}
        onPick={(terminals) => terminals && onChange({ ...hung, terminals })}
      />
    </Field>
    <Field label="Made of">
      <WordSelect
        words={METAL_WORDS}
        value={hung.metal ? 'yes' : 'no'}
        onPick={(metal) => metal && onChange({ ...hung, metal: metal === 'yes' })}
      />
    </Field>
  </div>
);
