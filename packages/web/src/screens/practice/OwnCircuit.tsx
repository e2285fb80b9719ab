import { useEffect, useState } from 'react';
import { Provider } from 'react-redux';
import { useNavigate } from 'react-router';
import { CONTRACT, findCircuit, NOT_PRACTISED, practiseCircuit, type CircuitId } from '@amber/core';
import { jobPath } from '../../parts/paths.js';
import { Button } from '../../parts/ui.js';
import { ask, sayFailed } from '../../server/client.js';
import type { Store } from '../../store/store.js';
import { benchStore } from './benchStore.js';
import { MakeUpBench } from './MakeUpBench.js';
import { ShareExercise } from './ShareExercise.js';
import { useUncounted } from './ways.js';

type Loaded = { kind: 'bench'; store: Store; title: string } | { kind: 'told'; words: string } | null;

/** A circuit of somebody's own job with its wires loose. What is made of it here changes nothing of the job. */
export const OwnCircuit = ({ job: id, circuit }: { job: string; circuit: string }) => {
  const navigate = useNavigate();
  const [loaded, setLoaded] = useState<Loaded>(null);
  const ways = useUncounted();
  useEffect(() => {
    let current = true;
    void ask(CONTRACT.openJob, { ids: { id } }).then((answer) => {
      if (!current) return;
      if (answer.kind !== 'ok') return setLoaded({ kind: 'told', words: sayFailed(answer) });
      const { document } = answer.value;
      const own = practiseCircuit(document, circuit as CircuitId);
      setLoaded(
        own.ok
          ? {
              kind: 'bench',
              store: benchStore(own.job),
              title: `${findCircuit(own.job, circuit)?.name ?? ''}, for practice`,
            }
          : { kind: 'told', words: NOT_PRACTISED[own.why] },
      );
    });
    return () => {
      current = false;
    };
  }, [id, circuit]);
  const leave = () => void navigate(jobPath(id, { circuit }));
  if (loaded?.kind === 'bench')
    return (
      <Provider store={loaded.store}>
        <MakeUpBench
          {...ways}
          title={loaded.title}
          back="Its bench"
          hiddenBy={null}
          under={<ShareExercise title={loaded.title} />}
          onMade={NOTHING}
          onAnother={null}
          onLeave={leave}
        />
      </Provider>
    );
  return (
    <main className="flex flex-1 flex-col items-start gap-4 p-6">
      <h1 className="text-[20px] font-bold">Practice</h1>
      <p role="status" className="max-w-xl text-[15px]">
        {loaded?.words ?? 'The circuit is fetched …'}
      </p>
      {loaded ? <Button onClick={leave}>Back to its bench</Button> : null}
    </main>
  );
};
const NOTHING = () => undefined;
