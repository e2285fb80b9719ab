import type { BoxId, CircuitId, DeviceId, LuminaireId } from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled, type CompiledDevice } from '../circuit/compile.js';
import type { Parts } from '../circuit/parts.js';
import { withFault, type Fault } from './fault.js';

/**
 * One thing that is wrong, be it in the wires or in what hangs on them. Positions count as those of the device do.
 * - wires: see `Fault`.
 * - stuck: the handle moves and the contacts stay as in one position.
 * - worn: in one position nothing closes.
 * - otherDevice: a device with fewer ways stands where this one belongs; `contacts` are the pairs that it closes, position by position.
 * - lampOut: the lamp or the driver is gone.
 * - breakerOff: nobody switched it on, or it tripped before.
 * - oldPattern: the boxes are made up in a way of old times, which works and endangers.
 * - otherwise: the box is wired in some way of which nothing is known.
 */
export type Trouble =
  | { kind: 'wires'; fault: Fault; at: { box: BoxId } | { circuit: CircuitId } }
  | { kind: 'stuck'; device: DeviceId; position: number }
  | { kind: 'worn'; device: DeviceId; position: number }
  | { kind: 'otherDevice'; device: DeviceId; as: 'singlePole' | 'threeWay'; contacts: Contacts }
  | { kind: 'lampOut'; luminaire: LuminaireId }
  | { kind: 'breakerOff'; circuit: CircuitId }
  | { kind: 'oldPattern'; habit: OldPattern; boxes: BoxId[]; instead: Pick<Wiring, 'joints' | 'landings'> }
  | { kind: 'otherwise'; box: BoxId };

/** Hot and neutral both switched at the travelers; an always-hot wire along with the travelers; the return from the switch on the white. */
export const OLD_PATTERNS = ['switchedNeutral', 'hotAlong', 'returnOnWhite'] as const;
export type OldPattern = (typeof OLD_PATTERNS)[number];

/** Pairs of terminals by their names that are connected, for each handle position. */
export type Contacts = [string, string][][];

/** A breaker that is off joins nothing: its hot is a net that nothing else is on. Neutrals and grounds stay what they are. */
export const withBreakerOff = (compiled: Compiled, circuit: CircuitId): Compiled => ({
  ...compiled,
  netCount: compiled.netCount + 1,
  sources: compiled.sources.map((one) => (one.id === circuit ? { ...one, hot: compiled.netCount } : one)),
});

/** A wiring with troubles in it, compiled; null where it cannot have them. What is only otherwise has no wiring. */
export const compileBroken = (
  wiring: Wiring,
  parts: Parts,
  troubles: readonly Trouble[],
): Compiled | null => {
  let broken = wiring;
  for (const trouble of troubles) {
    if (trouble.kind === 'otherwise') return null;
    if (trouble.kind === 'oldPattern') broken = madeUpInstead(broken, trouble);
    if (trouble.kind !== 'wires') continue;
    const made = withFault(broken, trouble.fault);
    if (!made.ok) return null;
    broken = made.value;
  }
  let compiled = compile(broken, parts);
  for (const trouble of troubles) compiled = CHANGES[trouble.kind](compiled, trouble as never);
  return compiled;
};

/** The wiring with some boxes made up in another way; what is in the panel stays. */
export const madeUpInstead = (
  wiring: Wiring,
  { boxes, instead }: Pick<Of<'oldPattern'>, 'boxes' | 'instead'>,
): Wiring => {
  const here = new Set<string>(boxes);
  const tails = new Set(
    wiring.joints
      .filter(({ box }) => here.has(box))
      .flatMap(({ members }) => members.flatMap((one) => ('pigtail' in one ? [one.pigtail.id] : []))),
  );
  const placeOf = ({ cable, side }: { cable: string; side: 'from' | 'to' }) =>
    wiring.cables.find(({ id }) => id === cable)?.[side];
  return {
    ...wiring,
    joints: [...wiring.joints.filter(({ box }) => !here.has(box)), ...instead.joints],
    landings: [
      ...wiring.landings.filter(({ wire }) =>
        'end' in wire ? !here.has(placeOf(wire.end) ?? '') : !tails.has(wire.pigtail),
      ),
      ...instead.landings,
    ],
  };
};

const onDevice = (
  compiled: Compiled,
  id: DeviceId,
  change: (device: CompiledDevice) => CompiledDevice['positions'],
): Compiled => ({
  ...compiled,
  devices: compiled.devices.map((one) => (one.id === id ? { ...one, positions: change(one) } : one)),
});

type Of<K extends Trouble['kind']> = Extract<Trouble, { kind: K }>;

const CHANGES: { [K in Trouble['kind']]: (compiled: Compiled, trouble: Of<K>) => Compiled } = {
  wires: (compiled) => compiled,
  otherwise: (compiled) => compiled,
  oldPattern: (compiled) => compiled,
  stuck: (compiled, { device, position }) =>
    onDevice(compiled, device, ({ positions }) => positions.map(() => positions[position] ?? [])),
  worn: (compiled, { device, position }) =>
    onDevice(compiled, device, ({ positions }) => positions.map((one, i) => (i === position ? [] : one))),
  otherDevice: (compiled, { device, contacts }) =>
    onDevice(compiled, device, () =>
      contacts.map((pairs) =>
        pairs.flatMap(([a, b]) => {
          const [x, y] = [a, b].map((name) => compiled.netOf(`device|${device}|${name}`));
          return x === undefined || y === undefined ? [] : [[x, y] as const];
        }),
      ),
    ),
  // A lamp that is gone joins nothing: its hot side hangs on a net of its own.
  lampOut: (compiled, { luminaire }) => ({
    ...compiled,
    netCount: compiled.netCount + 1,
    luminaires: compiled.luminaires.map((one) =>
      one.id === luminaire ? { ...one, hot: compiled.netCount } : one,
    ),
  }),
  breakerOff: (compiled, { circuit }) => withBreakerOff(compiled, circuit),
};

/** Where a trouble is looked for: a box, the panel of a circuit, a luminaire. */
export type TroublePlace =
  | { kind: 'box'; box: BoxId }
  | { kind: 'panel'; circuit: CircuitId }
  | { kind: 'breaker'; circuit: CircuitId }
  | { kind: 'lamp'; luminaire: LuminaireId };

export const placeOfTrouble = (wiring: Wiring, trouble: Trouble): TroublePlace => {
  switch (trouble.kind) {
    case 'wires':
      return 'circuit' in trouble.at ? { kind: 'panel', ...trouble.at } : { kind: 'box', ...trouble.at };
    case 'lampOut':
      return { kind: 'lamp', luminaire: trouble.luminaire };
    case 'breakerOff':
      return { kind: 'breaker', circuit: trouble.circuit };
    case 'oldPattern':
      return { kind: 'box', box: trouble.boxes[0] ?? ('' as BoxId) };
    case 'otherwise':
      return { kind: 'box', box: trouble.box };
    default:
      return {
        kind: 'box',
        box: wiring.devices.find(({ id }) => id === trouble.device)?.box ?? ('' as BoxId),
      };
  }
};

/** Text key of a place; equal for equal ones. */
export const placeKey = (place: TroublePlace): string =>
  place.kind === 'box'
    ? `box|${place.box}`
    : place.kind === 'lamp'
      ? `lamp|${place.luminaire}`
      : `${place.kind}|${place.circuit}`;
