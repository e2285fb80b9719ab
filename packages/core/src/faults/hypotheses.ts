import { articleOf, type DeviceArticle } from '../model/articles.js';
import type { BoxId, CircuitId, LuminaireId } from '../model/ids.js';
import type { Device, Wiring } from '../model/wiring.js';
import type { Parts } from '../circuit/parts.js';
import type { Fault } from './fault.js';
import { faultsAtPanel, faultsIn } from './inBox.js';
import { placeOfTrouble, type Contacts, type Trouble, type TroublePlace } from './trouble.js';

/** What was done before it stopped working: what goes wrong how often hangs on that. */
export const HISTORIES = ['new', 'old', 'deviceChanged'] as const;
export type History = (typeof HISTORIES)[number];

/** One or two things that may be wrong, how likely they were before anything was seen, and where they are looked for. */
export interface Hypothesis {
  troubles: readonly Trouble[];
  weight: number;
  places: readonly TroublePlace[];
}

type Weighed = Fault['kind'] | Exclude<Trouble['kind'], 'wires'>;

/**
 * How often each kind of trouble is met at one place, new work, old work that once worked, and after a device was changed. Nobody has
 * counted it: the order is that of the table of faults, the figures are ours. They break ties; what was seen decides.
 */
const WEIGHTS: Record<Weighed, Record<History, number>> = {
  exchanged: { new: 8, old: 0.3, deviceChanged: 10 },
  loose: { new: 3, old: 3, deviceChanged: 4 },
  open: { new: 4, old: 4, deviceChanged: 1.5 },
  joined: { new: 1, old: 0.2, deviceChanged: 0.3 },
  mixed: { new: 4, old: 0.2, deviceChanged: 0.6 },
  swapped: { new: 3, old: 0.2, deviceChanged: 3 },
  strayed: { new: 2, old: 0.2, deviceChanged: 0.6 },
  landed: { new: 1, old: 0.1, deviceChanged: 0.6 },
  touching: { new: 0.8, old: 0.5, deviceChanged: 1 },
  series: { new: 0.6, old: 0.1, deviceChanged: 0.1 },
  stuck: { new: 0.3, old: 2, deviceChanged: 0.3 },
  worn: { new: 0.3, old: 3, deviceChanged: 0.3 },
  otherDevice: { new: 2, old: 0.1, deviceChanged: 5 },
  lampOut: { new: 2, old: 8, deviceChanged: 1 },
  breakerOff: { new: 3, old: 3, deviceChanged: 4 },
  oldPattern: { new: 0, old: 0.3, deviceChanged: 0.3 },
  otherwise: { new: 0.2, old: 0.2, deviceChanged: 0.2 },
};

/** How likely it is that a circuit is made up in one of the ways of old times. In a box that nobody has looked into it is more so. */
export const weightOfPattern = (history: History, isAssumed: boolean): number =>
  WEIGHTS.oldPattern[history] * (isAssumed ? 10 : 1);

/** A box that nobody has looked into is likely to be otherwise than is usual. */
const OTHERWISE_WHEN_ASSUMED = 20;

const otherSide = ([a, b]: readonly [string, string], name: string): string | null =>
  a === name ? b : b === name ? a : null;

/** A device of fewer ways on the screws of one of more: a single-pole for a three-way, a three-way for a four-way. */
const otherDevices = (device: Device, { positions }: DeviceArticle): Trouble[] => {
  const [first, second] = positions.map(({ connected }) => connected);
  if (positions.length !== 2 || !first || !second) return [];
  const make = (as: 'singlePole' | 'threeWay', contacts: Contacts): Trouble => ({
    ...{ kind: 'otherDevice', device: device.id, as, contacts },
  });
  const [a, b] = [first[0], second[0]];
  if (first.length === 1 && second.length === 1 && a && b)
    return [make('singlePole', [[[...a]], []]), make('singlePole', [[[...b]], []])];
  if (first.length !== 2 || second.length !== 2) return [];
  return [...new Set([...first, ...second].flat())].flatMap((common) => {
    const to = [first, second].map((pairs) => pairs.map((one) => otherSide(one, common)).find(Boolean));
    const [x, y] = to;
    return x && y && x !== y ? [make('threeWay', [[[common, x]], [[common, y]]])] : [];
  });
};

/** What can be wrong with a device itself. */
const ofDevice = (device: Device, article: DeviceArticle): Trouble[] => {
  if (article.positions.length < 2) return [];
  return [
    ...article.positions.flatMap(({ connected }, position): Trouble[] => [
      { kind: 'stuck', device: device.id, position },
      ...(connected.length > 0 ? [{ kind: 'worn' as const, device: device.id, position }] : []),
    ]),
    ...otherDevices(device, article),
  ];
};

/** What may be wrong, and in what. */
export interface Suspected {
  wiring: Wiring;
  parts: Parts;
  boxes: readonly BoxId[];
  circuits: readonly CircuitId[];
  luminaires: readonly LuminaireId[];
  /** Boxes that nobody has looked into. */
  assumed: ReadonlySet<string>;
  history: History;
}

const weighedOf = (trouble: Trouble): Weighed =>
  trouble.kind === 'wires' ? trouble.fault.kind : trouble.kind;

/** Every single thing that may be wrong, at every place where it can be, with its weight. The weight of a kind is shared by all of it at one place. */
export const hypothesesOf = (asked: Suspected): Hypothesis[] => {
  const { wiring, parts, history } = asked;
  const troubles: Trouble[] = [
    ...asked.boxes.flatMap((box): Trouble[] => [
      ...faultsIn(wiring, box).map((fault): Trouble => ({ kind: 'wires', fault, at: { box } })),
      ...wiring.devices
        .filter((one) => one.box === box)
        .flatMap((one) => ofDevice(one, articleOf(parts.stock, 'device', one.article))),
      { kind: 'otherwise', box },
    ]),
    ...asked.circuits.flatMap((circuit): Trouble[] => [
      ...faultsAtPanel(wiring, circuit).map((fault): Trouble => ({ kind: 'wires', fault, at: { circuit } })),
      { kind: 'breakerOff', circuit },
    ]),
    ...asked.luminaires.map((luminaire): Trouble => ({ kind: 'lampOut', luminaire })),
  ];
  const placed = troubles.map((trouble) => {
    const place = placeOfTrouble(wiring, trouble);
    return { trouble, place, share: JSON.stringify([place, weighedOf(trouble)]) };
  });
  const shares = new Map<string, number>();
  for (const { share } of placed) shares.set(share, (shares.get(share) ?? 0) + 1);
  return placed.map(({ trouble, place, share }) => {
    const usual = WEIGHTS[weighedOf(trouble)][history];
    const isAssumed = trouble.kind === 'otherwise' && asked.assumed.has(trouble.box);
    return {
      troubles: [trouble],
      weight: (isAssumed ? OTHERWISE_WHEN_ASSUMED : usual) / (shares.get(share) ?? 1),
      places: [place],
    };
  });
};
