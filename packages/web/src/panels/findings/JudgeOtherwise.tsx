import { useState } from 'react';
import type { Amendment, Finding } from '@amber/core';
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

/** The local authority sees a rule otherwise: another severity for it in this job, with a note why. */
export const JudgeOtherwise = ({ finding }: { finding: Finding }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  const [severity, setSeverity] = useState<Severity>('waived');
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
  const others = job.amendments.filter((one) => !(one.kind === 'severity' && one.rule === finding.rule));
  const keep = () =>
    edit(
      {
        ...job,
        amendments: [
          ...others,
          {
            kind: 'severity',
            id: `severity:${finding.rule}`,
            scope: 'job',
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
      <Field label="In this job it is">
        <Select value={severity} onChange={(event) => setSeverity(event.target.value as Severity)}>
          {WORDS.map(([value, words]) => (
            <option key={value} value={value}>
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
