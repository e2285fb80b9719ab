import { PANEL, type BoxId, type Place } from '../model/ids.js';
import { runFactOf, type Circuit, type Job } from '../model/job.js';
import { runLength } from '../materials/lengths.js';
import type { PlanProblem } from '../planning/problem.js';
import { planJob } from '../planning/planJob.js';
import { sayProblem } from '../planning/sayProblem.js';
import { MOST_CLASSES_LARGE } from '../search/large.js';
import { boxesOf, junctionsOf, switchedGroups } from '../search/orders.js';
import { someLengthsKnown } from '../search/priceTables.js';
import { withChoice } from './measures.js';
import { nameOf } from './words.js';

/** Why a brief cannot be met: what clashes, and how to mend it. */
export interface Refusal {
  title: string;
  reason: string;
  remedy: string;
}

/** Problems that no way of running the cables gets round. */
const WHATEVER_THE_RUN: ReadonlySet<PlanProblem['code']> = new Set<PlanProblem['code']>([
  'NoGroup',
  'GroupWithoutSwitch',
  'GroupWithoutLuminaire',
  'SwitchOnHotGroup',
  'PartElsewhere',
  'NoCableOfSize',
  'NoDeviceInStock',
  'TooManyDevices',
  'ExistingBoxUnknown',
]);

const list = (words: readonly string[]) =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** Places that no chain of allowed runs reaches from a feed. */
const cutOff = (
  job: Job,
  circuit: Circuit,
  from: Place,
  allowed: (a: Place, b: Place) => boolean,
): BoxId[] => {
  const all = [...boxesOf(job, circuit), ...junctionsOf(job)];
  const reached: Place[] = [from];
  for (const at of reached)
    for (const box of all) if (!reached.includes(box) && allowed(at, box)) reached.push(box);
  return boxesOf(job, circuit).filter((box) => !reached.includes(box));
};

/** Hot and neutral are two of the classes of nets that the search tells apart; each switch brings another. */
const MOST_SWITCHES = MOST_CLASSES_LARGE - 2;

/** What stands in the way of any plan, seen before searching. */
export const refusalsOf = (job: Job, circuit: Circuit): Refusal[] => {
  const feeds = job.feeds.filter((feed) => feed.circuit === circuit.id);
  const [feed] = feeds;
  if (!feed)
    return [
      {
        title: `Nobody has said where power for ${circuit.name} comes from`,
        reason: 'A plan starts at the panel or at a box that is fed already.',
        remedy: 'Add a feed to the circuit.',
      },
    ];
  const switches = switchedGroups(job, circuit).reduce((sum, { slots }) => sum + slots.length, 0);
  if (switches > MOST_SWITCHES)
    return [
      {
        title: `${circuit.name} has more switches than are planned together`,
        reason: `It has ${switches}; up to ${MOST_SWITCHES} on one circuit can be searched.`,
        remedy: 'Put some of its groups on another circuit.',
      },
    ];
  const boxes = boxesOf(job, circuit).filter((box) => box !== feed.at);
  const trial = {
    circuit: circuit.id,
    feed: feed.id,
    runs: boxes.map((to, i) => ({ from: i === 0 ? feed.at : (boxes[0] ?? feed.at), to })),
  };
  const { circuits } = planJob(withChoice(job, circuit.id, trial));
  const outcome = circuits.find((plan) => plan.circuit.id === circuit.id)?.outcome;
  const grave =
    outcome && !outcome.ok ? outcome.problems.filter((problem) => WHATEVER_THE_RUN.has(problem.code)) : [];
  if (grave.length > 0) return grave.map((problem) => sayProblem(job, problem));

  const some = someLengthsKnown(job);
  const known = (a: Place, b: Place) =>
    !(a === PANEL || b === PANEL ? some.homeRuns : some.runs) ||
    runLength(job, a, b).length !== null ||
    job.existingCables.some(({ between }) => between.includes(a) && between.includes(b));
  const lawful = (a: Place, b: Place) => runFactOf(job, a, b)?.rule !== 'forbidden';
  const say = (far: readonly BoxId[]) => list(far.map((box) => nameOf(job, box)));
  const perFeed = feeds.map((one) => ({
    at: one.at,
    unknown: cutOff(job, circuit, one.at, known),
    barred: cutOff(job, circuit, one.at, (a, b) => known(a, b) && lawful(a, b)),
  }));
  if (perFeed.some(({ barred }) => barred.length === 0)) return [];
  return perFeed.map(({ at, unknown, barred }) =>
    unknown.length > 0
      ? {
          title: `No length is known of any run that leads from ${nameOf(job, at)} to ${say(unknown)}`,
          reason: 'Other runs of the job have a length. One without would look free beside them.',
          remedy: 'Say where these boxes are, or measure a run to them.',
        }
      : {
          title: `Forbidden runs cut ${say(barred)} off from ${nameOf(job, at)}`,
          reason: 'Every way there is forbidden.',
          remedy: 'Allow one of these runs, or place a junction box on another way.',
        },
  );
};
