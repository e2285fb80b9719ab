import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import {
  articlesOf,
  cubicInches,
  STANDARD_FORMS,
  standardBoxOf,
  type ArticleId,
  type Job,
  type StandardForm,
} from '@amber/core';
import { OneOf } from '../../parts/OneOf.js';
import { Button, Field, Select } from '../../parts/ui.js';

const FORM_WORDS: Record<StandardForm, string> = {
  device: 'Device box, for switches',
  round: 'Round or octagonal',
  square: 'Square',
  masonry: 'Masonry box, one gang',
};

/** What a tape is read to inside a box, inches: eighths, and the sixteenth that one size has. */
const MEASURES = [...Array.from({ length: 33 }, (_one, i) => 1 + i / 8), 4.6875].sort((a, b) => a - b);

const EIGHTHS: Record<string, string> = {
  '0': '',
  '0.125': ' 1/8',
  '0.25': ' 1/4',
  '0.375': ' 3/8',
  '0.5': ' 1/2',
  '0.625': ' 5/8',
  '0.6875': ' 11/16',
  '0.75': ' 3/4',
  '0.875': ' 7/8',
};
const inWords = (inches: number): string => `${Math.floor(inches)}${EIGHTHS[String(inches % 1)] ?? ''} in`;

const Measure = ({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (inches: number) => void;
}) => (
  <Field label={label}>
    <Select value={value} onChange={(event) => onChange(Number(event.target.value))}>
      {MEASURES.map((one) => (
        <option key={one} value={one}>
          {inWords(one)}
        </option>
      ))}
    </Select>
  </Field>
);

/** Boxes of the stock that a measured one may be: of its volume, with clamps inside or not. */
const alike = (job: Job, form: StandardForm, volume: number) =>
  articlesOf(job.stock, 'box').filter(
    (one) =>
      one.metal &&
      one.part === 'box' &&
      one.volume === volume &&
      one.gangs === (form === 'device' || form === 'masonry' ? 1 : 0),
  );

/** How many cubic inches a box that is there has: a steel one without a mark by measuring it, a nonmetallic one by its mark alone. */
export const MeasureBox = ({ job, onTake }: { job: Job; onTake: (article: ArticleId) => void }) => {
  const [material, setMaterial] = useState<'steel' | 'nonmetallic'>('steel');
  const [form, setForm] = useState<StandardForm>('device');
  const [size, setSize] = useState({ width: 2, height: 3, depth: 2.5 });
  const found = standardBoxOf(form, size);
  return (
    <Disclosure as="section" aria-label="Measure the box" className="border-t border-line">
      <DisclosureButton className="group flex min-h-11 items-center gap-2 text-[14px] font-semibold">
        <ChevronRight size={16} className="group-data-open:rotate-90" aria-hidden="true" />
        No volume is marked in it
      </DisclosureButton>
      <DisclosurePanel className="flex flex-col gap-3 pb-3">
        <p className="text-[13px]">
          <strong>Work dead.</strong> Measure inside only where every circuit of the box was proved dead.
        </p>
        <OneOf
          label="What the box is made of"
          options={[
            { value: 'steel', words: 'Steel' },
            { value: 'nonmetallic', words: 'Nonmetallic' },
          ]}
          value={material}
          onPick={setMaterial}
        />
        {material === 'nonmetallic' ? (
          <p className="text-[13.5px]">
            A nonmetallic box counts by the volume that is marked in it, and by no measure. Without a mark it
            stays not known: to be verified on site, or replaced.
          </p>
        ) : (
          <>
            <Field label="Its form">
              <Select value={form} onChange={(event) => setForm(event.target.value as StandardForm)}>
                {STANDARD_FORMS.map((one) => (
                  <option key={one} value={one}>
                    {FORM_WORDS[one]}
                  </option>
                ))}
              </Select>
            </Field>
            <div className="grid grid-cols-3 gap-2">
              <Measure
                label="Width inside"
                value={size.width}
                onChange={(width) => setSize({ ...size, width })}
              />
              <Measure
                label="Height inside"
                value={size.height}
                onChange={(height) => setSize({ ...size, height })}
              />
              <Measure
                label="Depth inside"
                value={size.depth}
                onChange={(depth) => setSize({ ...size, depth })}
              />
            </div>
            {found === null ? (
              <p role="status" className="text-[13.5px]">
                It is near none of the standard boxes (Table 314.16(A)): its volume stays not known.
              </p>
            ) : (
              <>
                <p role="status" className="text-[13.5px]">
                  Counted as the standard box {inWords(found.height)} x {inWords(found.width)} x{' '}
                  {inWords(found.depth)}: <strong>{cubicInches(found.volume)}</strong>, the least that it has
                  (Table 314.16(A)). Which is it?
                </p>
                <ul className="flex flex-col gap-2">
                  {alike(job, form, found.volume).map((one) => (
                    <li key={one.id}>
                      <Button aria-label={`It is ${one.name}`} onClick={() => onTake(one.id)}>
                        {one.name}
                        {one.internalClamps ? ', clamps inside' : ''}
                      </Button>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </>
        )}
      </DisclosurePanel>
    </Disclosure>
  );
};
