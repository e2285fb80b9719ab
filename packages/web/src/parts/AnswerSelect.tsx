import type { ReactNode } from 'react';
import type { Answer } from '@amber/core';
import { Field, Select } from './ui.js';

const WORDS: Record<Answer, string> = { unknown: 'Not answered: taken as no', yes: 'Yes', no: 'No' };

/** A question that only people on site can answer. */
export const AnswerSelect = ({
  label,
  hint,
  value,
  onChange,
}: {
  label: string;
  hint?: ReactNode;
  value: Answer;
  onChange: (answer: Answer) => void;
}) => (
  <Field label={label} hint={hint}>
    <Select value={value} onChange={(event) => onChange(event.target.value as Answer)}>
      {Object.entries(WORDS).map(([answer, words]) => (
        <option key={answer} value={answer}>
          {words}
        </option>
      ))}
    </Select>
  </Field>
);
