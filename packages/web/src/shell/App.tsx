import { lazy, Suspense } from 'react';
import { BrowserRouter, matchPath, Route, Routes } from 'react-router';
import { JobsScreen } from '../screens/jobs/JobsScreen.js';
import { askEarly, jobPath } from '../server/api.js';
import { Frame } from './Frame.js';
import { NotFound } from './NotFound.js';

/** The bench brings the core and the drawing; the list of jobs does not wait for it. */
const loadJobShell = () => import('./JobShell.js').then((module) => ({ default: module.JobShell }));
const JobShell = lazy(loadJobShell);
// An address inside a job will need both: ask for them before the first render does.
const opened = matchPath('/jobs/:jobId/*', location.pathname)?.params.jobId;
if (opened) {
  askEarly(jobPath(opened));
  void loadJobShell();
}

const Waiting = () => <p className="p-8 text-quiet">Opening …</p>;

export const App = () => (
  <BrowserRouter>
    <Routes>
      <Route element={<Frame />}>
        <Route index element={<JobsScreen />} />
        {/* One shell for every address of a job: going from one stage to another does not open it anew. */}
        <Route
          path="jobs/:jobId"
          element={
            <Suspense fallback={<Waiting />}>
              <JobShell />
            </Suspense>
          }
        >
          <Route index element={<></>} />
          <Route path="layout" element={<></>} />
          <Route path="circuits/:circuitId" element={<></>} />
          <Route path="circuits/:circuitId/layout" element={<></>} />
          <Route path="circuits/:circuitId/runs" element={<></>} />
        </Route>
        <Route path="*" element={<NotFound what="There is nothing at this address." />} />
      </Route>
    </Routes>
  </BrowserRouter>
);
