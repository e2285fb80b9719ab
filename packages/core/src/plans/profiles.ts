import type { Circuit, Job } from '../model/job.js';
import { switchedGroupsOf, switchesOfGroup } from '../model/lookup.js';
import { leastCable, leastCost, leastLabour, mastersChoice, type Weights } from '../search/prices/weights.js';
import { switchedGroups, type Constraints } from '../search/orders.js';
import type { Found, SearchLimits, SearchResult } from '../search/found.js';
import { choiceOf, createSearch } from '../search/search.js';
import { buyLeast } from './buyLeast.js';
import { isTruckTold } from './inTruck.js';
import { priceOfPlan } from './judgedPlan.js';
import { bestWithNeutrals } from './neutralsChosen.js';
import { roomAskedBy } from '../planning/roomAsked.js';
import { withChoice } from './withChoice.js';
import type { Baseline } from './baseline.js';
import { count, type Measures } from './measures.js';

/** What a plan is to be best at. */
export const PROFILES = [
  'mastersChoice',
  'leastCost',
  'buyLeast',
  'roomiest',
  'neutrals',
  'leastCable',
  'leastLabour',
] as const;
export type ProfileId = (typeof PROFILES)[number];

interface Profile {
  title: string;
  /** What is made as small as possible, in words. */
  objective: string;
  weights: (job: Job) => Weights;
}

/** What the search does not add up; said beside every objective. */
export const LEFT_OUT =
  'Proved means: but for staples, tape and tail wire, which the search leaves out. The cost of each plan counts them. New boxes keep the room free that the habits of the job say; under least cost they do not.';

export const profileOf = (id: ProfileId): Profile =>
  ({
    mastersChoice: {
      title: 'Master’s choice',
      objective: 'Material and labour, and what a master pays for by the prices of judgement of the job',
      weights: mastersChoice,
    },
    leastCost: {
      title: 'Least cost',
      objective: 'Material, and labour at the hourly rate of the job; boxes as small as they may be',
      weights: leastCost,
    },
    buyLeast: {
      title: 'Buy least',
      objective:
        'The least cost where cable in the truck counts the share of its price that the job says, as far as it reaches; room in its boxes',
      weights: leastCost,
    },
    roomiest: {
      title: 'Roomiest boxes',
      objective: 'The room left in the box that has least of it; of equals, the least cost',
      weights: leastCost,
    },
    neutrals: {
      title: 'A neutral at every switch',
      objective:
        'The least cost with a neutral in every switch box, ready for electronics, and room in its boxes',
      weights: leastCost,
    },
    leastCable: {
      title: 'Least new cable',
      objective: 'Inches of new cable as cut; of equals, the least cost',
      weights: leastCable,
    },
    leastLabour: {
      title: 'Least labour',
      objective: 'Minutes of labour; of equals, the least cost',
      weights: leastLabour,
    },
  })[id];

/** What a profile makes small, as a plan measures it; null for one that does not do what it asks. */
export const valueBy = (profile: ProfileId, measures: Measures): number | null => {
  const { cost, feet, minutes, savedByTruck, tightest, neutrals, judged } = measures;
  switch (profile) {
    case 'mastersChoice':
      return cost + priceOfPlan(judged);
    case 'leastCost':
      return cost;
    case 'buyLeast':
      return cost - savedByTruck;
    case 'roomiest':
      return tightest && -tightest.left;
    case 'neutrals':
      return neutrals.present < neutrals.all ? null : cost;
    case 'leastCable':
      return feet;
    case 'leastLabour':
      return minutes;
  }
};

/** The switches of a circuit at which a neutral may be wanted: all but those of which somebody has said that none is brought. */
export const everySwitch = (job: Job, circuit: Circuit) =>
  switchedGroupsOf(job, circuit.id).flatMap((group) =>
    switchesOfGroup(job, group.id)
      .filter((slot) => !slot.leaves && slot.neutral !== 'none')
      .map((slot) => slot.id),
  );

/** The profiles that go together with what is asked of a circuit. */
export const profilesFor = (job: Job, circuit: Circuit): readonly ProfileId[] =>
  PROFILES.filter(
    (id) =>
      (id !== 'buyLeast' || isTruckTold(job)) &&
      (id !== 'neutrals' ||
        !switchedGroupsOf(job, circuit.id).some((group) =>
          switchesOfGroup(job, group.id).some((slot) => slot.neutral === 'none'),
        )),
  );

/** So often the box with the least room is asked to leave more, at most. */
const ROOMIER = 12;
const ROOMIER_OF_SEVERAL = 5;

/** The least cost with the most room in the box that has the least of it: more is asked for until nothing fits. */
const roomiest = (
  job: Job,
  circuit: Circuit,
  constraints: Constraints,
  limits: SearchLimits,
  baseline: Baseline,
): SearchResult => {
  const weights = leastCost(job);
  let least = -Infinity;
  let last: SearchResult | null = null;
  let steps = 0;
  const most = switchedGroups(job, circuit).length > 1 ? ROOMIER_OF_SEVERAL : ROOMIER;
  // Only where nothing leaves more was the last the roomiest.
  let isLast = false;
  for (let times = 0; times < most && !isLast && (limits.mayGoOn?.() ?? true); times++) {
    const mostSteps = limits.mostSteps - steps;
    const asked = least > roomAskedBy(job, circuit) ? least : undefined;
    const result = createSearch(job, circuit, { weights, constraints, room: { asked, least } }).least({
      ...limits,
      mostSteps,
      // How far the last is from the least is no part of what is asked.
      thorough: false,
    });
    steps += result.steps;
    if (steps > limits.mostSteps) {
      last = result.best ? result : last;
      break;
    }
    if (result.best) last = result;
    const left = result.best && roomLeftBy(job, circuit, result.best, baseline);
    isLast = left === null;
    least = (left ?? 0) + 1;
  }
  const found = last ?? { best: null, bound: Infinity, proved: false, notTried: [], steps: 0 };
  return { ...found, proved: found.proved && isLast };
};

const roomLeftBy = (job: Job, circuit: Circuit, found: Found, baseline: Baseline): number | null =>
  count(withChoice(job, circuit.id, choiceOf(found)), circuit.id, baseline)?.tightest?.left ?? null;

/** The best plan by one profile. */
export const bestBy = (
  profile: ProfileId,
  job: Job,
  circuit: Circuit,
  constraints: Constraints,
  limits: SearchLimits,
  baseline: Baseline,
): SearchResult => {
  if (profile === 'buyLeast') return buyLeast(job, circuit, constraints, limits, baseline);
  if (profile === 'roomiest') return roomiest(job, circuit, constraints, limits, baseline);
  if (profile === 'mastersChoice')
    return bestWithNeutrals(job, circuit, constraints, limits, everySwitch(job, circuit));
  const neutralAt = profile === 'neutrals' ? everySwitch(job, circuit) : constraints.neutralAt;
  const weights = profileOf(profile).weights(job);
  return createSearch(job, circuit, {
    weights,
    constraints: { ...constraints, neutralAt },
    ...(profile === 'leastCost' ? { room: { asked: 0 } } : {}),
  }).least(limits);
};
