import { startTransition, useEffect, useState } from 'react';
import { Navigate, useLocation, useParams } from 'react-router';
import { useHotkeys } from 'react-hotkeys-hook';
import { NotFound } from './NotFound.js';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { findDraft } from '../store/keptDraft.js';
import { keptHistory } from '../store/keptHistory.js';
import { closed, opened, redone, undone } from '../store/jobSlice.js';
import { CONTRACT, findCircuit, type Job } from '@amber/core';
import { Boundary, Opening } from '../parts/Boundary.js';
import { benchPath, jobPath, provePath, START, startPath, wiringIn } from '../parts/paths.js';
import { screenAt, type Found } from './screens.js';
import { askOnce, sayFailed } from '../server/client.js';
import { reviewedInSteps } from '../store/review.js';
import { inTurns } from '../parts/inTurns.js';
import { Button } from '../parts/ui.js';
import { wiringCleared } from '../store/wiringSlice.js';
import { ConflictBar } from './ConflictBar.js';
import { GoneBar } from './GoneBar.js';
import { PrintHead } from './PrintHead.js';
import { TopBar } from './bar/TopBar.js';
import { UnreadBar } from './UnreadBar.js';
import { useAskBeforeLeaving } from './useAskBeforeLeaving.js';
import { useNews } from './useNews.js';
import { useReadied } from './useReadied.js';
import { WalkBar } from './WalkBar.js';
import { WiringBar, WiringSwitch } from './WiringBar.js';

/** Where a circuit was begun by addresses of before; a circuit of that name goes first. */
const NEW_CIRCUIT = 'new';

type Loading =
  { kind: 'loading' } | { kind: 'open' } | { kind: 'missing' } | { kind: 'failed'; message: string };

/** Makes ready what the address will show of a job, with turns for the browser in between. */
const ready = async (job: Job): Promise<void> => {
  try {
    const review = await inTurns(reviewedInSteps(job));
    const found = screenAt(location.pathname);
    if (!found) return;
    const circuit = findCircuit(job, found.circuitId);
    const steps = circuit && (await found.screen.ready?.());
    if (steps) await inTurns(steps(review, circuit));
    await found.screen.load();
  } catch {
    // It throws again where it is shown, and is told there.
  }
};

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
      const answer = await askOnce(CONTRACT.openJob, { id: jobId });
      if (!isCurrent()) return;
      if (answer.kind === 'ok') {
        const draft = await findDraft(jobId);
        await ready(draft?.document ?? answer.value.document);
        if (!isCurrent()) return;
        const upTo = draft
          ? { saveId: draft.saveId, revision: draft.parent }
          : { saveId: null, revision: answer.value.revision };
        dispatch(
          opened({
            ...{ stored: answer.value, draft, history: keptHistory(jobId, upTo) },
            ...(answer.keptAt === undefined ? {} : { keptAt: answer.keptAt }),
          }),
        );
        // What a screen shows first is much: it is made ready in parts, and what is tapped meanwhile is answered between them.
        startTransition(() => setLoading({ kind: 'open' }));
      } else if (answer.kind === 'refused' && answer.status === 404) setLoading({ kind: 'missing' });
      else setLoading({ kind: 'failed', message: sayFailed(answer) });
    };
    void load();
    return () => {
      current = false;
      dispatch(closed());
      dispatch(wiringCleared());
    };
  }, [jobId, tries, dispatch]);
  return { loading, again: () => setTries((count) => count + 1) };
};

/** Another address than the one that was asked for, where it leads to nothing: of a circuit that is gone, or of none. */
const elsewhere = (job: Job, { screen, circuitId, whole }: Found, wiring: string | null): string | null => {
  const circuit = findCircuit(job, circuitId);
  const [first] = job.circuits;
  if (circuit || screen.word === START) return null;
  if (circuitId === NEW_CIRCUIT) return startPath(job.id);
  if (wiring !== null && screen.word === '') return whole ? null : benchPath(job.id, null, wiring);
  if (first) return whole && screen.all ? null : jobPath(job.id, { screen: screen.word, circuit: first.id });
  return screen.scope === 'job' && screen.word !== '' ? null : startPath(job.id);
};

/** The screen of the address. */
const Shown = ({ job, found, wiring }: { job: Job; found: Found; wiring: string | null }) => {
  const { screen, circuitId } = found;
  const circuit = findCircuit(job, circuitId) ?? null;
  const key = screen.staysFor === 'job' ? job.id : `${circuit?.id ?? ''} ${wiring ?? ''}`;
  if (screen.scope === 'job') return <screen.View key={key} job={job} circuit={circuit} wiring={wiring} />;
  return circuit ? <screen.View key={key} job={job} circuit={circuit} wiring={wiring} /> : null;
};

/** Everything inside one job: the bar above, and the screen of the address. */
export const JobShell = () => {
  const { jobId = '' } = useParams();
  const { pathname, search } = useLocation();
  const { loading, again } = useOpenJob(jobId);
  const open = useAppSelector((state) => state.job.open);
  const dispatch = useAppDispatch();
  useAskBeforeLeaving();
  useNews(loading.kind === 'open' ? jobId : null);
  useReadied(loading.kind === 'open' ? (open?.document ?? null) : null);
  useHotkeys('mod+z', () => void dispatch(undone()), { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', () => void dispatch(redone()), { preventDefault: true });
  const found = screenAt(pathname);

  if (loading.kind === 'missing') return <NotFound what="There is no such job." />;
  if (!found) return <NotFound what="There is nothing at this address." />;
  if (loading.kind === 'failed')
    return (
      <main className="mx-auto max-w-md p-10">
        <div role="alert">
          <h1 className="text-xl font-bold">This job cannot be opened now</h1>
          <p className="mt-2 mb-5 break-words">{loading.message}</p>
        </div>
        <Button look="main" onClick={again}>
          Try again
        </Button>
      </main>
    );
  if (loading.kind === 'loading' || open?.document.id !== jobId) return <Opening />;

  const job = open.document;
  const asked = wiringIn(search);
  // One that is gone, and the planned one by its id, are the planned one.
  const wiring = job.wirings.some((one) => one.id === asked && one.kind !== 'planned') ? asked : null;
  const to = elsewhere(job, found, wiring);
  const circuit = findCircuit(job, found.circuitId) ?? null;
  // The layout stays as it is: its first circuit may have been made there just now.
  if (to !== null && found.screen.staysFor !== 'job') return <Navigate replace to={to} />;
  return (
    <>
      {to === null ? null : <Navigate replace to={to} />}
      <TopBar job={job} circuit={circuit} screen={found.screen.word} wiring={wiring}>
        {found.screen.word === '' ? (
          <WiringSwitch {...{ job, circuit, wiring }} to={benchPath} begins />
        ) : found.screen.word === 'prove' && job.wirings.some(({ kind }) => kind !== 'planned') ? (
          <WiringSwitch {...{ job, circuit, wiring }} to={provePath} begins={false} />
        ) : null}
      </TopBar>
      {found.screen.word === '' || (found.screen.word === 'prove' && wiring !== null) ? null : (
        <WiringBar job={job} circuit={circuit} />
      )}
      {open.save.kind === 'conflict' ? (
        <ConflictBar job={job} current={open.save.current} clashes={open.save.clashes} />
      ) : null}
      <WalkBar />
      <UnreadBar job={job} />
      {open.save.kind === 'gone' ? <GoneBar job={job} /> : null}
      <PrintHead job={job} circuit={circuit} screen={found.screen.label} />
      <Boundary isPage what={found.screen.label} of={pathname + search}>
        <Shown job={job} found={found} wiring={wiring} />
      </Boundary>
    </>
  );
};
