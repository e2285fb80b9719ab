import { useState } from 'react';
import type { Amendment } from '@amber/core';
import { Button, Field, Select, TextInput } from '../../parts/ui.js';

export type LocalRule = Extract<Amendment, { kind: 'rule' }>;

/** A scope that a rule may have, as a value of a select. */
export type RuleScope = [value: string, words: string, scope: LocalRule['scope']];

/** A rule of the local authority that the code does not have: what is asked, why, how grave it is and where. */
export const RuleForm = ({
  scopes,
  onAdd,
}: {
  scopes: readonly RuleScope[];
  onAdd: (rule: LocalRule) => void;
}) => {
  const [title, setTitle] = useState('');
  const [text, setText] = useState('');
  const [severity, setSeverity] = useState<LocalRule['severity']>('caution');
  const [scope, setScope] = useState(scopes[0]?.[0] ?? '');
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onAdd({
          kind: 'rule',
          id: crypto.randomUUID(),
          scope: scopes.find(([value]) => value === scope)?.[2] ?? 'job',
          severity,
          title: title.trim(),
          text: text.trim(),
        });
        setTitle('');
        setText('');
      }}
    >
      <Field label="What is asked">
        <TextInput value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
      </Field>
      <Field label="Where it is written, and why">
        <TextInput value={text} maxLength={2000} onChange={(event) => setText(event.target.value)} />
      </Field>
      <div className="grid grid-cols-2 gap-2">
        <Field label="It is a">
          <Select
            value={severity}
            onChange={(event) => setSeverity(event.target.value as LocalRule['severity'])}
          >
            <option value="violation">Violation</option>
            <option value="caution">Caution</option>
            <option value="verify">Matter for the site</option>
          </Select>
        </Field>
        {scopes.length > 1 ? (
          <Field label="At">
            <Select value={scope} onChange={(event) => setScope(event.target.value)}>
              {scopes.map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </Select>
          </Field>
        ) : null}
      </div>
      <Button type="submit" disabled={title.trim() === '' || text.trim() === ''}>
        Add the rule
      </Button>
    </form>
  );
};
