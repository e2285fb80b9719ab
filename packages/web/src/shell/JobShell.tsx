import { useEffect, useState } from 'react';
import { Navigate, useLocation, useParams } from 'react-router';
import { useHotkeys } from 'react-hotkeys-hook';
import { NotFound } from './NotFound.js';
import type { Stage } from './stage.js';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { StartCircuit } from '../screens/start/StartCircuit.js';
import { findDraft } from '../store/keptDraft.js';
import { closed, opened, redone, undone } from '../store/jobSlice.js';
import { LayoutScreen } from '../screens/layout/LayoutScreen.js';
import { RunsScreen } from '../screens/runs/RunsScreen.js';
import { askOnce, jobPath, sayAnswer, type StoredJob } from '../server/api.js';
import { Button } from '../parts/ui.js';
import { BenchScreen } from '../screens/bench/BenchScreen.js';
import { benchCleared } from '../store/wiringSlice.js';
import { ConflictBar } from './ConflictBar.js';
import { TopBar } from './TopBar.js';

type Loading =
  { kind: 'loading' } | { kind: 'open' } | { kind: 'missing' } | { kind: 'failed'; message: string };

/** Opens a job from the server, together with what this browser still holds unsaved of it. */
const useOpenJob = (jobId: string) => {
  const dispatch = useAppDispatch();
  const [loading, setLoading] = useState<Loading>({ kind: 'loading' });
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let current = true;
    const isCurrent = () => current;
    const load = async () => {
      setLoading({ kind: 'loading' });
      const answer = await askOnce<StoredJob>(jobPath(jobId));
      if (!isCurrent()) return;
      if (answer.kind === 'ok') {
        const draft = await findDraft(jobId);
        if (!isCurrent()) return;
        dispatch(opened({ stored: answer.value, draft }));
        setLoading({ kind: 'open' });
      } else if (answer.kind === 'refused' && answer.status === 404) setLoading({ kind: 'missing' });
      else setLoading({ kind: 'failed', message: sayAnswer(answer) });
    };
    void load();
    return () => {
      current = false;
      dispatch(closed());
      dispatch(benchCleared());
    };
  }, [jobId, tries, dispatch]);
  return { loading, again: () => setTries((count) => count + 1) };
};

/** The stage that the address names by its last part. */
const useStage = (): Stage => {
  const last = useLocation().pathname.split('/').at(-1);
  return last === 'layout' || last === 'runs' ? last : 'bench';
};

/** Everything inside one job: the bar above, and the circuit of the address. */
export const JobShell = () => {
  const { jobId = '', circuitId } = useParams();
  const stage = useStage();
  const { loading, again } = useOpenJob(jobId);
  const open = useAppSelector((state) => state.job.open);
  const dispatch = useAppDispatch();
  useHotkeys('mod+z', () => void dispatch(undone()), { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', () => void dispatch(redone()), { preventDefault: true });

  if (loading.kind === 'missing') return <NotFound what="There is no such job." />;
  if (loading.kind === 'failed')
    return (
      <div role="alert" className="mx-auto max-w-md p-10">
        <h1 className="text-xl font-bold">This job cannot be opened now</h1>
        <p className="mt-2 mb-5 break-words">{loading.message}</p>
        <Button look="main" onClick={again}>
          Try again
        </Button>
      </div>
    );
  if (loading.kind === 'loading' || open?.document.id !== jobId)
    return <p className="p-8 text-quiet">Opening …</p>;

  const { circuits } = open.document;
  const circuit = circuits.find((one) => one.id === circuitId);
  const [first] = circuits;
  const elsewhere =
    !circuit && circuitId !== 'new' && first ? (
      <Navigate
        replace
        to={`/jobs/${jobId}/circuits/${encodeURIComponent(first.id)}${stage === 'bench' ? '' : `/${stage}`}`}
      />
    ) : null;
  // The layout stays as it is: its first circuit may have been made there just now.
  if (elsewhere && stage !== 'layout') return elsewhere;
  return (
    <>
      {elsewhere}
      <TopBar job={open.document} circuit={circuit ?? null} stage={stage} />
      {open.save.kind === 'conflict' ? <ConflictBar job={open.document} current={open.save.current} /> : null}
      {stage === 'layout' ? (
        <LayoutScreen key={jobId} job={open.document} circuit={circuit ?? null} />
      ) : circuit && stage === 'runs' ? (
        <RunsScreen key={circuit.id} job={open.document} circuit={circuit} />
      ) : circuit ? (
        <BenchScreen key={circuit.id} job={open.document} circuit={circuit} />
      ) : (
        <StartCircuit job={open.document} />
      )}
    </>
  );
};
