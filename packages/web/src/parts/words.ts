import { findBox, PANEL, type Access, type Job, type Route, type Slot } from '@amber/core';

export const ROUTE_WORDS: Record<Route, string> = {
  over: 'over the ceiling',
  through: 'level through the studs',
  under: 'under the floor',
};
export const ACCESS_WORDS: Record<Access, string> = {
  open: 'open framing',
  attic: 'from the attic',
  basement: 'from the basement',
  fished: 'fished in finished walls',
};

/** How much is said of a step or a finding, each with all before it. */
export const DEPTH_WORDS = ['Do it', 'Understand it', 'The code'] as const;

export const DEVICE_WORDS: Record<Slot['role'], string> = {
  switch: 'Switch',
  dimmer: 'Dimmer',
  timer: 'Timer',
  occupancySensor: 'Occupancy sensor',
  receptacle: 'Receptacle',
  switchReceptacle: 'Switch and receptacle',
};

export const placeName = (job: Job, place: string): string =>
  place === PANEL ? 'Panel' : (findBox(job, place)?.name ?? place);
