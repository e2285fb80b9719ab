import { lazy } from 'react';
import { BrowserRouter, Route, Routes } from 'react-router';
import { CONTRACT } from '@amber/core';
import { Boundary } from '../parts/Boundary.js';
import {
  DEVICES_PATH,
  jobIn,
  JOB_PATTERN,
  PRACTICE_PATH,
  SHOP_PATH,
  WORKSHEET_PATH,
} from '../parts/paths.js';
import { askEarly } from '../server/client.js';
import { Gate } from './Gate.js';
import { Frame } from './Frame.js';
import { NotFound } from './NotFound.js';
import { screenAt } from './screens.js';

/** The list of jobs does not wait for what only an open job needs, nor a job for the list. */
const loadJobs = async () => ({ default: (await import('../screens/jobs/JobsScreen.js')).JobsScreen });
const JobsScreen = lazy(loadJobs);
const WorksheetScreen = lazy(async () => ({
  default: (await import('../screens/worksheet/WorksheetScreen.js')).WorksheetScreen,
}));
const ShopScreen = lazy(async () => ({
  default: (await import('../screens/shop/ShopScreen.js')).ShopScreen,
}));
const PracticeScreen = lazy(async () => ({
  default: (await import('../screens/practice/PracticeScreen.js')).PracticeScreen,
}));
const DevicesScreen = lazy(async () => ({
  default: (await import('../screens/devices/DevicesScreen.js')).DevicesScreen,
}));
const loadJobShell = async () => ({ default: (await import('./JobShell.js')).JobShell });
const JobShell = lazy(loadJobShell);
// An address inside a job will need both: ask for them before the first render does.
const opened = jobIn(location.pathname);
if (opened !== null) askEarly(CONTRACT.openJob, { id: opened });
// Where one of them does not load, that is told where it is to be shown.
for (const load of opened !== null ? [loadJobShell, screenAt(location.pathname)?.screen.load] : [loadJobs])
  void load?.().catch(() => undefined);

export const App = () => (
  <BrowserRouter>
    <Boundary what="The program" of="program">
      <Gate>
        <Routes>
          <Route element={<Frame />}>
            <Route
              index
              element={
                <Boundary isPage what="The list of jobs" of="jobs">
                  <JobsScreen />
                </Boundary>
              }
            />
            <Route
              path={WORKSHEET_PATH}
              element={
                <Boundary isPage what="The worksheet" of="worksheet">
                  <WorksheetScreen />
                </Boundary>
              }
            />
            <Route
              path={SHOP_PATH}
              element={
                <Boundary isPage what="The shop" of="shop">
                  <ShopScreen />
                </Boundary>
              }
            />
            <Route
              path={PRACTICE_PATH}
              element={
                <Boundary isPage what="Practice" of="practice">
                  <PracticeScreen />
                </Boundary>
              }
            />
            <Route
              path={DEVICES_PATH}
              element={
                <Boundary isPage what="The devices" of="devices">
                  <DevicesScreen />
                </Boundary>
              }
            />
            {/* One shell for every address of a job: going from one screen to another does not open it anew. */}
            <Route path={JOB_PATTERN} element={<JobShell />} />
            <Route path="*" element={<NotFound what="There is nothing at this address." />} />
          </Route>
        </Routes>
      </Gate>
    </Boundary>
  </BrowserRouter>
);
