import { useState } from 'react';
import { notAnExercise, writeExercise, type Job, type SharedExercise } from '@amber/core';
import { saveFile } from '../../parts/saveFile.js';
import { Button, controlLook, Field, TextInput } from '../../parts/ui.js';
import { useAppSelector } from '../../store/store.js';

const KINDS: { kind: SharedExercise['kind']; words: string }[] = [
  { kind: 'makeUp', words: 'To be made up, from here on' },
  { kind: 'findFault', words: 'With the mistake in it to be found' },
];

/** A name that files may have. */
const fileNameOf = (title: string): string => title.replace(/[^\p{L}\p{N} ,.-]+/gu, ' ').trim() || 'exercise';

const Form = ({ job, title: first }: { job: Job; title: string }) => {
  const [title, setTitle] = useState(first);
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  return (
    <div className="flex flex-col gap-3 pb-2">
      <p className="text-[13.5px]">
        The wires go along as they are now. Make up part of it, or all of it with a mistake; whoever opens the
        file under Practice takes it on from there.
      </p>
      <Field label="What it is called">
        <TextInput value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
      </Field>
      <label className="block text-[13px] font-semibold">
        A word to whoever takes it
        <textarea
          value={note}
          maxLength={2000}
          rows={3}
          onChange={(event) => setNote(event.target.value)}
          className={`${controlLook} mt-1 py-1.5 font-normal`}
        />
      </label>
      {refusal === null ? null : (
        <p role="alert" className="text-[14px] font-semibold text-violation">
          {refusal}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {KINDS.map(({ kind, words }) => (
          <Button
            key={kind}
            disabled={title.trim() === ''}
            onClick={() => {
              const why = notAnExercise({ kind, job });
              setRefusal(why);
              if (why !== null) return;
              const text = writeExercise({ kind, title: title.trim(), note: note.trim(), job });
              saveFile(`${fileNameOf(title)}.exercise.json`, 'application/json', text);
            }}
          >
            {words}
          </Button>
        ))}
      </div>
    </div>
  );
};

/** The way to give an exercise to others, as a file. */
export const ShareExercise = ({ title }: { title: string }) => {
  const job = useAppSelector((state) => state.job.open?.document ?? null);
  return job ? (
    <details className="border-t border-line pt-1 text-[14px]">
      <summary className="min-h-10 cursor-pointer py-2 font-semibold">
        Save it as an exercise for others
      </summary>
      <Form job={job} title={title} />
    </details>
  ) : null;
};
