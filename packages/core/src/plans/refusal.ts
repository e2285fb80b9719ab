import { boxesOfCircuit, groupsOfCircuit } from '../model/lookup.js';
import { cubicInches } from '../model/units.js';
import { VOLUME_PER_CONDUCTOR } from '../nec/boxFill.js';
import { titleOf } from '../words/said.js';
import { type BoxId, type Place } from '../model/ids.js';
import { runFactOf, type Circuit, type Job } from '../model/job.js';
import type { PlanProblem } from '../planning/problem.js';
import { planCircuit } from '../planning/planCircuit.js';
import { sayProblem } from '../planning/sayProblem.js';
import { MOST_CLASSES_LARGE } from '../search/descent/largeProblem.js';
import { junctionsOf, switchedGroups } from '../search/orders.js';
import { toPlan } from '../model/toPlan.js';
import { asStood } from './change/asStood.js';
import { withChoice } from './withChoice.js';
import type { Candidate } from './candidates.js';
import { relaxationsOf, sayDemand, type Relaxation } from './relaxations.js';
import { listed } from '../words/lists.js';
import { placeName } from '../words/places.js';

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
  'FedByAnotherCircuit',
]);

/** Places that no chain of allowed runs reaches from a feed. */
const cutOff = (
  job: Job,
  circuit: Circuit,
  from: Place,
  allowed: (a: Place, b: Place) => boolean,
): BoxId[] => {
  const all = [...boxesOfCircuit(job, circuit.id), ...junctionsOf(job)];
  const reached: Place[] = [from];
  for (const at of reached)
    for (const box of all) if (!reached.includes(box) && allowed(at, box)) reached.push(box);
  return boxesOfCircuit(job, circuit.id).filter((box) => !reached.includes(box));
};

/** Hot and neutral are two of the classes of nets that the search tells apart; each switch brings another. */
const MOST_SWITCHES = MOST_CLASSES_LARGE - 2;

/** Facts at once in a sentence, at most. */
const MOST_SAID = 6;

/** Luminaires with a driver box that not even one two-wire cable with its ground goes into. Ten-thousandths of a cubic inch. */
const narrowDriverBoxes = (job: Job, { id, awg }: Circuit) => {
  const needed = 3 * VOLUME_PER_CONDUCTOR[awg];
  const mine = new Set(groupsOfCircuit(job, id).map((group) => group.id));
  return job.luminaires.flatMap(({ name, group, driverBox }) =>
    mine.has(group) && driverBox !== null && driverBox < needed ? [{ name, driverBox, needed }] : [],
  );
};

/** Nothing was found that meets what is asked: which facts clash, or which rules every way breaks. */
export const nothingMeets = (
  job: Job,
  circuit: Circuit,
  found: readonly Pick<Candidate, 'findings'>[],
  helping: readonly Relaxation[],
): Refusal => {
  const violations = found.map(({ findings }) => findings.filter((one) => one.severity === 'violation'));
  const inAll = violations[0]?.filter((one) =>
    violations.every((others) => others.some((other) => other.rule === one.rule)),
  );
  if (inAll && inAll.length > 0)
    return {
      title: `Every way found to wire ${circuit.name} violates the code`,
      reason: [...new Set(inAll.map((one) => `${one.title}${one.section ? ` (${one.section})` : ''}.`))].join(
        ' ',
      ),
      remedy: inAll[0]?.remedy ?? '',
    };
  const [narrow] = narrowDriverBoxes(job, circuit);
  if (narrow)
    return {
      title: `The driver box of ${narrow.name} has no room for one cable`,
      reason: `It is told to have ${cubicInches(narrow.driverBox)}; two wires and a ground of ${circuit.awg} AWG need ${cubicInches(narrow.needed)} (314.16).`,
      remedy: 'Read the cubic inches that are marked on it, and tell them in its form on Layout.',
    };
  // What helps if it is dropped alone clashes with the rest; where nothing does, all that is asked may.
  const clash = helping.length > 0 ? helping : relaxationsOf(job, circuit);
  const said = clash.flatMap((one) => sayDemand(job, one) ?? []);
  return {
    title: `No way of wiring ${circuit.name} meets all that is asked`,
    reason:
      said.length > 0
        ? `What is asked does not go together: ${listed(said.slice(0, MOST_SAID))}${said.length > MOST_SAID ? ' and more' : ''}.`
        : 'Every run of cables needs a cable, a box or a connector that the stock does not have.',
    remedy:
      helping.length > 0
        ? 'One of the changes below would make it possible.'
        : said.length > 0
          ? `${asStood(job, circuit.id) ? 'Use “Change what is there”: it seeks the least that does it on the old cables. Or take' : 'Take'} one of these back, add larger boxes or wider cables to the stock, or split the circuit.`
          : 'Allow more runs, add larger boxes or wider cables to the stock, or split the circuit.',
  };
};

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
  const boxes = boxesOfCircuit(job, circuit.id).filter((box) => box !== feed.at);
  const trial = {
    circuit: circuit.id,
    feed: feed.id,
    runs: boxes.map((to, i) => ({ from: i === 0 ? feed.at : (boxes[0] ?? feed.at), to })),
  };
  const outcome = planCircuit(toPlan(withChoice(job, circuit.id, trial)), circuit);
  const grave = outcome.ok ? [] : outcome.problems.filter((problem) => WHATEVER_THE_RUN.has(problem.code));
  if (grave.length > 0)
    return grave.map((problem) => {
      const said = sayProblem(job, problem);
      return { title: titleOf(said), reason: said.reason, remedy: said.remedy };
    });

  const lawful = (a: Place, b: Place) => runFactOf(job, a, b)?.rule !== 'forbidden';
  const say = (far: readonly BoxId[]) => listed(far.map((box) => placeName(job, box)));
  const perFeed = feeds.map((one) => ({
    at: one.at,
    barred: cutOff(job, circuit, one.at, lawful),
  }));
  if (perFeed.some(({ barred }) => barred.length === 0)) return [];
  return perFeed.map(({ at, barred }) => ({
    title: `Forbidden runs cut ${say(barred)} off from ${placeName(job, at)}`,
    reason: 'Every way there is forbidden.',
    remedy: 'Allow one of these runs, or place a junction box on another way.',
  }));
};
