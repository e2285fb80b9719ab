import { useState } from 'react';
import { RULES, type Amendment, type Catalog } from '@amber/core';
import { RuleForm } from '../../panels/findings/RuleForm.js';
import { Button, Field, Select, SEVERITY_WORD, TextInput } from '../../parts/ui.js';
import type { Shop } from './useShop.js';

type Judged = Extract<Amendment, { kind: 'severity' }>;

const titleOf = (rule: string): string => RULES.find(({ id }) => id === rule)?.title ?? rule;

/** A rule of the program that the local authority judges otherwise, with who says so. */
const JudgeForm = ({ onKeep }: { onKeep: (judged: Judged) => void }) => {
  const [rule, setRule] = useState('');
  const [severity, setSeverity] = useState<Judged['severity']>('violation');
  const [note, setNote] = useState('');
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep({ kind: 'severity', id: `severity:${rule}`, scope: 'job', rule, severity, note: note.trim() });
        setRule('');
        setNote('');
      }}
    >
      <Field label="Rule of the program">
        <Select value={rule} onChange={(event) => setRule(event.target.value)}>
          <option value="">choose</option>
          {RULES.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="It is taken as">
        <Select value={severity} onChange={(event) => setSeverity(event.target.value as Judged['severity'])}>
          {(['violation', 'caution', 'verify', 'waived'] as const).map((one) => (
            <option key={one} value={one}>
              {SEVERITY_WORD[one]}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Who says so, and why">
        <TextInput value={note} maxLength={2000} onChange={(event) => setNote(event.target.value)} />
      </Field>
      <Button type="submit" disabled={rule === '' || note.trim() === ''}>
        Keep
      </Button>
    </form>
  );
};

/** What the local authority asks where the shop works: new jobs begin with it, and a job is told where it has it not. */
export const LocalCode = ({
  catalog: { labour, judgement, defaults },
  shop,
}: {
  catalog: Catalog;
  shop: Shop;
}) => {
  const { amendments } = defaults;
  const set = (next: Amendment[]) =>
    void shop.saveUnits({ labour, judgement, defaults: { ...defaults, amendments: next } });
  const add = (one: Amendment) => set([...amendments.filter(({ id }) => id !== one.id), one]);
  return (
    <div className="flex max-w-5xl flex-col gap-5">
      <p className="max-w-3xl text-[14px] text-quiet">
        The shop’s own notes of what the authority asks beside the code, or judges otherwise. New jobs begin
        with them; a job that is begun says where it has them not. A finding that is waived stays in sight.
      </p>
      {amendments.length === 0 ? (
        <p className="text-[15px]">Nothing yet: the code of the edition is all that is asked.</p>
      ) : (
        <ul aria-label="Local amendments" className="divide-y divide-line border-y border-line">
          {amendments.map((one) => (
            <li key={one.id} className="flex items-start gap-3 py-2">
              <div className="min-w-0 flex-1">
                <p className="font-semibold break-words">
                  {one.kind === 'rule' ? one.title : titleOf(one.rule)}
                </p>
                <p className="text-[13.5px] break-words text-quiet">
                  {SEVERITY_WORD[one.severity]}
                  {one.kind === 'rule' ? '' : ', judged otherwise'}:{' '}
                  {one.kind === 'rule' ? one.text : one.note}
                </p>
              </div>
              <Button
                aria-label={`Take out: ${one.kind === 'rule' ? one.title : titleOf(one.rule)}`}
                onClick={() => set(amendments.filter(({ id }) => id !== one.id))}
              >
                Take out
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
        <section aria-label="A local rule" className="flex flex-col gap-3">
          <h2 className="text-[15px] font-bold">Asked beside the code</h2>
          <RuleForm scopes={[['job', 'The whole job', 'job']]} onAdd={add} />
        </section>
        <section aria-label="Judged otherwise" className="flex flex-col gap-3">
          <h2 className="text-[15px] font-bold">Judged otherwise</h2>
          <JudgeForm onKeep={add} />
        </section>
      </div>
    </div>
  );
};
