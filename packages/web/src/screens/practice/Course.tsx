import { useId, useState } from 'react';
import { nextOf, type Skill } from '@amber/core';
import { plural } from '../../parts/format.js';
import { Button, Field, TextInput } from '../../parts/ui.js';
import { titleOf, today } from './kinds.js';
import type { Learner } from './learner.js';

/** Who practises, what comes back today, and what is next. */
export const Course = ({
  learner,
  onBegin,
  onSheet,
}: {
  learner: Learner;
  onBegin: (skill: Skill) => void;
  onSheet: () => void;
}) => {
  const [text, setText] = useState(learner.name);
  const names = useId();
  const { back, fresh } = nextOf(learner.standings, today());
  const [first] = back;
  const next = first ?? fresh;
  const isNamed = learner.name.trim() !== '';
  return (
    <section
      aria-label="Course"
      className="flex flex-wrap items-end gap-x-5 gap-y-3 rounded-lg border border-edge bg-sheet p-4"
    >
      <div className="w-52 max-sm:w-full">
        <Field label="Who practises?">
          <TextInput
            value={text}
            maxLength={60}
            list={names}
            autoComplete="off"
            onChange={(event) => {
              setText(event.target.value);
              // One that is picked from the list is whole.
              if (learner.known.includes(event.target.value)) learner.setName(event.target.value);
            }}
            onBlur={() => learner.setName(text)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') learner.setName(text);
            }}
          />
        </Field>
        <datalist id={names}>
          {learner.known.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      </div>
      <div className="min-w-64 flex-1 text-[14.5px]">
        {!isNamed ? (
          <p>
            Say a name, and what you missed comes back after a day, three and ten. No account: whoever works
            here sees the names.
          </p>
        ) : !learner.isThere ? (
          <p role="status">What {learner.name} has practised is fetched …</p>
        ) : (
          <>
            <p role="status" className="font-semibold">
              {back.length > 0
                ? `${plural(back.length, 'exercise comes', 'exercises come')} back today.`
                : 'Nothing comes back today.'}
              {learner.waiting
                ? ' No connection: what you answer is kept here and sent when it is back.'
                : ''}
            </p>
            {next ? (
              <p className="mt-0.5">
                {first ? 'First' : 'Next in the course'}: “{titleOf(next)}”.
              </p>
            ) : (
              <p className="mt-0.5">You have tried all of the course.</p>
            )}
          </>
        )}
      </div>
      {isNamed && learner.isThere ? (
        <div className="flex flex-wrap gap-2">
          {next ? (
            <Button look="main" className="min-h-12" onClick={() => onBegin(next)}>
              {first ? 'Practise what came back' : 'Go on with the course'}
            </Button>
          ) : null}
          <Button className="min-h-12" onClick={onSheet}>
            Sheet of what you can do
          </Button>
        </div>
      ) : null}
    </section>
  );
};
