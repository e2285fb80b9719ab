import { useState } from 'react';
import { Provider } from 'react-redux';
import { readExercise, type SharedExercise } from '@amber/core';
import { FileButton } from '../../parts/FileButton.js';
import { benchStore } from './benchStore.js';
import { MakeUpBench } from './MakeUpBench.js';
import { ShareExercise } from './ShareExercise.js';
import { useUncounted } from './ways.js';

/** An exercise that somebody has made, from a file; or one made to measure here, that may be given to others. */
export const OpenedExercise = ({
  exercise,
  isOwn,
  onLeave,
}: {
  exercise: SharedExercise;
  isOwn: boolean;
  onLeave: () => void;
}) => {
  const [store] = useState(() => benchStore(exercise.job));
  const ways = useUncounted();
  return (
    <Provider store={store}>
      <MakeUpBench
        {...ways}
        title={exercise.title}
        note={exercise.note}
        back="All exercises"
        hiddenBy={exercise.kind === 'findFault' ? 'somebody' : null}
        under={isOwn ? <ShareExercise title={exercise.title} /> : null}
        onMade={NOTHING}
        onAnother={null}
        onLeave={onLeave}
      />
    </Provider>
  );
};
const NOTHING = () => undefined;

/** The way to an exercise in a file; what is wrong with the file is said under it. */
export const OpenExercise = ({ onOpen }: { onOpen: (exercise: SharedExercise) => void }) => {
  const [refusal, setRefusal] = useState<string | null>(null);
  return (
    <>
      <FileButton
        words="Open an exercise"
        label="File of an exercise"
        onFile={(file) =>
          void file?.text().then((text) => {
            const read = readExercise(text);
            setRefusal(
              read.ok ? null : read.faults.map(({ message, path }) => `${message} (${path})`).join(' '),
            );
            if (read.ok) onOpen(read.exercise);
          })
        }
      />
      {refusal === null ? null : (
        <p role="alert" className="basis-full text-[14px] font-semibold text-violation">
          {refusal}
        </p>
      )}
    </>
  );
};
