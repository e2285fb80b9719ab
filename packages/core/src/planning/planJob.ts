import { articleOf, articlesOf } from '../model/articles.js';
import { PANEL, type CableId, type GroupId, type SlotId, type WiringId } from '../model/ids.js';
import type { Choice, Circuit, Feed, Job } from '../model/job.js';
import type { Device } from '../model/wiring.js';
import { cablesFor, settleArrangement, type ColouredRun } from './arrange.js';
import { deviceIdOf, makeUp, type Attachment, type CableToMakeUp } from './makeUp.js';
import { hotOf, neutralOf, switchLegOf, travelerOf, type Arrangement } from './nets.js';
import { failure, success, type PlanProblem, type Result } from './problem.js';
import { orientTree } from './tree.js';

/** The outcome for one circuit: its arrangement and runs, or why it cannot be planned. */
export interface CircuitPlan {
  circuit: Circuit;
  outcome: Result<{ choice: Choice; feed: Feed; arrangement: Arrangement; runs: ColouredRun[] }, PlanProblem>;
}

const sameMembers = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && [...a].sort().join() === [...b].sort().join();

const planCircuit = (job: Job, circuit: Circuit): CircuitPlan['outcome'] => {
  const choice = job.choices.find((one) => one.circuit === circuit.id);
  const feed = job.feeds.find((one) => one.id === choice?.feed);
  if (!choice || !feed) return failure({ code: 'NoChoice', circuit: circuit.id });
  const problems: PlanProblem[] = [];
  if (feed.circuit !== circuit.id)
    problems.push({ code: 'FeedOfAnotherCircuit', circuit: circuit.id, feed: feed.id });
  const groups = job.groups.filter((group) => group.circuit === circuit.id);
  if (groups.length === 0) problems.push({ code: 'NoGroup', circuit: circuit.id });
  if (cablesFor(job, circuit).length === 0)
    problems.push({ code: 'NoCableOfSize', circuit: circuit.id, awg: circuit.awg });

  for (const group of groups) {
    const slots = job.slots.filter((slot) => slot.group === group.id);
    if (slots.length === 0)
      problems.push({ code: 'GroupWithoutSwitch', circuit: circuit.id, group: group.id });
    if (!job.luminaires.some((one) => one.group === group.id))
      problems.push({ code: 'GroupWithoutLuminaire', circuit: circuit.id, group: group.id });
    const chain = choice.chains?.[group.id];
    if (
      chain &&
      !sameMembers(
        chain,
        slots.map((slot) => slot.id),
      )
    )
      problems.push({ code: 'ChainDoesNotMatch', circuit: circuit.id, group: group.id });
    for (const slot of slots) {
      const box = job.boxes.find((one) => one.id === slot.box);
      const gangs = box ? articleOf(job.stock, 'box', box.article).gangs : 0;
      const devices = job.slots.filter((one) => one.box === slot.box).length;
      const told = problems.some((one) => one.code === 'TooManyDevices' && one.box === slot.box);
      if (gangs < devices && !told)
        problems.push({ code: 'TooManyDevices', circuit: circuit.id, box: slot.box, gangs, devices });
    }
  }

  const ids = new Set(groups.map((group) => group.id));
  const mustReach = [...job.slots, ...job.luminaires]
    .filter((one) => ids.has(one.group))
    .map((one) => one.box);
  const tree = orientTree(circuit.id, choice.runs, feed.at, mustReach);
  if (!tree.ok) problems.push(...tree.problems);
  if (problems.length > 0 || !tree.ok) return { ok: false, problems };

  const { arrangement, runs } = settleArrangement(job, choice, circuit, feed, tree.value);
  const most = Math.max(...cablesFor(job, circuit).map((article) => article.insulated.length));
  const wide = runs.filter((one) => one.carried === null);
  if (wide.length > 0)
    return {
      ok: false,
      problems: wide.map(({ run, nets }) => ({
        code: 'RunTooWide',
        circuit: circuit.id,
        run: { from: run.from, to: run.to },
        conductors: nets.length,
        most,
      })),
    };
  const missing = devicesOf(job, circuit, arrangement).filter((one) => one.article === null);
  if (missing.length > 0)
    return {
      ok: false,
      problems: missing.map(({ slot, letter }) => ({
        code: 'NoDeviceInStock',
        circuit: circuit.id,
        slot,
        letter,
        amperes: circuit.breaker,
      })),
    };
  return success({ choice, feed, arrangement, runs });
};

/** S alone, S3 at both ends of a chain, S4 between; rated at least for the breaker (404.14). */
const devicesOf = (job: Job, circuit: Circuit, arrangement: Arrangement) =>
  Object.values(arrangement.chains).flatMap((chain) =>
    chain.map((slot, step) => {
      const letter: 'S' | 'S3' | 'S4' =
        chain.length === 1 ? 'S' : step === 0 || step === chain.length - 1 ? 'S3' : 'S4';
      const article =
        articlesOf(job.stock, 'device').find(
          (one) =>
            one.letter === letter &&
            one.amperes >= circuit.breaker &&
            !one.terminals.some((t) => t.use === 'neutral'),
        ) ?? null;
      return { slot, letter, article };
    }),
  );

/** Which net each terminal of a switch belongs to, from its place in the chain. Lane a is up with up. */
const switchNets = (
  choice: Choice,
  group: GroupId,
  chain: readonly SlotId[],
  step: number,
  use: string,
  nth: number,
) => {
  const lane = nth === 0 ? 'a' : 'b';
  const last = step === chain.length - 1;
  switch (use) {
    case 'line':
    case 'common':
      return step === 0 ? hotOf(choice) : switchLegOf(group);
    case 'load':
      return switchLegOf(group);
    case 'traveler':
      return travelerOf(group, last ? step - 1 : step, lane);
    case 'in':
      return travelerOf(group, step - 1, lane);
    case 'out':
      return travelerOf(group, step, lane);
    case 'neutral':
      return neutralOf(choice);
    default:
      return 'ground' as const;
  }
};

const partsOf = (job: Job, plan: CircuitPlan) => {
  const cables: CableToMakeUp[] = [];
  const devices: Device[] = [];
  const attachments: Attachment[] = [];
  if (!plan.outcome.ok) return { cables, devices, attachments };
  const { choice, feed, arrangement, runs } = plan.outcome.value;
  const { circuit } = plan;
  const measured = (from: string, to: string) =>
    job.runFacts.find(({ between: [a, b] }) => (a === from && b === to) || (a === to && b === from))
      ?.length ?? null;
  const add = (
    from: Feed['at'],
    to: CableToMakeUp['cable']['to'],
    carried: NonNullable<ColouredRun['carried']>,
    existing: boolean,
  ) => {
    const length = existing ? null : measured(from, to);
    cables.push({
      cable: {
        id: `cable:${circuit.id}:${from}>${to}` as CableId,
        article: carried.article.id,
        from,
        to,
        length,
        lengthSource: length === null ? 'unknown' : 'measured',
        existing,
      },
      awg: carried.article.awg,
      colouring: carried.colouring,
      circuit: circuit.id,
    });
  };
  if (feed.at !== PANEL) {
    const [article] = cablesFor(job, circuit);
    const colouring = [
      { colour: 'black' as const, net: hotOf(choice) },
      { colour: 'white' as const, net: neutralOf(choice) },
    ];
    if (article) add(PANEL, feed.at, { article, colouring }, true);
  }
  for (const { run, carried } of runs) if (carried) add(run.from, run.to, carried, false);

  const articles = new Map(devicesOf(job, circuit, arrangement).map((one) => [one.slot, one.article]));
  for (const [group, chain] of Object.entries(arrangement.chains))
    chain.forEach((slotId, step) => {
      const slot = job.slots.find((one) => one.id === slotId);
      const article = articles.get(slotId);
      if (!slot || !article) return;
      const id = deviceIdOf(slotId);
      devices.push({ id, box: slot.box, slot: slotId, article: article.id });
      const seen: Record<string, number> = {};
      for (const { name, use } of article.terminals) {
        const nth = seen[use] ?? 0;
        seen[use] = nth + 1;
        const net = switchNets(choice, group as GroupId, chain, step, use, nth);
        attachments.push({ box: slot.box, net, to: { device: id, name } });
      }
    });
  for (const luminaire of job.luminaires) {
    if (!(luminaire.group in arrangement.chains)) continue;
    const to = (name: 'hot' | 'neutral' | 'ground') => ({ luminaire: luminaire.id, name });
    attachments.push(
      { box: luminaire.box, net: switchLegOf(luminaire.group), to: to('hot') },
      { box: luminaire.box, net: neutralOf(choice), to: to('neutral') },
    );
    if (luminaire.metal) attachments.push({ box: luminaire.box, net: 'ground', to: to('ground') });
  }
  return { cables, devices, attachments };
};

/**
 * Plans every circuit of the job and makes up one wiring for all of them, as boxes, grounds and fill are shared.
 * A circuit that cannot be planned is left out, with its reasons; the rest is planned. The job comes back with its
 * planned wiring replaced; wirings of other kinds are never touched.
 */
export const planJob = (job: Job): { job: Job; circuits: CircuitPlan[] } => {
  const circuits = job.circuits.map((circuit): CircuitPlan => ({
    circuit,
    outcome: planCircuit(job, circuit),
  }));
  const parts = circuits.map((plan) => partsOf(job, plan));
  const cables = parts.flatMap((part) => part.cables);
  const boxesInUse = new Set(cables.flatMap(({ cable }) => [cable.from, cable.to]));
  const bonds: Attachment[] = job.boxes
    .filter((box) => boxesInUse.has(box.id) && articleOf(job.stock, 'box', box.article).metal)
    .map((box) => ({ box: box.id, net: 'ground', to: { box: box.id, name: 'ground' } }));
  const { wiring, unjoined } = makeUp(
    job,
    cables,
    parts.flatMap((part) => part.devices),
    [...parts.flatMap((part) => part.attachments), ...bonds],
  );
  const withConnectors = circuits.map((plan): CircuitPlan => {
    if (!plan.outcome.ok) return plan;
    const places = new Set(plan.outcome.value.runs.flatMap(({ run }) => [run.from, run.to]));
    const problems: PlanProblem[] = unjoined
      .filter(({ box }) => places.has(box))
      .map(({ box, conductors }) => ({
        code: 'NoConnectorInStock',
        circuit: plan.circuit.id,
        box,
        conductors,
      }));
    return problems.length > 0 ? { circuit: plan.circuit, outcome: { ok: false, problems } } : plan;
  });
  const others = job.wirings.filter((document) => document.kind !== 'planned');
  const planned = { id: 'wiring:planned' as WiringId, kind: 'planned' as const, wiring };
  return { job: { ...job, wirings: [...others, planned] }, circuits: withConnectors };
};
