import { HUES, type Hue } from '@amber/core';
import { Button, Select } from './ui.js';

/** Insulated wires one by one, in the colours that they have. */
export const HuePicks = ({
  hues,
  onChange,
  most = 12,
}: {
  hues: readonly Hue[];
  onChange: (hues: Hue[]) => void;
  most?: number;
}) => (
  <ul className="flex flex-wrap gap-2">
    {hues.map((hue, i) => (
      <li key={i} className="flex">
        <Select
          aria-label={`Colour of wire ${i + 1}`}
          className="w-auto! rounded-r-none!"
          value={hue}
          onChange={(event) => onChange(hues.map((one, k) => (k === i ? (event.target.value as Hue) : one)))}
        >
          {HUES.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Select>
        <button
          type="button"
          aria-label={`No wire ${i + 1}`}
          className="min-h-10 rounded-r-md border border-l-0 border-line bg-white px-2.5 font-semibold hover:bg-rail"
          onClick={() => onChange(hues.filter((_, k) => k !== i))}
        >
          ×
        </button>
      </li>
    ))}
    {hues.length < most ? (
      <li>
        <Button onClick={() => onChange([...hues, 'red'])}>One more</Button>
      </li>
    ) : null}
  </ul>
);
