import { useState } from 'react';
import { drawToMeasure, MOST_SEED, type Edition, type SharedExercise, type ToMeasure } from '@amber/core';
import { Button, Field, Select } from '../../parts/ui.js';

type Wanted = Omit<ToMeasure, 'edition' | 'seed'>;
type Option<K extends keyof Wanted> = readonly [value: Wanted[K], words: string];

const BEGUN: Wanted = {
  ...{ locations: 2, lights: 1, powerAt: 'switch', neutral: 'byEdition', groups: 1 },
  ...{ breaker: 15, boxes: 'nonmetallic' },
};

const LOCATIONS: Option<'locations'>[] = [
  [1, 'one'],
  [2, 'two'],
  [3, 'three'],
  [4, 'four'],
];
const LIGHTS: Option<'lights'>[] = [
  [1, 'one'],
  [2, 'two'],
  [3, 'three'],
];
const POWER: Option<'powerAt'>[] = [
  ['switch', 'at the first switch'],
  ['luminaire', 'at the light'],
];
const NEUTRAL: Option<'neutral'>[] = [
  ['byEdition', 'as the edition asks'],
  ['everySwitch', 'at every switch'],
  ['none', 'not brought to a switch'],
];
const GROUPS: Option<'groups'>[] = [
  [1, 'one light, or one row'],
  [2, 'two lights from the same two doors'],
];
const BREAKERS: Option<'breaker'>[] = [
  [15, '15 A, 14 AWG'],
  [20, '20 A, 12 AWG'],
];
const BOXES: Option<'boxes'>[] = [
  ['nonmetallic', 'nonmetallic'],
  ['steel', 'steel'],
];

/** A circuit made to measure: what it is to be is said, its places and lengths are drawn. */
export const MeasureForm = ({
  edition,
  onDraw,
}: {
  edition: Edition;
  onDraw: (exercise: SharedExercise) => void;
}) => {
  const [wanted, setWanted] = useState(BEGUN);
  const pick = <K extends keyof Wanted>(label: string, key: K, options: readonly Option<K>[]) => (
    <Field label={label}>
      <Select
        value={String(wanted[key])}
        onChange={(event) => {
          const found = options.find(([value]) => String(value) === event.target.value);
          if (found) setWanted({ ...wanted, [key]: found[0] });
        }}
      >
        {options.map(([value, words]) => (
          <option key={words} value={String(value)}>
            {words}
          </option>
        ))}
      </Select>
    </Field>
  );
  const isPair = wanted.groups === 2;
  return (
    <details className="mt-3 rounded-lg border border-edge bg-sheet">
      <summary className="min-h-11 cursor-pointer px-3 py-2.5 text-[15px] font-bold">Made to measure</summary>
      <form
        className="flex flex-col gap-3 border-t border-line p-3"
        onSubmit={(event) => {
          event.preventDefault();
          const seed = Math.floor(Math.random() * MOST_SEED);
          onDraw(drawToMeasure({ ...wanted, edition, seed }));
        }}
      >
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
          {pick('What is switched', 'groups', GROUPS)}
          {isPair ? null : pick('Switch locations', 'locations', LOCATIONS)}
          {isPair ? null : pick('Lights in a row', 'lights', LIGHTS)}
          {isPair ? null : pick('Power enters', 'powerAt', POWER)}
          {isPair ? null : pick('Neutral at the switches', 'neutral', NEUTRAL)}
          {pick('Breaker and wire', 'breaker', BREAKERS)}
          {pick('Boxes', 'boxes', BOXES)}
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <Button look="main" type="submit">
            Hang it loose
          </Button>
          <p className="text-[13px] text-quiet">By NEC {edition}. It is not put on record.</p>
        </div>
      </form>
    </details>
  );
};
