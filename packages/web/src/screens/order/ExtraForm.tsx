import { Plus } from 'lucide-react';
import { useState } from 'react';
import { addExtra, AISLES, type Aisle, type Job } from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import { NumberInput } from '../../parts/inputs.js';
import { Button, Field, Select, TextInput } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';

const NONE = { name: '', aisle: 'other' as Aisle, quantity: 1, price: null as number | null };

/** A line that no wiring asks for: anchors, a blade, a luminaire. */
export const ExtraForm = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const [line, setLine] = useState(NONE);
  const name = line.name.trim();
  const add = () => {
    const { aisle, quantity, price } = line;
    const made = { id: fresh('line'), aisle, name, quantity, unit: 'each' as const };
    edit(
      addExtra(job, { ...made, price: price === null ? null : Math.round(price * 10_000) }),
      `${name} on the list`,
    );
    setLine(NONE);
  };
  return (
    <form
      aria-label="Add a line"
      className="flex flex-wrap items-end gap-3 border-t border-line pt-3 print:hidden"
      onSubmit={(event) => {
        event.preventDefault();
        if (name !== '') add();
      }}
    >
      <div className="min-w-0 flex-1 basis-48">
        <Field label="One more line">
          <TextInput
            value={line.name}
            maxLength={200}
            placeholder="Wall anchors"
            onChange={(event) => setLine({ ...line, name: event.target.value })}
          />
        </Field>
      </div>
      <div className="w-36">
        <Field label="Aisle">
          <Select
            value={line.aisle}
            onChange={(event) => setLine({ ...line, aisle: event.target.value as Aisle })}
          >
            {AISLES.map((aisle) => (
              <option key={aisle} value={aisle}>
                {aisle}
              </option>
            ))}
          </Select>
        </Field>
      </div>
      <div className="w-24">
        <Field label="How many">
          <NumberInput
            value={line.quantity}
            least={0}
            most={100_000}
            unit="pieces"
            onChange={(quantity) => setLine({ ...line, quantity })}
          />
        </Field>
      </div>
      <div className="w-32">
        <Field label="Price each, $">
          <NumberInput
            value={line.price}
            least={0}
            most={1_000_000}
            unit="dollars"
            onChange={(price) => setLine({ ...line, price })}
            onEmpty={() => setLine({ ...line, price: null })}
          />
        </Field>
      </div>
      <Button type="submit" disabled={name === ''}>
        <Plus size={17} /> Add
      </Button>
    </form>
  );
};
