import type { SelectHTMLAttributes } from 'react';
import { Select } from './ui.js';

/** One of a few things, each with its words; `none` are the words for none of them. */
export const WordSelect = <T extends string>({
  words,
  value,
  none,
  onPick,
  ...rest
}: {
  words: Partial<Record<T, string>>;
  value: T | null;
  none?: string;
  onPick: (value: T | null) => void;
} & Omit<SelectHTMLAttributes<HTMLSelectElement>, 'value' | 'onChange'>) => (
  <Select
    value={value ?? ''}
    onChange={(event) => onPick((event.target.value || null) as T | null)}
    {...rest}
  >
    {none === undefined ? null : <option value="">{none}</option>}
    {(Object.entries(words) as [T, string][]).map(([one, said]) => (
      <option key={one} value={one}>
        {said}
      </option>
    ))}
  </Select>
);
