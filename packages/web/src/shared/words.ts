import { PANEL, type Access, type Job, type Route } from '@amber/core';

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

export const placeName = (job: Job, place: string): string =>
  place === PANEL ? 'Panel' : (job.boxes.find((one) => one.id === place)?.name ?? place);
