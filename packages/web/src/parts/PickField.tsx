import type { ReactNode } from 'react';
import { Field, Select } from './ui.js';

/** One of some things with names, under its label; `none` are the words for none of them. */
export const PickField = <Id extends string>({
  label,
  hint,
  items,
  value,
  none,
  onPick,
}: {
  label: string;
  hint?: ReactNode;
  items: readonly { id: Id; name: string }[];
  value: Id | null;
  none?: string;
  onPick: (id: Id | null) => void;
}) => (
  <Field label={label} hint={hint}>
    <Select value={value ?? ''} onChange={(event) => onPick((event.target.value || null) as Id | null)}>
      {none === undefined ? null : <option value="">{none}</option>}
      {items.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  </Field>
);
