import {
  answerOf,
  answerQuestion,
  questionOf,
  type Box,
  type Circuit,
  type Job,
  type QuestionKind,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { plural } from '../../parts/format.js';
import { Field, Select } from '../../parts/ui.js';

type Fact = [kind: QuestionKind, of: string];

const FactSelect = ({ job, fact: [kind, of] }: { job: Job; fact: Fact }) => {
  const edit = useEdit();
  const { text, why, options } = questionOf(job, kind, of);
  const value = answerOf(job, { kind, of });
  return (
    <Field label={text} hint={why}>
      <Select
        value={value ?? ''}
        onChange={(event) => {
          const picked = options.find((one) => String(one.value) === event.target.value);
          if (picked) edit(answerQuestion(job, { kind, of }, picked.value), 'answer');
        }}
      >
        {value === null ? <option value="">Not answered: taken the strict way</option> : null}
        {options.map((one) => (
          <option key={one.value} value={one.value}>
            {one.words}
          </option>
        ))}
      </Select>
    </Field>
  );
};

/** What the rules have to know and only people can, asked at the thing that it is about. */
export const SiteFacts = ({ job, facts }: { job: Job; facts: readonly Fact[] }) => {
  if (facts.length === 0) return null;
  const open = facts.filter(([kind, of]) => answerOf(job, { kind, of }) === null).length;
  return (
    <details className="rounded-md border border-line">
      <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">
        What the rules ask
        <span className="font-normal text-quiet">
          {open > 0 ? `, ${plural(open, 'answer')} missing` : ', all answered'}
        </span>
      </summary>
      <div className="flex flex-col gap-3 p-3 pt-1">
        {facts.map((fact) => (
          <FactSelect key={fact.join(' ')} job={job} fact={fact} />
        ))}
      </div>
    </details>
  );
};

/** What matters of a box by what is in it. */
export const factsOfBox = (job: Job, box: Box): Fact[] => {
  const switches = job.slots.some((slot) => slot.box === box.id);
  const outside = box.location === 'damp' || box.location === 'wet';
  return [
    ['box.location', box.id],
    ['box.staysAccessible', box.id],
    ...(switches ? ([['box.inTubSpace', box.id]] satisfies Fact[]) : []),
    ...job.luminaires
      .filter((one) => one.box === box.id)
      .flatMap((one): Fact[] => [
        ...(outside ? ([['luminaire.suitedTo', one.id]] satisfies Fact[]) : []),
        ...(one.driverBox !== null ? ([['luminaire.throughWiring', one.id]] satisfies Fact[]) : []),
      ]),
    ...job.feeds.filter((feed) => feed.at === box.id).map((feed): Fact => ['feed.gfciSide', feed.id]),
  ];
};

export const factsOfCircuit = ({ id, purpose }: Circuit): Fact[] => [
  ['circuit.purpose', id],
  ['circuit.afci', id],
  ...(purpose === 'bathroom' ? ([['circuit.oneBathroom', id]] satisfies Fact[]) : []),
];
