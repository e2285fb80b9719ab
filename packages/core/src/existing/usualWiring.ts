import { cableEnds } from '../model/lying.js';
import { bondOf } from '../circuit/grounding.js';
import { articlesOf } from '../model/articles.js';
import {
  PANEL,
  UNKNOWN_PLACE,
  isFarNode,
  placeOfNode,
  returnPlaceOf,
  type BoxId,
  type CircuitId,
  type TreePlace,
} from '../model/ids.js';
import type { Feed, Job } from '../model/job.js';
import { boxesOfCircuit, findBox, findCircuit, findRoom, groupIdsOf } from '../model/lookup.js';
import { articlesAt, placeOfEnd, type Cable, type Device, type End, type Wiring } from '../model/wiring.js';
import type { Attachment, CableToMakeUp } from '../planning/boxNodes.js';
import { attachmentsOf } from '../planning/circuitParts.js';
import { deviceIdOf, makeUp } from '../planning/makeUp.js';
import { neutralOf, returnNode, type NetScope } from '../planning/nets.js';
import type { TreeRun } from '../planning/tree.js';
import { usualNets, type Habit, type TurnedCable, type UsualNets } from './usualNets.js';

/** The few facts from which the make-up that is usual is proposed. What switches and luminaires there are is on the layout. */
export interface UsualFacts {
  circuit: CircuitId;
  /** The cables that lie there. One comes from the panel, or from a place that nobody knows; that one brings power. */
  cables: readonly Cable[];
  /** The boxes of the circuit that are there, where some of them are still to come; all of them where it is left out. */
  boxes?: readonly BoxId[];
  habit?: Habit;
  /** For a borrowed neutral: the circuit that it is of, and its cable from the panel. */
  borrowed?: { circuit: CircuitId; cable: Cable };
}

/** Why nothing is usual there: no cable brings power, or some box of the circuit has none. */
export type NotUsual = 'noSupply' | 'noSwitch';

/** The far place of a cable that power may come from. */
const sourceOf = ({ from, to }: Cable): TreePlace | null =>
  from === PANEL ? PANEL : to === UNKNOWN_PLACE ? UNKNOWN_PLACE : null;

/**
 * The cables turned away from where power comes, each branch to its end. One that comes back to the luminaire box that the feed enters is
 * a return run; any other that closes a ring is left out of it.
 */
const turnedAway = (
  job: Job,
  root: TreePlace,
  supply: Cable,
  cables: readonly Cable[],
): { turned: TurnedCable[]; returnsTo: BoxId[] } => {
  const articles = new Map(articlesOf(job.stock, 'cable').map((one) => [one.id as string, one]));
  const fedBox = root === PANEL ? supply.to : (supply.from as BoxId);
  const reached = new Set<string>([root]);
  const taken = new Set<Cable>();
  const turned: TurnedCable[] = [];
  const returnsTo: BoxId[] = [];
  const walk = (cable: Cable, from: TreePlace, to: TreePlace): Set<TreePlace> => {
    reached.add(to);
    taken.add(cable);
    const article = articles.get(cable.article);
    const at = article
      ? turned.push({ id: cable.id, article, run: { from, to, behind: new Set() } }) - 1
      : -1;
    const behind = new Set<TreePlace>([to]);
    for (const next of isFarNode(to) ? [] : cables) {
      if (taken.has(next) || next.from === PANEL || next.to === UNKNOWN_PLACE) continue;
      const other = next.from === to ? next.to : next.to === to ? next.from : null;
      if (other === null || other === to) continue;
      const isReturn =
        other === fedBox &&
        to !== fedBox &&
        returnsTo.length === 0 &&
        job.luminaires.some(({ box }) => box === other);
      if (reached.has(other) && !isReturn) continue;
      if (isReturn) returnsTo.push(fedBox);
      for (const place of walk(next, to, isReturn ? returnPlaceOf(fedBox) : other)) behind.add(place);
    }
    const mine = turned[at];
    if (mine) turned[at] = { ...mine, run: { from, to, behind } satisfies TreeRun };
    return behind;
  };
  walk(supply, root, fedBox);
  return { turned, returnsTo };
};

/** Every terminal of what is fitted there, with the net that it is usually on. */
const attached = (job: Job, scope: NetScope, { arrangement, fittings, netOf }: UsualNets): Attachment[] =>
  attachmentsOf(job, { scope, arrangement, fittings }).map((one) => ({
    ...one,
    net: one.net === 'ground' ? one.net : (netOf(one.to) ?? one.net),
  }));

const devicesOf = ({ fittings }: UsualNets): Device[] =>
  fittings.flatMap(({ slot, article }) =>
    article ? [{ id: deviceIdOf(slot.id), box: slot.box, slot: slot.id, article: article.id }] : [],
  );

/** Cables that nothing is known of: no end of them was looked at. */
export const untold = (job: Job, wiring: Wiring, cables: readonly Cable[]): Wiring => ({
  ...wiring,
  cables: [...wiring.cables, ...cables],
  unseen: [...wiring.unseen, ...cables.flatMap((cable) => cableEnds(job, cable))],
});

/** Marks are only there where the edition of the day asked for them. */
const marksOfItsDay = (job: Job, wiring: Wiring): Wiring => {
  const isMarked = (end: End): boolean => {
    const cable = wiring.cables.find(({ id }) => id === end.cable);
    const place = cable && placeOfEnd(cable, end.side);
    const builtBy = findRoom(job, findBox(job, place)?.room)?.builtBy ?? job.existingEdition;
    return builtBy !== null && builtBy >= 2008;
  };
  return { ...wiring, marks: wiring.marks.filter(({ end }) => isMarked(end)) };
};

/**
 * The make-up that is usual for the cables of a circuit, by what is on the layout and the habit of its day: a first draft to be corrected.
 * It is assumed and never counts as known. A conductor that nothing usual uses is told as not looked at.
 */
export const usualWiring = (
  asked: Job,
  facts: UsualFacts,
): { ok: true; wiring: Wiring } | { ok: false; why: NotUsual } => {
  const job = asItStands(asked, facts);
  const circuit = findCircuit(job, facts.circuit);
  const supply = facts.cables.find((cable) => sourceOf(cable) !== null);
  const root = supply && sourceOf(supply);
  if (!circuit || !supply || !root) return { ok: false, why: 'noSupply' };
  const habit = facts.habit ?? 'usual';
  const feed: Feed = {
    id: '' as Feed['id'],
    circuit: circuit.id,
    at: root as Feed['at'],
    tap: 'junction',
    source: 'unknown',
    gfciSide: 'unknown',
  };
  const { turned, returnsTo } = turnedAway(job, root, supply, facts.cables);
  const scope = { circuit: circuit.id, apart: returnsTo.map((box) => returnNode(returnPlaceOf(box))) };
  const other = facts.borrowed && { circuit: facts.borrowed.circuit, at: facts.borrowed.cable.to };
  const nets = usualNets(job, scope, feed, turned, { habit, other: other ?? null });
  if (nets.fittings.length === 0 && boxesOfCircuit(job, circuit.id).length === 0)
    return { ok: false, why: 'noSwitch' };

  const byId = new Map(facts.cables.map((cable) => [cable.id as string, cable]));
  const madeUp = turned.flatMap(({ id, article, run }): CableToMakeUp[] => {
    const [cable, colouring] = [byId.get(id), nets.colourings.get(id)];
    if (!cable || !colouring) return [];
    const along = cable.from === placeOfNode(run.from) || cable.to === placeOfNode(run.to);
    const nodes = along ? { from: run.from, to: run.to } : { from: run.to, to: run.from };
    return [{ cable, article, nodes, colouring, circuit: circuit.id }];
  });
  if (facts.borrowed) {
    const { cable, circuit: whose } = facts.borrowed;
    const article = articlesOf(job.stock, 'cable').find((one) => one.id === cable.article);
    const [white] = article?.insulated.filter((colour) => colour.startsWith('white')) ?? [];
    if (article)
      madeUp.push({
        ...{ cable, article, circuit: whose, nodes: { from: PANEL, to: cable.to } },
        colouring: article.insulated.map((colour) => ({
          colour,
          net: colour === white ? neutralOf({ circuit: whose }) : null,
        })),
      });
  }
  const boxes: Wiring['boxes'] = {};
  for (const { article, sections, id } of job.boxes) if (article !== null) boxes[id] = [article, ...sections];
  const made = withConnectorsUntold(
    makeUp(
      job,
      madeUp,
      devicesOf(nets),
      [...attached(job, scope, nets), ...bondsOf(job, madeUp, boxes)],
      boxes,
    ).wiring,
  );
  const held = new Set(made.cables.map(({ id }) => id));
  const known = marksOfItsDay(job, withSparesUnseen(withoutFarPlace(made), madeUp));
  return {
    ok: true,
    wiring: untold(
      job,
      known,
      facts.cables.filter(({ id }) => !held.has(id)),
    ),
  };
};

/** The job without what is still to come in the circuit. */
const asItStands = (job: Job, { boxes, circuit }: UsualFacts): Job => {
  if (boxes === undefined) return job;
  const groups = groupIdsOf(job, circuit);
  const isThere = ({ box, group }: { box: BoxId; group: string }) =>
    !groups.has(group) || boxes.includes(box);
  return { ...job, slots: job.slots.filter(isThere), luminaires: job.luminaires.filter(isThere) };
};

/** A metal box is bonded where a ground comes to it. */
const bondsOf = (job: Job, cables: readonly CableToMakeUp[], boxes: Wiring['boxes']): Attachment[] => {
  const grounded = new Set<string>(
    cables
      .filter(({ article }) => !['none', 'raceway'].includes(article.ground))
      .flatMap(({ nodes }) => [placeOfNode(nodes.from), placeOfNode(nodes.to)]),
  );
  return job.boxes
    .filter(({ id }) => grounded.has(id) && bondOf(job.stock, articlesAt({ boxes }, id)) !== null)
    .map(({ id }) => ({ at: id, net: 'ground', to: { box: id, name: 'ground' } }));
};

/** What holds old splices together nobody has told. */
const withConnectorsUntold = (wiring: Wiring): Wiring => ({
  ...wiring,
  joints: wiring.joints.map((joint) => ({ ...joint, connectors: [] })),
});

/** What was made up at the place that nobody knows is not told. */
const withoutFarPlace = (wiring: Wiring): Wiring => ({
  ...wiring,
  joints: wiring.joints.filter(({ box }) => box !== UNKNOWN_PLACE),
  marks: wiring.marks.filter(({ end }) => {
    const cable = wiring.cables.find(({ id }) => id === end.cable);
    return cable !== undefined && placeOfEnd(cable, end.side) !== UNKNOWN_PLACE;
  }),
});

/** A conductor that nothing usual uses may be capped or anything else: nobody has looked at it. */
const withSparesUnseen = (wiring: Wiring, cables: readonly CableToMakeUp[]): Wiring => {
  const spare = new Set(
    cables.flatMap(({ cable, colouring }) =>
      colouring.filter(({ net }) => net === null).map(({ colour }) => `${cable.id} ${colour}`),
    ),
  );
  const isSpare = (end: End) => spare.has(`${end.cable} ${end.colour}`);
  const ends = cables.flatMap(({ cable, colouring }) =>
    colouring.flatMap(({ colour }) =>
      (['from', 'to'] as const).map((side) => ({ cable: cable.id, side, colour })),
    ),
  );
  const isThere = (end: End) => {
    const cable = wiring.cables.find(({ id }) => id === end.cable);
    return cable !== undefined && placeOfEnd(cable, end.side) !== UNKNOWN_PLACE;
  };
  return {
    ...wiring,
    joints: wiring.joints.filter(
      ({ members: [only, ...more] }) => !(more.length === 0 && only && 'end' in only && isSpare(only.end)),
    ),
    landings: wiring.landings.filter(({ wire }) => !('end' in wire) || !isSpare(wire.end)),
    unseen: [...wiring.unseen, ...ends.filter((end) => isSpare(end) && isThere(end))],
  };
};
