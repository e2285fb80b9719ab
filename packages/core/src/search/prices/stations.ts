import { isDeviceKept } from '../../model/there.js';
import { findBox, groupIdsOf } from '../../model/lookup.js';
import { articlesOf, groundOf, type Article, type CableArticle } from '../../model/articles.js';
import type { BoxContents } from '../../model/contents.js';
import type { BoxId } from '../../model/ids.js';
import type { Box, Circuit, Job } from '../../model/job.js';
import type { Awg } from '../../model/units.js';
import { bondOf } from '../../circuit/grounding.js';
import { boxFill } from '../../nec/boxFill.js';
import { roomForCable } from '../../nec/room.js';
import {
  chosenOffer,
  firstWithRoom,
  kindOfOffer,
  suitingBoxes,
  type BoxOffer,
} from '../../materials/boxChoice.js';
import { cablesFor } from '../../planning/carriers.js';
import { roomAskedBy } from '../../planning/roomAsked.js';
import type { Fitting } from '../../planning/devices.js';
import type { Background } from './background.js';
import type { Brought, PricedApart, Room, Weights } from './weights.js';

/** The box that is taken for a load, with its plate and blanks. */
export interface Fit {
  cost: number;
  /** Less room is left than one more two-wire cable takes. */
  tight: boolean;
  /** Volume that the load needs, ten-thousandths of a cubic inch. */
  needed: number;
  bond: ReturnType<typeof bondOf>;
}

/** One box with the devices that stand in it: what it costs whatever runs come, and which box of the stock they ask for. */
export interface Station {
  box: Box;
  /** Box and grounds are priced elsewhere. */
  apart: boolean;
  /** Sizes of the grounds of cables that are there already. */
  grounds: Awg[];
  /** Minutes of the box, by their weight. */
  opening: number;
  /** The box that is taken for so much more; null where the stock has none, or where less room is left than has to be. */
  fit: (insulated: number, cables: number) => Fit | null;
  /** No less than `fit` costs for this load and any larger one. */
  atLeast: (insulated: number, cables: number) => number;
}

/**
 * What hangs on the insulated conductors and the cables that come, worked out once for each pair of numbers. A row for each number of
 * cables: written as one number, eight cables would have been taken for one conductor more and no cable.
 */
const oncePerLoad = <T>(of: (insulated: number, cables: number) => T) => {
  const byCables: { value: T }[][] = [];
  return (insulated: number, cables: number): T => {
    const row = (byCables[cables] ??= []);
    return (row[insulated] ??= { value: of(insulated, cables) }).value;
  };
};

const sundryPrice = (stock: readonly Article[], use: 'plate' | 'blank', gangs: number | null): number =>
  articlesOf(stock, 'sundry').find((one) => one.use === use && one.gangs === gangs)?.price ?? 0;

/** Boxes that may be taken: the one that is there or chosen, the luminaire's own, or any of the stock that suits. */
const offersFor = (job: Job, box: Box, gangs: number): BoxOffer[] => {
  if (box.article !== null) return [chosenOffer(job, [box.article, ...box.sections])];
  const hanging = job.luminaires.filter((one) => one.box === box.id);
  const driver = hanging.find((one) => one.driverBox !== null)?.driverBox ?? null;
  if (driver !== null) return [{ articles: [], volume: driver, gangs: 0, price: 0, internalClamps: false }];
  // Nobody has named it: it drops no plan, and nothing is said of how full it gets.
  if (box.work === 'existing')
    return [{ articles: [], volume: Infinity, gangs, price: 0, internalClamps: false }];
  return suitingBoxes(job, box, { gangs, luminaires: hanging.filter((one) => one.unit !== 'onward') });
};

/** Is its ground a conductor, rather than the metal of a raceway or none? */
const hasGroundWire = (cable: CableArticle): boolean => ![null, 'raceway'].includes(groundOf(cable));

/** What the devices and luminaires of the circuit add to a box, and the cable that feeds it where none is in the job. */
const withCircuit = (
  job: Job,
  circuit: Circuit,
  before: BoxContents,
  { box, fittings, fed }: { box: Box; fittings: readonly Fitting[]; fed: boolean },
): BoxContents => {
  const groups = groupIdsOf(job, circuit.id);
  const hanging = job.luminaires.filter((one) => one.box === box.id && groups.has(one.group));
  const leads = hanging.flatMap((one) =>
    one.terminals === 'leads' ? Array.from({ length: one.partOf === null ? 2 : 1 }, () => one.leadAwg) : [],
  );
  const feed = fed ? cablesFor(job, circuit).slice(0, 1) : [];
  const { awg } = circuit;
  return {
    ...before,
    conductors: [
      ...before.conductors,
      ...feed.flatMap((one) => one.insulated.map(() => one.awg)),
      ...leads.filter((size) => size <= 14),
    ],
    grounds: [
      ...before.grounds,
      ...feed.filter(hasGroundWire).map((one) => one.awg),
      // Its own ground lead, unless its canopy is domed.
      ...hanging
        .filter(
          ({ terminals, metal, strap, partOf, domedCanopy }) =>
            terminals === 'leads' && metal && !strap && partOf === null && !domedCanopy,
        )
        .map((one) => one.leadAwg),
    ],
    yokes: [
      ...before.yokes,
      ...fittings.flatMap(({ article }) => (article ? [{ gangs: article.gangs, awg }] : [])),
    ],
    fixtureWires: [...before.fixtureWires, ...leads.filter((size) => size > 14)],
    domedCanopy: before.domedCanopy && hanging.every((one) => one.domedCanopy || one.terminals === 'screws'),
  };
};

export interface StationOf {
  box: BoxId;
  fittings: readonly Fitting[];
  /** A feed comes here by a cable that the job does not know. */
  fed: boolean;
  /** The circuit leaves the box to others. */
  resting?: boolean;
}

/** A box that is priced apart: free of cost, for what is to be brought there alone. */
const elsewhere = (box: Box, brought: Brought | null): Station => ({
  box,
  apart: true,
  grounds: [],
  opening: 0,
  fit: (insulated, cables) =>
    brought === null || (insulated === brought.insulated && cables === brought.cables)
      ? { cost: 0, tight: false, needed: 0, bond: null }
      : null,
  atLeast: (insulated, cables) =>
    brought === null || (insulated <= brought.insulated && cables <= brought.cables) ? 0 : Infinity,
});

/** A box that may be taken, with what it costs. */
interface Priced {
  offer: BoxOffer;
  cost: number;
  bond: Fit['bond'];
  clamps: boolean;
  kind: number;
}

export const stationOf = (
  job: Job,
  circuit: Circuit,
  background: Background,
  weights: Weights,
  room: Room,
  { box: id, fittings, fed, resting = false }: StationOf,
  pricedApart?: PricedApart,
): Station | null => {
  const box = findBox(job, id);
  if (!box) return null;
  const brought = pricedApart?.get(id);
  if (brought !== undefined && !resting) return elsewhere(box, brought);
  const { awg } = circuit;
  const others = background.devices(id);
  const gangs = others.gangs + fittings.reduce((sum, one) => sum + (one.article?.gangs ?? 0), 0);
  const anyNew =
    others.anyNew || fittings.some(({ slot, article }) => article !== null && !isDeviceKept(job, slot));
  const contents = withCircuit(job, circuit, background.contents(id), { box, fittings, fed });
  const price = (offer: BoxOffer): number => {
    const plates = anyNew
      ? sundryPrice(job.stock, 'plate', offer.gangs) +
        Math.max(0, offer.gangs - gangs) * sundryPrice(job.stock, 'blank', null)
      : 0;
    return weights.material * ((box.work === 'existing' ? 0 : offer.price) + plates);
  };
  const offers = offersFor(job, box, gangs).map((offer): Priced => ({
    offer,
    cost: price(offer),
    kind: kindOfOffer(offer),
    bond: bondOf(
      job.stock,
      offer.articles.map((one) => one.id),
    ),
    clamps: offer.internalClamps || contents.internalClamps,
  }));
  // Devices that stay as they were found keep what is on them.
  const wired = others.count + fittings.filter((one) => one.article !== null).length;
  const kept = contents.yokes.slice(others.count, contents.yokes.length - wired + others.count);
  const connected = contents.yokes.filter((one) => !kept.includes(one));
  const needed = (insulated: number, cables: number, clamps: boolean): number => {
    const grounds = [...contents.grounds, ...Array<Awg>(cables).fill(awg)];
    // Tails are as thick as the thickest ground they are joined to, and count for the device they land on.
    const thickest = (of: Awg) => grounds.reduce((thick, one) => (one < thick ? one : thick), of);
    return boxFill(
      0,
      {
        ...contents,
        internalClamps: clamps,
        conductors: [...contents.conductors, ...Array<Awg>(insulated).fill(awg)],
        grounds,
        yokes: [...connected.map((one) => ({ ...one, awg: thickest(one.awg) })), ...kept],
      },
      job.edition,
    ).needed;
  };
  const volumesOf = (insulated: number, cables: number) => {
    const plain = needed(insulated, cables, false);
    return { plain, clamped: offers.some((one) => one.clamps) ? needed(insulated, cables, true) : plain };
  };
  const volumes = oncePerLoad(volumesOf);
  const asked = resting
    ? background.room(id)
    : Math.max(background.room(id), room.asked ?? roomAskedBy(job, circuit));
  const mustLeave = resting ? 0 : (room.least ?? 0);
  const find = (insulated: number, cables: number): Fit | null => {
    const { plain, clamped } = volumes(insulated, cables);
    const leftIn = ({ offer, clamps }: Priced) => offer.volume - (clamps ? clamped : plain);
    const found = firstWithRoom(offers, (one) => one.kind, leftIn, asked);
    if (!found || leftIn(found) < mustLeave) return null;
    const { cost, bond, clamps } = found;
    return { cost, needed: clamps ? clamped : plain, bond, tight: leftIn(found) < roomForCable(awg) };
  };
  // One that another of its kind betters in every case is never the one that leaves the most.
  const mayLeaveMost = offers.map(
    ({ offer, clamps, kind }) =>
      !offers.some(
        (other) => other.kind === kind && other.offer.volume > offer.volume && (clamps || !other.clamps),
      ),
  );
  const leastOf = (insulated: number, cables: number): number => {
    const { plain, clamped } = volumes(insulated, cables);
    const enough = offers.filter(({ offer, clamps }, i) => {
      const left = offer.volume - (clamps ? clamped : plain);
      return left >= Math.max(mustLeave, mayLeaveMost[i] ? 0 : asked);
    });
    return Math.min(...enough.map((one) => one.cost));
  };
  return {
    box,
    apart: false,
    grounds: [
      ...background.groundsIn(id),
      ...(fed
        ? cablesFor(job, circuit)
            .slice(0, 1)
            .filter(hasGroundWire)
            .map((one) => one.awg)
        : []),
    ],
    opening: box.work === 'beyond' ? 0 : weights.minute * job.labour.box[box.work],
    fit: oncePerLoad(find),
    atLeast: oncePerLoad(leastOf),
  };
};
