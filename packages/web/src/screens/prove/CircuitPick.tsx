import type { Circuit, CircuitId } from '@amber/core';
import { Select } from '../../parts/ui.js';

/** Of which circuit something is asked, where the whole job is shown; with nothing picked it says so. */
export const CircuitPick = ({
  label,
  circuits,
  value,
  onPick,
}: {
  label: string;
  circuits: readonly Circuit[];
  value: CircuitId | null;
  onPick: (circuit: CircuitId) => void;
}) => (
  <label className="block max-w-xl">
    <span className="mb-1 block text-[13px] font-semibold">{label}</span>
    <Select
      value={value ?? ''}
      onChange={(event) => onPick(event.target.value as CircuitId)}
      className="min-h-12!"
    >
      {value === null ? <option value="">Pick one</option> : null}
      {circuits.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  </label>
);
