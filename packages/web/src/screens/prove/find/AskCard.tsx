import { useState, type ReactNode } from 'react';
import type { DiagnosisTold, LuminaireId, QuestionTold, Reply, SeenLight } from '@amber/core';
import { Cautions } from '../../../parts/Cautions.js';
import { Button } from '../../../parts/ui.js';

type Loads = DiagnosisTold['loads'];

const WORDS: Record<Loads[number]['unit'], Record<SeenLight, string>> = {
  luminaire: { lit: 'Lit', dark: 'Dark', dim: 'Dim', flickers: 'Flickers' },
  nightLight: { lit: 'Lit', dark: 'Dark', dim: 'Dim', flickers: 'Flickers' },
  fan: { lit: 'Runs', dark: 'Stands', dim: 'Runs weak', flickers: 'Comes and goes' },
  ventFan: { lit: 'Runs', dark: 'Stands', dim: 'Runs weak', flickers: 'Comes and goes' },
  onward: { lit: 'Fed', dark: 'Not fed', dim: 'Fed weakly', flickers: 'Comes and goes' },
};
const KINDS: readonly SeenLight[] = ['lit', 'dark', 'dim', 'flickers'];

/** What each load does, load by load where they differ. */
const Lights = ({
  loads,
  can,
  onAnswer,
}: {
  loads: Loads;
  can: boolean;
  onAnswer: (reply: Reply) => void;
}) => {
  const [apart, setApart] = useState(false);
  const [tripped, setTripped] = useState(false);
  const [seen, setSeen] = useState<Record<LuminaireId, SeenLight>>({});
  const all = (word: SeenLight) =>
    onAnswer({
      kind: 'lights',
      seen: Object.fromEntries(loads.map(({ id }) => [id, word])),
    });
  const [first] = loads;
  const words = WORDS[first?.unit ?? 'luminaire'];
  const many = loads.length > 1;
  if (tripped)
    return (
      <div className="grid grid-cols-2 gap-2">
        <p className="col-span-2 text-[14.5px]">Leave it off. When did it trip?</p>
        <Button className="min-h-14" onClick={() => onAnswer({ kind: 'tripped', when: 'atOnce' })}>
          At once
        </Button>
        <Button className="min-h-14" onClick={() => onAnswer({ kind: 'tripped', when: 'later' })}>
          After a while
        </Button>
        <Button look="bare" className="col-span-2" onClick={() => setTripped(false)}>
          Back
        </Button>
      </div>
    );
  return (
    <div className="flex flex-col gap-3">
      {apart ? (
        <>
          <ul className="divide-y divide-line border-y border-line">
            {loads.map(({ id, name, unit }) => (
              <li key={id} className="flex flex-wrap items-center gap-2 py-1.5">
                <span className="min-w-0 flex-1 basis-32 text-[14px] font-semibold break-words">{name}</span>
                {KINDS.map((kind) => (
                  <button
                    key={kind}
                    type="button"
                    aria-pressed={seen[id] === kind}
                    aria-label={`${name}: ${WORDS[unit][kind]}`}
                    onClick={() => setSeen({ ...seen, [id]: kind })}
                    className="min-h-11 rounded-md border border-line px-2.5 text-[13.5px] font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
                  >
                    {WORDS[unit][kind]}
                  </button>
                ))}
              </li>
            ))}
          </ul>
          <div className="flex gap-2">
            <Button
              look="main"
              className="min-h-12"
              disabled={!can || Object.keys(seen).length === 0}
              onClick={() => onAnswer({ kind: 'lights', seen })}
            >
              That is what they do
            </Button>
            <Button look="bare" onClick={() => setApart(false)}>
              Back
            </Button>
          </div>
        </>
      ) : (
        <div className="grid grid-cols-2 gap-2">
          <Button className="min-h-16 text-[16px]" disabled={!can} onClick={() => all('lit')}>
            {many ? `All ${words.lit.toLowerCase()}` : words.lit}
          </Button>
          <Button className="min-h-16 text-[16px]" disabled={!can} onClick={() => all('dark')}>
            {many ? `All ${words.dark.toLowerCase()}` : words.dark}
          </Button>
          <Button className="min-h-12" disabled={!can} onClick={() => setApart(true)}>
            {many ? 'Not all alike …' : 'Something else …'}
          </Button>
          <Button className="min-h-12" disabled={!can} onClick={() => setTripped(true)}>
            The breaker tripped …
          </Button>
        </div>
      )}
    </div>
  );
};

/** One question: what endangers, what is done, what is to be seen, and what each answer would mean. */
export const AskCard = ({
  question,
  loads,
  can,
  onAnswer,
  children,
}: {
  question: QuestionTold;
  loads: Loads;
  /** What it is held against. */
  children?: ReactNode;
  can: boolean;
  onAnswer: (reply: Reply) => void;
}) => (
  <div className="rounded-lg border-2 border-ink bg-white p-4">
    <Cautions cautions={question.cautions} className="mb-3" />
    {question.steps.map((words) => (
      <p key={words} className="text-[17px] leading-snug font-bold">
        {words}
      </p>
    ))}
    {children}
    <p className="mt-1.5 mb-3 text-[16px]">{question.ask}</p>
    {question.question.kind === 'flip' ? (
      <Lights loads={loads} can={can} onAnswer={onAnswer} />
    ) : (
      <div className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        {question.options.map(({ word, label }) => (
          <Button
            key={word}
            className="min-h-14 text-[15px]"
            disabled={!can}
            onClick={() => onAnswer({ kind: 'is', word })}
          >
            {label}
          </Button>
        ))}
      </div>
    )}
    <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1">
      <Button look="bare" disabled={!can} onClick={() => onAnswer({ kind: 'cannot' })}>
        It cannot be tried
      </Button>
    </div>
    <details className="mt-1 text-[14px]">
      <summary className="min-h-10 cursor-pointer py-2 font-semibold">
        Why this, and what it would tell
      </summary>
      <p>{question.why}</p>
      {question.answers.length > 0 ? (
        <ul className="mt-1 divide-y divide-line border-y border-line">
          {question.answers.map(({ word, label, then }) => (
            <li key={word} className="py-1.5">
              <strong className="block first-letter:uppercase">{label}</strong>
              <span className="text-quiet">
                {then.length > 0
                  ? `then look at ${then.join(', ')}`
                  : 'then nothing is more likely than the rest'}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
    </details>
  </div>
);
