import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import type { Amendment, Circuit, Job } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Button, Field, Select, TextInput } from '../../parts/ui.js';

type Rule = Extract<Amendment, { kind: 'rule' }>;

/** The scopes that a rule may have, as values of a select. */
const scopesOf = (
  job: Job,
  circuit: Circuit | null,
): [value: string, words: string, scope: Rule['scope']][] => [
  ['job', 'The whole job', 'job'],
  ...(circuit
    ? [
        [`circuit ${circuit.id}`, `Circuit ${circuit.name}`, { circuit: circuit.id }] as [
          string,
          string,
          Rule['scope'],
        ],
      ]
    : []),
  ...job.rooms.map((room): [string, string, Rule['scope']] => [
    `room ${room.id}`,
    `Room ${room.name}`,
    { room: room.id },
  ]),
  ...job.boxes.map((box): [string, string, Rule['scope']] => [
    `box ${box.id}`,
    `Box ${box.name}`,
    { box: box.id },
  ]),
];

/** Rules of the local authority that the code does not have: the user's own, with their place and how grave they are. */
export const OwnRules = ({ job, circuit }: { job: Job; circuit: Circuit | null }) => {
  const edit = useEdit();
  const [title, setTitle] = useState('');
  const [text, setText] = useState('');
  const [severity, setSeverity] = useState<Rule['severity']>('caution');
  const [scope, setScope] = useState('job');
  const own = job.amendments.filter((one): one is Rule => one.kind === 'rule');
  const scopes = scopesOf(job, circuit);
  const add = () => {
    const found = scopes.find(([value]) => value === scope)?.[2] ?? 'job';
    const rule: Rule = {
      kind: 'rule',
      id: crypto.randomUUID(),
      scope: found,
      severity,
      title: title.trim(),
      text: text.trim(),
    };
    edit({ ...job, amendments: [...job.amendments, rule] }, 'local rule');
    setTitle('');
    setText('');
  };
  return (
    <Disclosure as="section" className="border-t border-line">
      <DisclosureButton className="group flex min-h-11 w-full items-center gap-2 text-left font-bold">
        <span className="flex-1">Local rules · {own.length}</span>
        <ChevronDown className="size-4 group-data-open:rotate-180" aria-hidden="true" />
      </DisclosureButton>
      <DisclosurePanel className="flex flex-col gap-3 pb-3">
        <p className="text-[13.5px]">
          What the local authority asks beside the code. It stands among the findings where it applies.
        </p>
        {own.map((one) => (
          <div key={one.id} className="flex items-start gap-2">
            <p className="min-w-0 flex-1 font-semibold break-words">{one.title}</p>
            <Button
              look="bare"
              onClick={() =>
                edit(
                  { ...job, amendments: job.amendments.filter((other) => other.id !== one.id) },
                  'no local rule',
                )
              }
            >
              Take out
            </Button>
          </div>
        ))}
        <form
          className="flex flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            add();
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
                onChange={(event) => setSeverity(event.target.value as Rule['severity'])}
              >
                <option value="violation">Violation</option>
                <option value="caution">Caution</option>
                <option value="verify">Matter for the site</option>
              </Select>
            </Field>
            <Field label="At">
              <Select value={scope} onChange={(event) => setScope(event.target.value)}>
                {scopes.map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </Select>
            </Field>
          </div>
          <Button type="submit" disabled={title.trim() === '' || text.trim() === ''}>
            Add the rule
          </Button>
        </form>
      </DisclosurePanel>
    </Disclosure>
  );
};
