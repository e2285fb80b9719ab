import {
  cutLength,
  feetInches,
  findBox,
  findCable,
  isUntoldFeed,
  lengthRestOf,
  PANEL,
  UNKNOWN_PLACE,
  type LengthRest,
  type RunStrip,
  type StripEdge,
} from '@amber/core';
import type { Subject } from './useSubject.js';

const placeOf = (subject: Subject, strip: RunStrip, id: string): string => {
  const place = strip.nodes.find((node) => node.id === id)?.place;
  if (place === PANEL) return 'the panel';
  return place === undefined || place === UNKNOWN_PLACE
    ? 'where nobody knows'
    : (findBox(subject.job, place)?.name ?? '');
};

const REST_WORDS: Record<LengthRest, string> = {
  estimated: 'est. cut ',
  rough: 'about ',
  guessed: 'guess cut ',
  measured: 'cut ',
  unknown: 'cut ',
};

/** How long a cable of the strip is cut, or that it is there already; as picture and words say it. */
export const sayRunLength = (subject: Subject, edge: StripEdge): string => {
  const cable = findCable(subject.wiring, edge.cable);
  if (edge.existing) return cable !== undefined && isUntoldFeed(subject.job, cable) ? 'as found' : 'existing';
  const cut = cable ? cutLength(subject.job, cable) : null;
  return cable === undefined || cut === null
    ? ''
    : `${REST_WORDS[lengthRestOf(subject.job, cable)]}${feetInches(cut.cut)}`;
};

/** The run in sentences, for who does not see it: each cable, from where to where. */
export const runInWords = (subject: Subject, strip: RunStrip): string[] =>
  strip.edges.map((edge) => {
    const cable = findCable(subject.wiring, edge.cable);
    const name = cable !== undefined && isUntoldFeed(subject.job, cable) ? 'A supply as found' : edge.name;
    const ends = [edge.from, edge.to].map((id) => placeOf(subject, strip, id));
    const length = sayRunLength(subject, edge) || 'its length is not known';
    return `${name} from ${ends.join(' to ')}, ${length}`;
  });
