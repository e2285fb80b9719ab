import {
  findBox,
  findFeed,
  findGroup,
  findLuminaire,
  groupsOfCircuit,
  isGroupInBox,
} from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { articleOf } from '../model/articles.js';
import { PANEL, isFarNode, placeOfNode, type BoxId, type GroupId } from '../model/ids.js';
import {
  runFactOf,
  type Choice,
  type Circuit,
  type ExistingCable,
  type Feed,
  type Group,
  type Job,
  type Run,
} from '../model/job.js';
import { settleArrangement, type ColouredRun } from './arrange.js';
import { cablesFor, carriersOf, feedingCable, isFedByAnother } from './carriers.js';
import type { Fitting } from './devices.js';
import { nodeOfLuminaire, nodeOfSlot, scopeOf, type Arrangement } from './nets.js';
import { failure, success, type Result } from '../model/result.js';
import type { PlanProblem } from './problem.js';
import { orientTree } from './tree.js';

export interface PlannedCircuit {
  choice: Choice;
  feed: Feed;
  arrangement: Arrangement;
  fittings: Fitting[];
  runs: ColouredRun[];
  /** The cable that feeds the box where power enters, as the job knows it. */
  fedBy: ExistingCable | null;
}

/** The outcome for one circuit: its arrangement and runs, or why it cannot be planned. */
export interface CircuitPlan {
  circuit: Circuit;
  outcome: Result<PlannedCircuit, PlanProblem>;
}

const sameMembers = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && [...a].sort().join() === [...b].sort().join();

/** Spaces for devices in a box as it was chosen by hand; null while the program is to choose. */
const gangsOf = (job: Job, id: BoxId): number | null => {
  const box = findBox(job, id);
  if (!box || box.article === null) return null;
  return Math.max(
    ...[box.article, ...box.sections].map((article) => articleOf(job.stock, 'box', article).gangs),
  );
};

const groupProblems = (job: Job, choice: Choice, circuit: Circuit, group: Group): PlanProblem[] => {
  const problems: PlanProblem[] = [];
  const at = { circuit: circuit.id, group: group.id };
  const slots = job.slots.filter((slot) => slot.group === group.id);
  const switches = slots.filter((slot) => slot.role !== 'receptacle');
  const luminaires = job.luminaires.filter((one) => one.group === group.id);
  if (group.control === 'hot')
    for (const { box } of switches) problems.push({ code: 'SwitchOnHotGroup', ...at, box });
  else if (switches.length === 0) problems.push({ code: 'GroupWithoutSwitch', ...at });
  if (luminaires.length === 0 && switches.length === slots.length)
    problems.push({ code: 'GroupWithoutLuminaire', ...at });
  for (const part of luminaires.filter((one) => one.partOf !== null)) {
    const whole = findLuminaire(job, part.partOf);
    const circuitOf = findGroup(job, whole?.group)?.circuit;
    if (whole?.box !== part.box || whole.partOf !== null || circuitOf !== circuit.id)
      problems.push({ code: 'PartElsewhere', circuit: circuit.id, luminaire: part.id, box: part.box });
  }
  const chain = ofId(choice.chains, group.id);
  if (
    chain &&
    !sameMembers(
      chain,
      switches.map((slot) => slot.id),
    )
  )
    problems.push({ code: 'ChainDoesNotMatch', ...at });
  return problems;
};

/** Groups that are to stay apart in a box without being in it, or twice; nodes of runs that no group is at; a fan apart from its light. */
const apartProblems = (job: Job, choice: Choice, circuit: Circuit): PlanProblem[] => {
  const scope = scopeOf(choice);
  const apart = choice.apart ?? [];
  const isIn = (box: BoxId, group: GroupId) =>
    findGroup(job, group)?.circuit === circuit.id && isGroupInBox(job, box, group);
  const wrong = apart.filter(
    ({ box, groups }, at) =>
      new Set(groups).size < groups.length ||
      groups.some((group) => !isIn(box, group)) ||
      apart.slice(0, at).some((one) => one.box === box && one.groups.some((group) => groups.includes(group))),
  );
  const known = new Set(scope.apart.map(({ node }) => node));
  const unknown = choice.runs
    .flatMap(({ from, to }) => [from, to])
    .filter((node) => isFarNode(node) && !known.has(node));
  const boxes = new Set([
    ...wrong.map(({ box }) => box),
    ...unknown.map((node) => placeOfNode(node) as BoxId),
  ]);
  const torn = job.luminaires.filter((one) => {
    const whole = findLuminaire(job, one.partOf);
    return (
      whole?.box === one.box &&
      findGroup(job, one.group)?.circuit === circuit.id &&
      nodeOfLuminaire(job, scope, one) !== nodeOfLuminaire(job, scope, whole)
    );
  });
  return [
    ...[...boxes].map((box): PlanProblem => ({ code: 'ApartDoesNotMatch', circuit: circuit.id, box })),
    ...torn.map(({ id, box }): PlanProblem => ({
      ...{ code: 'PartApart', circuit: circuit.id, luminaire: id, box },
    })),
  ];
};

const runProblems = (job: Job, choice: Choice, circuit: Circuit): PlanProblem[] => {
  const scope = scopeOf(choice);
  const ruleOf = ({ from, to }: Run) => runFactOf(job, placeOfNode(from), placeOfNode(to))?.rule;
  const touched = new Set<string>(
    choice.runs.flatMap(({ from, to }) => [placeOfNode(from), placeOfNode(to)]),
  );
  const taken = ({ between: [a, b] }: Job['runFacts'][number]) =>
    job.choices.some(({ runs }) =>
      runs.some(({ from, to }) => {
        const ends: string[] = [placeOfNode(from), placeOfNode(to)];
        return ends.includes(a) && ends.includes(b);
      }),
    );
  const homeRuns = choice.runs.flatMap(({ from, to }) =>
    from === PANEL ? [placeOfNode(to)] : to === PANEL ? [placeOfNode(from)] : [],
  ) as BoxId[];
  return [
    ...(homeRuns.length > 1 ? [{ code: 'TwoHomeRuns' as const, circuit: circuit.id, boxes: homeRuns }] : []),
    ...choice.runs
      .filter(({ from, to }) => placeOfNode(from) === placeOfNode(to))
      .map(({ from }): PlanProblem => ({
        code: 'RunWithinBox',
        circuit: circuit.id,
        box: placeOfNode(from) as BoxId,
      })),
    ...job.boxes
      .filter(
        ({ id, work }) =>
          work === 'beyond' &&
          choice.runs.filter(({ from, to }) => [placeOfNode(from), placeOfNode(to)].includes(id)).length > 1,
      )
      .map(({ id }): PlanProblem => ({ code: 'ThroughOtherWork', circuit: circuit.id, box: id })),
    ...choice.runs
      .filter((run) => ruleOf(run) === 'forbidden')
      .map((run): PlanProblem => ({ code: 'ForbiddenRun', circuit: circuit.id, run })),
    ...job.runFacts
      .filter(
        (fact) => fact.rule === 'forced' && fact.between.every((place) => touched.has(place)) && !taken(fact),
      )
      .map(({ between: [from, to] }): PlanProblem => ({
        code: 'ForcedRunMissing',
        circuit: circuit.id,
        run: { from, to },
      })),
    ...scope.apart
      .filter(
        ({ node, groups }) =>
          groups === null && !job.luminaires.some((one) => nodeOfLuminaire(job, scope, one) === node),
      )
      .map(({ box }): PlanProblem => ({
        code: 'ReturnWithoutLuminaire',
        circuit: circuit.id,
        box,
      })),
    ...apartProblems(job, choice, circuit),
  ];
};

const deviceProblems = (circuit: Circuit, fittings: readonly Fitting[]): PlanProblem[] =>
  fittings.flatMap(({ slot, letter, article, misfit }): PlanProblem[] => {
    const at = { circuit: circuit.id, slot: slot.id, box: slot.box, letter };
    if (article === null)
      return [{ code: 'NoDeviceInStock', ...at, role: slot.role, amperes: circuit.breaker }];
    if (misfit === null) return [];
    const reached = { S: 2, S3: 3, S4: 4 };
    return [
      {
        code: 'DeviceDoesNotSuit',
        ...at,
        article: article.id,
        why: misfit,
        terminals: article.terminals.filter((one) => one.use !== 'ground').length,
        conductors: letter === null ? 2 : reached[letter],
      },
    ];
  });

/** Plans one circuit, or says everything that stands in the way. */
export const planCircuit = (job: Job, circuit: Circuit): CircuitPlan['outcome'] => {
  const choices = job.choices.filter((one) => one.circuit === circuit.id);
  const [choice] = choices;
  const feed = findFeed(job, choice?.feed);
  if (!choice || !feed) return failure({ code: 'NoChoice', circuit: circuit.id });
  if (choices.length > 1) {
    const feeds = job.feeds.filter((one) => choices.some((other) => other.feed === one.id));
    return failure({ code: 'TwoFeeds', circuit: circuit.id, places: feeds.map((one) => one.at) });
  }
  const problems: PlanProblem[] = [];
  if (feed.circuit !== circuit.id)
    problems.push({ code: 'FeedOfAnotherCircuit', circuit: circuit.id, feed: feed.id });
  if (feed.at !== PANEL && isFedByAnother(job, feed))
    problems.push({ code: 'FedByAnotherCircuit', circuit: circuit.id, box: feed.at });
  const groups = groupsOfCircuit(job, circuit.id);
  if (groups.length === 0) problems.push({ code: 'NoGroup', circuit: circuit.id });
  if (cablesFor(job, circuit).length === 0)
    problems.push({ code: 'NoCableOfSize', circuit: circuit.id, awg: circuit.awg });
  for (const group of groups) problems.push(...groupProblems(job, choice, circuit, group));

  const ids = new Set<string>(groups.map((group) => group.id));
  const slots = job.slots.filter((one) => ids.has(one.group));
  for (const box of new Set(slots.map((slot) => slot.box))) {
    const gangs = gangsOf(job, box);
    const devices = job.slots.filter((one) => one.box === box).length;
    if (gangs !== null && gangs < devices)
      problems.push({ code: 'TooManyDevices', circuit: circuit.id, box, gangs, devices });
  }
  problems.push(...runProblems(job, choice, circuit));

  const luminaires = job.luminaires.filter((one) => ids.has(one.group));
  const scope = scopeOf(choice);
  const mustReach = [
    ...slots.map((one) => nodeOfSlot(scope, one)),
    ...luminaires.map((one) => nodeOfLuminaire(job, scope, one)),
  ];
  const tree = orientTree(circuit.id, choice.runs, feed.at, mustReach);
  if (!tree.ok) problems.push(...tree.problems);
  if (problems.length > 0 || !tree.ok) return { ok: false, problems };

  const carriers = carriersOf(job, circuit, tree.value);
  const offered = tree.value.map((run, i) => ({ run, carriers: carriers[i] ?? [] }));
  const { arrangement, runs, fittings } = settleArrangement(job, choice, circuit, feed, offered);
  const wide = runs.filter((one) => one.carried === null);
  if (wide.length > 0)
    return {
      ok: false,
      problems: wide.map(({ run: { from, to }, nets, most }) => ({
        ...{ code: 'RunTooWide', circuit: circuit.id, run: { from, to }, conductors: nets.length, most },
      })),
    };
  const misfits = deviceProblems(circuit, fittings);
  if (misfits.length > 0) return { ok: false, problems: misfits };
  return success({ choice, feed, arrangement, fittings, runs, fedBy: feedingCable(job, feed) });
};
