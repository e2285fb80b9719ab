import { PANEL, type BoxId, type CircuitId, type Place } from '../model/ids.js';
import { USUAL_LUMINAIRE } from '../model/newJob.js';
import type { CircuitDraft, DraftPlace } from './circuitDraft.js';

/** A place that is not on any run yet. */
export const newPlace = (
  box: BoxId,
  kind: DraftPlace['holds']['kind'],
  name: string,
  from: Place | null,
): DraftPlace => ({
  box,
  name,
  article: null,
  accessible: 'unknown',
  holds: kind === 'luminaire' ? { kind, va: USUAL_LUMINAIRE.va } : { kind },
  from,
  length: null,
});

/** What a new circuit starts from: a room, so many switch locations, one luminaire, and where power enters. */
export interface CircuitStart {
  circuit: CircuitId;
  name: string;
  switches: number;
  powerAt: 'switch' | 'luminaire';
  /** Gives a fresh id for each box. */
  freshBox: () => BoxId;
}

/** A new circuit with its places in a straight run. */
export const newDraft = (start: CircuitStart): CircuitDraft => {
  const kinds: DraftPlace['holds']['kind'][] = Array.from({ length: start.switches }, () => 'switch');
  kinds.splice(start.powerAt === 'switch' ? start.switches : 0, 0, 'luminaire');
  let last: Place = PANEL;
  let switches = 0;
  const places = kinds.map((kind) => {
    const name = kind === 'switch' ? `Switch ${++switches}` : 'Luminaire';
    const place = newPlace(start.freshBox(), kind, name, last);
    last = place.box;
    return place;
  });
  return {
    circuit: start.circuit,
    name: start.name,
    breaker: 15,
    awg: 14,
    room: { name: start.name, kind: 'unknown', wholeFloorVisible: 'unknown' },
    feedAt: PANEL,
    places,
  };
};

/** Puts a place at the end of the run, fed from the one before it. */
export const addPlace = (draft: CircuitDraft, place: DraftPlace): CircuitDraft => ({
  ...draft,
  places: [...draft.places, { ...place, from: draft.places.at(-1)?.box ?? PANEL }],
});

/**
 * Takes a place out; what hung on it hangs on the place that fed it. Where power entered there, it enters at the first
 * of those instead.
 */
export const removePlace = (draft: CircuitDraft, box: BoxId): CircuitDraft => {
  const gone = draft.places.find((one) => one.box === box);
  const rest = draft.places.filter((one) => one.box !== box);
  if (!gone) return draft;
  const wasEntry = gone.from === PANEL || draft.feedAt === box;
  const heir = rest.find((one) => one.from === box) ?? rest[0];
  const feeding = wasEntry && heir ? heir.box : gone.from;
  return {
    ...draft,
    feedAt: draft.feedAt === box ? (heir?.box ?? PANEL) : draft.feedAt,
    places: rest.map((one) => {
      if (wasEntry && one === heir) return { ...one, from: PANEL, length: null };
      return one.from === box ? { ...one, from: feeding, length: null } : one;
    }),
  };
};

export const changePlace = (draft: CircuitDraft, box: BoxId, change: Partial<DraftPlace>): CircuitDraft => ({
  ...draft,
  places: draft.places.map((place) => (place.box === box ? { ...place, ...change } : place)),
});

const place = (draft: CircuitDraft, box: Place) => draft.places.find((one) => one.box === box);

/**
 * Moves a place by one step in the order of the run. Where a place was fed from the one above it, whoever stands there
 * now is; a branch keeps the place it comes from. Lengths of cables that now run elsewhere are forgotten.
 */
export const movePlace = (draft: CircuitDraft, box: BoxId, step: -1 | 1): CircuitDraft => {
  const at = draft.places.findIndex((one) => one.box === box);
  const to = at + step;
  if (at < 0 || to < 0 || to >= draft.places.length) return draft;
  const linked = draft.places.map((one, i) => i > 0 && one.from === draft.places[i - 1]?.box);
  const order = [...draft.places];
  order.splice(to, 0, ...order.splice(at, 1));
  const rootFrom = draft.places[0]?.from ?? PANEL;
  const places = order.map((one, i) => {
    const above = order[i - 1];
    const earlier = order.slice(0, i).some((other) => other.box === one.from) || one.from === PANEL;
    const from = i === 0 ? rootFrom : linked[i] || !earlier ? (above?.box ?? PANEL) : one.from;
    return from === one.from ? one : { ...one, from, length: null };
  });
  const feedAt = draft.feedAt === PANEL ? PANEL : (places[0]?.box ?? PANEL);
  return { ...draft, feedAt, places };
};

/**
 * Lets power enter at a place: by a home run from the panel, or by an existing cable in that box. The runs between the
 * old entry and the new one turn round; no other run changes.
 */
export const setPowerEntry = (draft: CircuitDraft, box: BoxId, by: 'homeRun' | 'existing'): CircuitDraft => {
  const path: DraftPlace[] = [];
  const seen = new Set<string>();
  for (
    let at = place(draft, box);
    at && !seen.has(at.box);
    at = at.from === null ? undefined : place(draft, at.from)
  ) {
    seen.add(at.box);
    path.push(at);
    if (at.box === draft.feedAt) break;
  }
  const entry = path[0];
  if (!entry) return draft;
  const turned = path.map((one, i): DraftPlace => {
    const before = path[i - 1];
    return before
      ? { ...one, from: before.box, length: before.length }
      : { ...one, from: PANEL, length: null };
  });
  const homeLength = path.at(-1)?.from === PANEL && path.length === 1 ? entry.length : null;
  // An existing cable feeds one box; what had a home run of its own hangs on that box.
  const others = draft.places
    .filter((one) => !seen.has(one.box))
    .map((one) => (by === 'existing' && one.from === PANEL ? { ...one, from: box, length: null } : one));
  const places = [...turned, ...others].map((one) =>
    one.box === box ? { ...one, length: homeLength } : one,
  );
  return { ...draft, feedAt: by === 'homeRun' ? PANEL : box, places };
};

/** Where power enters now: the first place that hangs on the panel or holds the existing cable. */
export const powerEntry = (draft: CircuitDraft): { box: BoxId | null; by: 'homeRun' | 'existing' } =>
  draft.feedAt === PANEL
    ? { box: draft.places.find((one) => one.from === PANEL)?.box ?? null, by: 'homeRun' }
    : { box: draft.feedAt, by: 'existing' };
