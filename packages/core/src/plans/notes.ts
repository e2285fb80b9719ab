import { articleOf } from '../model/articles.js';
import { PANEL, type CircuitId, type Place } from '../model/ids.js';
import type { Circuit, Job } from '../model/job.js';
import { boxesOfCircuit, findCircuit, roughRooms } from '../model/lookup.js';
import { lyingCables } from '../model/lying.js';
import { feetInches } from '../model/units.js';
import { runLength } from '../materials/lengths.js';
import { whyNotOffered } from '../planning/carriers.js';
import { listed } from '../words/lists.js';
import { placeName, sayRough } from '../words/places.js';
import { plannedWithout } from './baseline.js';

/** What has to be known to trust a ranking of the plans of a circuit. */
export const notesOf = (job: Job, circuit: CircuitId): string[] => {
  const { circuits } = plannedWithout(job, circuit);
  const named = findCircuit(job, circuit);
  const fromPanel = job.feeds.some((feed) => feed.circuit === circuit && feed.at === PANEL);
  const open = circuits.filter(({ outcome, circuit: { id } }) => id !== circuit && !outcome.ok);
  return [
    ...roughNotes(job, circuit),
    ...guessNotes(job, circuit, fromPanel),
    ...(named ? cablesLeft(job, named) : []),
    ...open.map(
      ({ circuit: { name } }) =>
        `${name} is not planned yet. What it will put into shared boxes is not counted here.`,
    ),
  ];
};

/** Rooms of the circuit as an everyday place begins with them. */
const roughNotes = (job: Job, circuit: CircuitId): string[] => {
  const boxes = boxesOfCircuit(job, circuit);
  const runs = boxes.flatMap((from, i) =>
    boxes.slice(i + 1).map((to) => ({ from, to, ...runLength(job, from, to) })),
  );
  const rooms = roughRooms(job, runs);
  return rooms.length === 0
    ? []
    : [`${sayRough(job, rooms)} Correct its walls on the layout, and say that it is measured.`];
};

/** Where runs are counted at a guess, and how much that is. */
const guessNotes = (job: Job, circuit: CircuitId, fromPanel: boolean): string[] => {
  const boxes = boxesOfCircuit(job, circuit);
  const guessOf = (a: Place, b: Place) => {
    const { length, lengthSource } = runLength(job, a, b);
    return lengthSource === 'guessed' ? length : null;
  };
  const homes = fromPanel ? boxes.flatMap((box) => guessOf(PANEL, box) ?? []) : [];
  const pairs = boxes.flatMap((a, i) => boxes.slice(i + 1).map((b) => ({ a, b, guess: guessOf(a, b) })));
  const guessed = pairs.filter(({ guess }) => guess !== null);
  const unplaced = boxes.filter((box) =>
    pairs.every(({ a, b, guess }) => (a !== box && b !== box) || guess !== null),
  );
  const most = feetInches(Math.max(0, ...guessed.map(({ guess }) => guess ?? 0)));
  return [
    ...(guessed.length === 0
      ? []
      : guessed.length === pairs.length
        ? [`No box has a position and no run is measured: each run is counted at a guess of ${most}.`]
        : unplaced.length > 0
          ? [
              `Nobody has said where ${listed(unplaced.map((box) => placeName(job, box)))} ${unplaced.length > 1 ? 'are' : 'is'}: each run there is counted at a guess of ${most}, until the place is set or the run measured.`,
            ]
          : []),
    ...(homes.length > 0
      ? [
          homes.length === boxes.length
            ? `The panel is not on the plan and no home run is measured: each is counted at a guess of ${feetInches(Math.max(...homes))}.`
            : `The length of some home runs is not known: each of these is counted at a guess of ${feetInches(Math.max(...homes))}.`,
        ]
      : []),
  ];
};

/** Cables that lie there and serve no plan, and why; only those at boxes of the circuit. */
const cablesLeft = (job: Job, circuit: Circuit): string[] => {
  const boxes = new Set<Place>(boxesOfCircuit(job, circuit.id));
  return lyingCables(job)
    .filter(({ between }) => between.some((place) => boxes.has(place)))
    .flatMap((cable) => {
      const [a, b] = cable.between.map((place) => placeName(job, place));
      const article = articleOf(job.stock, 'cable', cable.article);
      const what = `The ${article.name} that lies from ${a} to ${b}`;
      if (cable.circuit === null)
        return [`${what} serves no plan until somebody says which circuit it is of; it may be live.`];
      if (cable.circuit !== circuit.id) return [];
      const why = whyNotOffered(job, circuit, cable);
      if (why === 'beyond')
        return [
          `${what} serves no plan: it is not of copper, or nobody recognised it. This is beyond this program.`,
        ];
      return why === null
        ? []
        : why === 'size'
          ? [`${what} serves no plan: ${article.awg} AWG may not be on ${circuit.breaker} A (240.4(D)).`]
          : [`${what} serves no plan: it has no ground to go on with (250.130(C)).`];
    });
};
