import { useState, type ReactNode } from 'react';
import { findBox, WALKS, type Correction, type Job, type Walk } from '@amber/core';
import { InitialsField } from '../../onRecord/Initials.js';
import { when } from '../../parts/format.js';
import { Button, Field, Select, TextInput } from '../../parts/ui.js';
import { WALK_TITLES } from './Readiness.js';
import type { Site } from './useSite.js';

const today = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
};

const WalkSelect = ({ value, onChange }: { value: Walk; onChange: (walk: Walk) => void }) => (
  <Field label="Inspection">
    <Select value={value} onChange={(event) => onChange(event.target.value as Walk)}>
      {WALKS.map((one) => (
        <option key={one} value={one}>
          {WALK_TITLES[one].title}
        </option>
      ))}
    </Select>
  </Field>
);

const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="flex flex-col gap-3 rounded-lg border border-line bg-sheet p-4">
    <h2 className="text-[17px] font-bold">{title}</h2>
    {children}
  </section>
);

const Permit = ({ job, site }: { job: Job; site: Site }) => {
  const [number, setNumber] = useState('');
  const [authority, setAuthority] = useState('');
  const { permit } = site.book;
  return (
    <Section title="Permit">
      {permit ? (
        <p className="flex flex-wrap items-center justify-between gap-2">
          <span>
            <strong>{permit.number}</strong>
            {permit.authority === '' ? '' : `, ${permit.authority}`}
            <span className="block text-[13.5px] text-quiet">noted {when(permit.record.at)}</span>
          </span>
          <Button onClick={() => site.takeBack(permit.record)}>It is another</Button>
        </p>
      ) : (
        <form
          className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]"
          onSubmit={(event) => {
            event.preventDefault();
            site.put(
              'permit',
              { kind: 'job', id: job.id },
              { number: number.trim(), authority: authority.trim() },
            );
            setNumber('');
            setAuthority('');
          }}
        >
          <Field label="Permit number">
            <TextInput value={number} maxLength={60} onChange={(event) => setNumber(event.target.value)} />
          </Field>
          <Field label="Given by">
            <TextInput
              value={authority}
              maxLength={200}
              onChange={(event) => setAuthority(event.target.value)}
            />
          </Field>
          <Button type="submit" look="main" disabled={number.trim() === ''}>
            Note it
          </Button>
        </form>
      )}
    </Section>
  );
};

const Held = ({ job, site }: { job: Job; site: Site }) => {
  const [walk, setWalk] = useState<Walk>('roughIn');
  const [state, setState] = useState<'asked' | 'held'>('asked');
  const [on, setOn] = useState(today);
  const [note, setNote] = useState('');
  return (
    <Section title="Inspections">
      <ul>
        {site.book.inspections.map((one) => (
          <li
            key={one.record.id}
            className="flex flex-wrap items-center justify-between gap-2 border-b border-line py-2"
          >
            <span className="min-w-0 break-words">
              <strong>
                {WALK_TITLES[one.walk].title} {one.state === 'asked' ? 'asked for' : 'held'}
              </strong>{' '}
              {when(`${one.on}T12:00:00`)}
              {one.note === '' ? '' : `: ${one.note}`}
            </span>
            <Button look="bare" className="underline" onClick={() => site.takeBack(one.record)}>
              Take it back
            </Button>
          </li>
        ))}
      </ul>
      <form
        className="grid items-end gap-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          site.put('inspection', { kind: 'job', id: job.id }, { walk, state, on, note: note.trim() });
          setNote('');
        }}
      >
        <WalkSelect value={walk} onChange={setWalk} />
        <Field label="It was">
          <Select value={state} onChange={(event) => setState(event.target.value as 'asked' | 'held')}>
            <option value="asked">asked for</option>
            <option value="held">held</option>
          </Select>
        </Field>
        <Field label="On">
          <TextInput type="date" required value={on} onChange={(event) => setOn(event.target.value)} />
        </Field>
        <Field label="What the inspector said">
          <TextInput value={note} maxLength={2000} onChange={(event) => setNote(event.target.value)} />
        </Field>
        <Button type="submit" look="main" className="justify-self-start" disabled={on === ''}>
          Note it
        </Button>
      </form>
    </Section>
  );
};

const CorrectionRow = ({ job, correction, site }: { job: Job; correction: Correction; site: Site }) => {
  const [how, setHow] = useState('');
  const { record, text, walk, cleared } = correction;
  const box = record.about.kind === 'box' ? findBox(job, record.about.id) : undefined;
  return (
    <li className="flex flex-col gap-2 border-b border-line py-2 last:border-0">
      <p className="break-words">
        <strong>{text}</strong>
        <span className="block text-[13.5px] text-quiet">
          {WALK_TITLES[walk].title}
          {box ? ` · ${box.name}` : ''} · noted {when(record.at)}
        </span>
      </p>
      {cleared ? (
        <p className="flex flex-wrap items-center justify-between gap-2 text-[13.5px]">
          <span>
            Cleared {when(cleared.record.at)}
            {cleared.record.by === '' ? '' : ` by ${cleared.record.by}`}
            {cleared.how === '' ? '.' : `: ${cleared.how}`}
          </span>
          <Button look="bare" className="underline" onClick={() => site.takeBack(cleared.record)}>
            It is open still
          </Button>
        </p>
      ) : (
        <div className="flex flex-wrap gap-2">
          <TextInput
            aria-label={`How it was put right: ${text}`}
            placeholder="How it was put right"
            className="min-w-40 flex-1"
            value={how}
            maxLength={1000}
            onChange={(event) => setHow(event.target.value)}
          />
          <Button
            disabled={site.initials.trim() === ''}
            onClick={() => site.put('cleared', { kind: 'fact', id: record.id }, { how: how.trim() })}
          >
            Cleared
          </Button>
          <Button look="bare" className="underline" onClick={() => site.takeBack(record)}>
            Noted in error
          </Button>
        </div>
      )}
    </li>
  );
};

const Corrections = ({ job, site }: { job: Job; site: Site }) => {
  const [walk, setWalk] = useState<Walk>('roughIn');
  const [place, setPlace] = useState('');
  const [text, setText] = useState('');
  const { corrections } = site.book;
  return (
    <Section title="Corrections">
      {corrections.length === 0 ? (
        <p className="text-[13.5px]">
          What the inspector asks to be put right is noted here, and stands against the walk until it is
          cleared.
        </p>
      ) : null}
      <ul>
        {corrections.map((one) => (
          <CorrectionRow key={one.record.id} job={job} correction={one} site={site} />
        ))}
      </ul>
      <form
        className="grid items-end gap-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          site.put('correction', place === '' ? { kind: 'job', id: job.id } : { kind: 'box', id: place }, {
            walk,
            text: text.trim(),
          });
          setText('');
        }}
      >
        <WalkSelect value={walk} onChange={setWalk} />
        <Field label="Where">
          <Select value={place} onChange={(event) => setPlace(event.target.value)}>
            <option value="">The whole job</option>
            {job.boxes.map((box) => (
              <option key={box.id} value={box.id}>
                {box.name}
              </option>
            ))}
          </Select>
        </Field>
        <div className="sm:col-span-2">
          <Field label="What is to be put right">
            <TextInput value={text} maxLength={1000} onChange={(event) => setText(event.target.value)} />
          </Field>
        </div>
        <Button type="submit" look="main" className="justify-self-start" disabled={text.trim() === ''}>
          Note it
        </Button>
      </form>
    </Section>
  );
};

/** Permit, inspections asked for and held, and what the inspector asked to be put right: all on record, nothing overwritten. */
export const Inspections = ({ job, site }: { job: Job; site: Site }) => (
  <div className="flex flex-col gap-4">
    <InitialsField initials={site.initials} onChange={site.setInitials} />
    {site.waiting ? (
      <p role="status" className="text-[13.5px]">
        No connection: what you put on record is kept here and sent when it is back.
      </p>
    ) : null}
    <Permit job={job} site={site} />
    <Held job={job} site={site} />
    <Corrections job={job} site={site} />
  </div>
);
