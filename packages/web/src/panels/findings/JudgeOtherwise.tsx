import { useState } from 'react';
import {
  digestOf,
  findBox,
  findCircuit,
  findGroup,
  findRoom,
  type Amendment,
  type Finding,
  type Job,
  type Scope,
} from '@amber/core';
import { useAppSelector } from '../../store/store.js';
import { useEdit } from '../../store/review.js';
import { Button, Field, Select, TextInput } from '../../parts/ui.js';

type Severity = Extract<Amendment, { kind: 'severity' }>['severity'];

const WORDS: [Severity, string][] = [
  ['violation', 'Violation'],
  ['caution', 'Caution'],
  ['verify', 'To be verified on site'],
  ['waived', 'Waived'],
];

const isSame = (a: Scope, b: Scope): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Where a judgement of this finding may hold: everywhere in the job, or only where it was found. */
const scopesOf = (job: Job, { at }: Finding): { words: string; scope: Scope }[] => {
  const box = findBox(job, at.box);
  const room = findRoom(job, at.room ?? box?.room ?? findGroup(job, at.group)?.room);
  const circuit = findCircuit(job, at.circuit ?? findGroup(job, at.group)?.circuit);
  return [
    { words: 'In the whole job', scope: 'job' },
    ...(circuit ? [{ words: `In the circuit ${circuit.name}`, scope: { circuit: circuit.id } }] : []),
    ...(room ? [{ words: `In ${room.name}`, scope: { room: room.id } }] : []),
    ...(box ? [{ words: `At ${box.name} alone`, scope: { box: box.id } }] : []),
  ];
};

/** The local authority sees a rule otherwise: another severity for it, in the job or a part of it, with a note why. */
export const JudgeOtherwise = ({ finding }: { finding: Finding }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  const [severity, setSeverity] = useState<Severity>('waived');
  const [place, setPlace] = useState(0);
  if (!job) return null;
  if (!open)
    return (
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="block min-h-10 text-left text-[13px] text-quiet underline underline-offset-3"
      >
        {finding.amendment === null ? 'The local authority sees it otherwise' : 'Change the local amendment'}
      </button>
    );
  const scopes = scopesOf(job, finding);
  const scope = scopes[place]?.scope ?? 'job';
  const others = job.amendments.filter(
    (one) => !(one.kind === 'severity' && one.rule === finding.rule && isSame(one.scope, scope)),
  );
  const keep = () =>
    edit(
      {
        ...job,
        amendments: [
          ...others,
          {
            kind: 'severity',
            id: `severity:${finding.rule}${scope === 'job' ? '' : `:${digestOf(scope)}`}`,
            scope,
            rule: finding.rule,
            severity,
            note: note.trim(),
          },
        ],
      },
      'local amendment',
    );
  return (
    <form
      className="mt-2 flex flex-col gap-2 rounded-md border border-line p-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
        setOpen(false);
      }}
    >
      <Field label="It is taken as">
        <Select value={severity} onChange={(event) => setSeverity(event.target.value as Severity)}>
          {WORDS.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Where">
        <Select value={place} onChange={(event) => setPlace(Number(event.target.value))}>
          {scopes.map(({ words }, i) => (
            <option key={words} value={i}>
              {words}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Who says so, and why">
        <TextInput value={note} maxLength={2000} onChange={(event) => setNote(event.target.value)} />
      </Field>
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main" disabled={note.trim() === ''}>
          Keep
        </Button>
        {finding.amendment === null ? null : (
          <Button onClick={() => edit({ ...job, amendments: others }, 'no local amendment')}>
            Take the amendment out
          </Button>
        )}
        <Button look="bare" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </div>
    </form>
  );
};
