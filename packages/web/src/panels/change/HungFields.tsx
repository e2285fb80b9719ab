import { LOAD_KINDS, loadKindOf, type Hung, type LoadKind } from '@amber/core';
import { NameInput, NumberInput } from '../../parts/inputs.js';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

export const LOAD_WORDS: Record<LoadKind, string> = {
  light: 'Light with leads',
  lampholder: 'Plastic lampholder with screws',
  recessed: 'Recessed light, own driver box',
  fan: 'Ceiling fan',
  ventFan: 'Vent fan',
  nightLight: 'Night light',
};
const TERMINAL_WORDS = { leads: 'leads', screws: 'screws' } as const;
const METAL_WORDS = { yes: 'metal, grounded', no: 'plastic' } as const;

const CUBIC_INCH = 10_000;

/** What is hung: a load, a weight, and what its wires meet. */
export const HungFields = ({ hung, onChange }: { hung: Hung; onChange: (hung: Hung) => void }) => (
  <div className="grid grid-cols-2 gap-3">
    <Field label="What is hung">
      <WordSelect
        words={LOAD_WORDS}
        value={loadKindOf(hung)}
        onPick={(kind) => {
          if (kind) onChange({ ...hung, ...LOAD_KINDS[kind], va: hung.va });
        }}
      />
    </Field>
    <Field label="Its name">
      <NameInput value={hung.name} onChange={(name) => onChange({ ...hung, name })} />
    </Field>
    {hung.driverBox === null ? null : (
      <Field
        label="Wiring space of its driver box, in³"
        hint="As marked on it: until it is read, less is taken than one cable needs."
      >
        <NumberInput
          value={hung.driverBox / CUBIC_INCH}
          least={0.5}
          most={100}
          unit="in³"
          onChange={(cubicInches) => onChange({ ...hung, driverBox: Math.round(cubicInches * CUBIC_INCH) })}
        />
      </Field>
    )}
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
