import { matchPath } from 'react-router';

/**
 * Every address of the pages is made here, and none is put together elsewhere. A part of it that names something is written so that it
 * stays one part; words of the program stand at places of their own, so that an id may be any word.
 *
 *     /jobs/JOB/SCREEN                     a screen of the whole job
 *     /jobs/JOB/circuits/CIRCUIT/SCREEN    the same for one circuit
 *     ?wiring=WIRING                       of a wiring as found, existing or built; the planned one without it
 *     ?change                              on the runs: a change of what is there is begun
 *     ?walk=STOP                           of the demo: a stop of the walk through it
 *     /practice?job=JOB&circuit=CIRCUIT    a circuit of one's own is made up for practice
 *     ?find, ?wires                        on the test sheet: the fault is looked for, or wires that nobody knows
 *
 * The screen that a job opens with has no word.
 */
const part = (id: string): string => encodeURIComponent(id);

export const JOBS_PATH = '/';
/** A box that is in no job. */
export const WORKSHEET_PATH = '/worksheet';
/** The shop: catalog, prices, labour units. */
export const SHOP_PATH = '/shop';
export const PRACTICE_PATH = '/practice';
/** A circuit of one's own, to be made up. */
export const practisePath = (job: string, circuit: string): string =>
  `${PRACTICE_PATH}?${new URLSearchParams({ job, circuit }).toString()}`;
/** The circuit that an address of practice asks for; null for none. */
export const practisedIn = (search: string): { job: string; circuit: string } | null => {
  const asked = new URLSearchParams(search);
  const [job, circuit] = [asked.get('job'), asked.get('circuit')];
  return job === null || circuit === null ? null : { job, circuit };
};
export const JOB_PATTERN = '/jobs/:jobId/*';
const WIRING = 'wiring';
/** The word of the screen that begins a circuit. */
export const START = 'start';

/** What a screen is asked to show. */
export interface Shown {
  /** Word of the screen; empty for the bench. */
  screen?: string;
  /** Left out for all circuits. */
  circuit?: string | null;
  /** Left out for the planned wiring. */
  wiring?: string | null;
}

export const jobPath = (job: string, { screen = '', circuit = null, wiring = null }: Shown = {}): string => {
  const parts = ['', 'jobs', part(job)];
  if (circuit !== null) parts.push('circuits', part(circuit));
  if (screen !== '') parts.push(screen);
  const query = wiring === null ? '' : `?${new URLSearchParams({ [WIRING]: wiring }).toString()}`;
  return parts.join('/') + query;
};

export const benchPath = (
  job: string,
  circuit: string | null = null,
  wiring: string | null = null,
): string =>
  circuit === null && wiring !== null
    ? jobPath(job, { screen: 'bench', wiring })
    : jobPath(job, { circuit, wiring });
export const layoutPath = (job: string, circuit: string | null = null): string =>
  jobPath(job, { screen: 'layout', circuit });
/** Every way to wire a circuit, over its layout. */
export const runsPath = (job: string, circuit: string): string => jobPath(job, { screen: 'runs', circuit });
/** Every box of the job, or of one circuit, with what fills it. */
export const boxesPath = (job: string, circuit: string | null = null): string =>
  jobPath(job, { screen: 'boxes', circuit });
/** Boxes, with a worksheet that this browser keeps about to be put into the job. */
export const worksheetIntoPath = (job: string, sheet: string): string =>
  `${boxesPath(job)}?worksheet=${encodeURIComponent(sheet)}`;
/** The worksheet that an address brings; null for none. */
export const worksheetIn = (search: string): string | null => new URLSearchParams(search).get('worksheet');
/** The job as an inspector walks it, or one circuit of it. */
export const checkPath = (job: string, circuit: string | null = null): string =>
  jobPath(job, { screen: 'check', circuit });
/** What to buy and cut for the job, or for one circuit of it. */
export const orderPath = (job: string, circuit: string | null = null): string =>
  jobPath(job, { screen: 'order', circuit });
/** The test sheet of the job, or of one circuit of it. */
export const provePath = (job: string, circuit: string | null = null, wiring: string | null = null): string =>
  jobPath(job, { screen: 'prove', circuit, wiring });
const PROVE_PARTS = ['find', 'wires'] as const;
type ProvePart = (typeof PROVE_PARTS)[number];
const provePart = (part: ProvePart) => (job: string, circuit: string) => `${provePath(job, circuit)}?${part}`;
/** The finder, for a circuit. */
export const findPath = provePart('find');
/** Which of its wires is which. */
export const wiresPath = provePart('wires');
/** The part of the test sheet that an address asks for. */
export const provePartIn = (search: string): ProvePart | null =>
  PROVE_PARTS.find((part) => new URLSearchParams(search).has(part)) ?? null;
/** Every save of a job, and the way back to it. */
export const historyPath = (job: string): string => jobPath(job, { screen: 'history' });
export const startPath = (job: string): string => jobPath(job, { screen: START });

/** The patterns under which a screen of a word is met: for the whole job, and for one circuit. */
const patternsOf = (screen: string): [job: string, circuit: string] => {
  const word = screen === '' ? '' : `/${screen}`;
  return [`/jobs/:jobId${word}`, `/jobs/:jobId/circuits/:circuitId${word}`];
};

/** What a part of an address names: the id as it was before it was written there. What is no such writing is taken as it is. */
const idOf = (written: string | undefined): string | null => {
  if (written === undefined) return null;
  try {
    return decodeURIComponent(written);
  } catch {
    return written;
  }
};

/** The job that an address is inside of; null outside of any. */
export const jobIn = (pathname: string): string | null =>
  idOf(matchPath(JOB_PATTERN, pathname)?.params.jobId);

/** Does an address show the screen of a word: of a circuit by its id, of the whole job (null), or not at all (undefined)? */
export const circuitAt = (screen: string, pathname: string): string | null | undefined => {
  const [ofJob, ofCircuit] = patternsOf(screen);
  const circuit = matchPath(ofCircuit, pathname)?.params['circuitId'];
  if (circuit !== undefined) return idOf(circuit);
  return matchPath(ofJob, pathname) ? null : undefined;
};

/** Where a change of what is there is begun: on the runs of its circuit. */
export const changePath = (job: string, circuit: string): string =>
  `${jobPath(job, { screen: 'runs', circuit })}?change`;

/** Does an address ask for a change of what is there? */
export const changeIn = (search: string): boolean => new URLSearchParams(search).has('change');

/** The id of the wiring that an address asks for; null for the planned one. */
export const wiringIn = (search: string): string | null => new URLSearchParams(search).get(WIRING);

/** The job that comes with the program. */
export const DEMO_JOB = 'heron-yard';
const WALK = 'walk';
/** A screen of the demo, as a stop of the walk through it, counted from 0. */
export const walkPath = (shown: Shown, stop: number): string => `${jobPath(DEMO_JOB, shown)}?${WALK}=${stop}`;
/** The stop of the walk that an address is; null for none. */
export const walkIn = (search: string): number | null => {
  const stop = new URLSearchParams(search).get(WALK);
  return stop !== null && /^\d$/.test(stop) ? Number(stop) : null;
};

export const DEVICES_PATH = '/devices';
/** Files that the server gives, which the browser follows by itself. */
export const jobFilePath = (job: string): string => `/api/jobs/${part(job)}/file`;
/** The job with its pictures and records, for a colleague. */
export const jobSharedPath = (job: string): string => `/api/jobs/${part(job)}/shared`;
export const certificatePath = '/api/access/certificate';
export const picturePath = (hash: string): string => `/api/pictures/${part(hash)}`;
