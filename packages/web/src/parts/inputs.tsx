import { useEffect, useState } from 'react';
import { feetInches, parseFeetInches, isolated, plainName } from '@amber/core';
import { controlLook } from './ui.js';

/** A name is taken as it is typed; an empty one springs back when the field is left. */
export const NameInput = ({
  value,
  onChange,
  label,
}: {
  value: string;
  onChange: (name: string) => void;
  label?: string;
}) => {
  const [text, setText] = useState(plainName(value));
  useEffect(() => setText((now) => (isolated(now.trim()) === value ? now : plainName(value))), [value]);
  return (
    <input
      aria-label={label}
      value={text}
      maxLength={200}
      onChange={(event) => {
        setText(event.target.value);
        // Signs of direction in a name turn the name alone, and no sentence that it stands in.
        if (event.target.value.trim()) onChange(isolated(event.target.value.trim()));
      }}
      onBlur={() => setText(plainName(value))}
      className={controlLook}
    />
  );
};

/** A length in feet and inches. What cannot be read stays in the field, marked, and changes nothing. */
export const LengthInput = ({
  value,
  onChange,
  label,
  bare = 'feet',
}: {
  value: number | null;
  onChange: (inches: number | null) => void;
  label?: string;
  /** What a number without a mark is: inches where nothing is as long as a foot. */
  bare?: 'feet' | 'inches';
}) => {
  const written = value === null ? '' : feetInches(value);
  const [text, setText] = useState(written);
  useEffect(() => setText(written), [written]);
  const inWords = bare === 'inches' && !/["'”″’′]|in|ft|feet|m/.test(text) ? `${text}"` : text;
  const bad = text.trim() !== '' && parseFeetInches(inWords) === null;
  const take = () => {
    if (bad) return;
    const inches = text.trim() === '' ? null : parseFeetInches(inWords);
    if (inches !== value) onChange(inches);
    else setText(written);
  };
  return (
    <>
      <input
        aria-label={label}
        value={text}
        aria-invalid={bad}
        placeholder={bare === 'inches' ? '2 1/2"' : `12'-6"`}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          // It takes the length: a form around it is not sent with the one before.
          event.preventDefault();
          take();
        }}
        className={`${controlLook} ${bad ? 'border-2 border-violation!' : ''}`}
      />
      {bad ? (
        <span role="alert" className="mt-1 block text-[12.5px] text-violation">
          {bare === 'inches'
            ? 'Write inches: 2 1/2 or 2.5'
            : `Write feet and inches, up to 1000': 12'-6", 12.5 or 3.8 m`}
        </span>
      ) : null}
    </>
  );
};

/** A number within a range; outside of it the field is marked and nothing changes. With `onEmpty` it may be left empty: not known. */
export const NumberInput = ({
  value,
  least,
  most,
  unit,
  label,
  onChange,
  onEmpty,
}: {
  value: number | null;
  least: number;
  most: number;
  unit: string;
  /** Where no field around it names it. */
  label?: string;
  onChange: (value: number) => void;
  onEmpty?: () => void;
}) => {
  const written = value === null ? '' : String(value);
  const [text, setText] = useState(written);
  useEffect(() => setText(written), [written]);
  const number = Number(text);
  const bad = text.trim() === '' ? onEmpty === undefined : !(number >= least && number <= most);
  return (
    <>
      <input
        inputMode="decimal"
        aria-label={label}
        value={text}
        placeholder={onEmpty ? 'not known' : undefined}
        aria-invalid={bad}
        onChange={(event) => {
          setText(event.target.value);
          const typed = Number(event.target.value);
          if (event.target.value.trim() === '') onEmpty?.();
          else if (typed >= least && typed <= most) onChange(typed);
        }}
        onBlur={() => setText(written)}
        className={`${controlLook} ${bad ? 'border-2 border-violation!' : ''}`}
      />
      {bad ? (
        <span role="alert" className="mt-1 block text-[12.5px] text-violation">
          From {least} to {most} {unit}
        </span>
      ) : null}
    </>
  );
};
