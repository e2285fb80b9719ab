import { History, Plus } from 'lucide-react';
import { lazy, type ComponentType } from 'react';
import type { Circuit, Job, JobReview } from '@amber/core';
import { circuitAt } from '../parts/paths.js';
import {
  BoxIcon,
  CoilIcon,
  DeviceIcon,
  PlanIcon,
  RunIcon,
  TagIcon,
  TesterIcon,
  type IconProps,
} from '../parts/tradeIcons.js';

/** What a screen is given that shows the whole job or, where a circuit is given, that part of it. */
export interface JobScreenProps {
  job: Job;
  circuit: Circuit | null;
  /** The wiring that the address asks for; null for the planned one. */
  wiring: string | null;
}
/** The same of one that shows a circuit. */
export interface CircuitScreenProps extends JobScreenProps {
  circuit: Circuit;
}

/** One screen of a job. */
export type Screen = {
  /** What it is called on the rail and where it fails. */
  label: string;
  /** Its word in the address; none for the screen that a job opens with. */
  word: string;
  icon: ComponentType<IconProps>;
  /** Stands on the rail, in the order of the work. */
  rail: boolean;
  /** It can show all circuits at once. */
  all?: boolean;
  /** It goes on as it is while another circuit, or the first one, is made. */
  staysFor: 'job' | 'circuit';
  /** What takes long of showing a circuit, in steps: done before it is shown first, so that the page answers meanwhile. */
  ready?: () => Promise<(review: JobReview, circuit: Circuit) => Generator<undefined, void>>;
} & (JobView | CircuitView);

interface JobView {
  scope: 'job';
  load: () => Promise<unknown>;
  View: ComponentType<JobScreenProps>;
}
/** Shows one circuit, and goes to the first where none is named. */
interface CircuitView {
  scope: 'circuit';
  load: () => Promise<unknown>;
  View: ComponentType<CircuitScreenProps>;
}

/** A view that is loaded when it is first shown, or a little before: one that is there is shown at once, without waiting for its promise. */
const loadedView = <P>(load: () => Promise<ComponentType<P>>) => {
  let there: { default: ComponentType<P> } | null = null;
  const kept = async () => (there = { default: await load() });
  const atOnce = (told: { default: ComponentType<P> }) =>
    ({ then: (shown: (view: typeof told) => void) => shown(told) }) as Promise<typeof told>;
  return { load: kept, View: lazy(() => (there ? atOnce(there) : kept())) };
};
const jobView = (load: () => Promise<ComponentType<JobScreenProps>>): JobView => ({
  scope: 'job',
  ...loadedView(load),
});
const circuitView = (load: () => Promise<ComponentType<CircuitScreenProps>>): CircuitView => ({
  scope: 'circuit',
  ...loadedView(load),
});

/**
 * The one table of screens: rail, routes, menus and addresses come from it. A new screen is a folder under `screens` and a line here.
 */
export const SCREENS: readonly Screen[] = [
  {
    ...{ label: 'Layout', word: 'layout', icon: PlanIcon, rail: true },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/layout/LayoutScreen.js')).LayoutScreen),
  },
  {
    ...{ label: 'Runs', word: 'runs', icon: RunIcon, rail: true },
    staysFor: 'circuit',
    ...circuitView(async () => (await import('../screens/runs/RunsScreen.js')).RunsScreen),
  },
  {
    ...{ label: 'Bench', word: '', icon: DeviceIcon, rail: true, all: true },
    staysFor: 'circuit',
    ready: async () => (await import('../wiring/plannedDrawing.js')).drawnInSteps,
    ...jobView(async () => (await import('../screens/bench/BenchScreen.js')).BenchScreen),
  },
  {
    ...{ label: 'Boxes', word: 'boxes', icon: BoxIcon, rail: true, all: true },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/boxes/BoxesScreen.js')).BoxesScreen),
  },
  {
    ...{ label: 'Check', word: 'check', icon: TagIcon, rail: true, all: true },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/check/CheckScreen.js')).CheckScreen),
  },
  {
    ...{ label: 'Order', word: 'order', icon: CoilIcon, rail: true, all: true },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/order/OrderScreen.js')).OrderScreen),
  },
  {
    ...{ label: 'Prove', word: 'prove', icon: TesterIcon, rail: true, all: true },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/prove/ProveScreen.js')).ProveScreen),
  },
  {
    ...{ label: 'History', word: 'history', icon: History, rail: false, all: true },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/history/HistoryScreen.js')).HistoryScreen),
  },
  {
    ...{ label: 'Start', word: 'start', icon: Plus, rail: false },
    staysFor: 'job',
    ...jobView(async () => (await import('../screens/start/StartCircuit.js')).StartCircuit),
  },
];

/** The screen that a job opens with has a word too, where all its circuits are meant. */
const WHOLE_JOB = 'bench';

export interface Found {
  screen: Screen;
  circuitId: string | null;
  /** The address names the screen and no circuit: the whole job is meant. */
  whole: boolean;
}

/** The screen of an address inside a job, and the circuit that it names; null where there is none. */
export const screenAt = (pathname: string): Found | null => {
  for (const screen of SCREENS) {
    const circuitId = circuitAt(screen.word, pathname);
    if (circuitId !== undefined)
      return { screen, circuitId, whole: circuitId === null && screen.word !== '' };
    if (screen.word === '' && circuitAt(WHOLE_JOB, pathname) === null)
      return { screen, circuitId: null, whole: true };
  }
  return null;
};
