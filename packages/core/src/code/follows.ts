import type { BoxId } from '../model/ids.js';
import { articleOf, conductorsOf, groundOf } from '../model/articles.js';
import { findCable, findDevice, findGroup, findLuminaire, findSlot } from '../model/lookup.js';
import { terminalKey } from '../model/wiring.js';
import { conductorKey, pigtailKey } from '../circuit/keys.js';
import { isGroundColour } from '../model/colours.js';
import { carrierOf } from '../circuit/parts.js';
import type { Role } from '../circuit/roles.js';
import { devicesOfGroup } from '../proving/works.js';
import type { Inspected } from './inspected.js';
import { findingKey, type Finding } from './rule.js';

/** What a finding and that which it follows from have in common. */
type Bond = 'circuit' | 'box' | 'net';

/**
 * Which rules are broken by what another one names already: a device has no ground where the grounds of a box before it are in two parts.
 * In the order in which causes are looked for.
 */
const FOLLOWS: readonly { rules: readonly string[]; from: string; by: Bond }[] = [
  ...['grounds-joined', 'metal-box-bonded', 'ground-colour'].map((from) => ({
    rules: ['yoke-grounded', 'luminaire-grounded', 'metal-box-bonded'].filter((rule) => rule !== from),
    from,
    by: 'net' as const,
  })),
  {
    rules: ['shell-on-neutral', 'neutral-colour', 'group-works', 'conductors-together', 'parallel-paths'],
    from: 'ground-colour',
    by: 'net',
  },
  ...['old-pattern', 'switch-hot-only'].map((from) => ({
    rules: ['shell-on-neutral', 'neutral-colour', 'group-works'],
    from,
    by: 'circuit' as const,
  })),
  { rules: ['switch-hot-only'], from: 'old-pattern', by: 'circuit' },
  { rules: ['neutral-colour', 'group-works'], from: 'shell-on-neutral', by: 'circuit' },
  ...['neutral-one-circuit', 'borrowed-neutral'].map((from) => ({
    rules: ['conductors-together', 'parallel-paths'],
    from,
    by: 'circuit' as const,
  })),
  { rules: ['neutral-at-switch'], from: 'electronic-neutral', by: 'box' },
];

const circuitsAt = ({ job, wiring, circuitsOfCable }: Inspected, { at }: Finding): ReadonlySet<string> => {
  if (at.circuit !== undefined) return new Set([at.circuit]);
  const slot = findSlot(job, findDevice(wiring, at.device)?.slot);
  const group = at.group ?? findLuminaire(job, at.luminaire)?.group ?? slot?.group;
  const circuit = findGroup(job, group)?.circuit;
  if (circuit !== undefined) return new Set([circuit]);
  if (at.cable !== undefined) return new Set(circuitsOfCable(at.cable));
  const here = wiring.cables.filter(({ from, to }) => at.box !== undefined && [from, to].includes(at.box));
  return new Set(here.flatMap(({ id }) => circuitsOfCable(id)));
};

/** Keys of all grounds of a box: of its cables, its green tails and its metal. */
const groundKeys = ({ job, wiring }: Inspected, box: BoxId): string[] => [
  ...wiring.cables
    .filter(({ from, to }) => from === box || to === box)
    .flatMap(({ id, article }) => {
      const colour = groundOf(articleOf(job.stock, 'cable', article));
      return colour === null ? [] : [conductorKey(id, colour)];
    }),
  ...wiring.joints
    .filter((joint) => joint.box === box)
    .flatMap(({ members }) =>
      members.flatMap((member) =>
        'pigtail' in member && isGroundColour(member.pigtail.colour) ? [pigtailKey(member.pigtail.id)] : [],
      ),
    ),
  terminalKey({ box, name: 'ground' }),
];

const keysOf = (inspected: Inspected, { rule, at }: Finding): string[] => {
  const { job, wiring } = inspected;
  if (at.box !== undefined && ['ground-colour', 'grounds-joined', 'metal-box-bonded'].includes(rule))
    return groundKeys(inspected, at.box);
  const ofDevice = (id: string) => {
    const device = findDevice(wiring, id);
    const article = device && articleOf(job.stock, 'device', device.article);
    return device
      ? (article?.terminals ?? []).map(({ name }) => terminalKey({ device: device.id, name }))
      : [];
  };
  const ofLuminaire = (id: string) => {
    const luminaire = findLuminaire(job, id);
    return luminaire
      ? [
          terminalKey({ luminaire: luminaire.id, name: 'hot' }),
          ...(['neutral', 'ground'] as const).map((name) =>
            terminalKey({ luminaire: carrierOf(luminaire), name }),
          ),
        ]
      : [];
  };
  const cable = findCable(wiring, at.cable);
  if (at.group !== undefined)
    return [
      ...devicesOfGroup(job, wiring, at.group).flatMap(ofDevice),
      ...job.luminaires.filter(({ group }) => group === at.group).flatMap(({ id }) => ofLuminaire(id)),
    ];
  if (at.device !== undefined) return ofDevice(at.device);
  if (at.luminaire !== undefined) return ofLuminaire(at.luminaire);
  return cable
    ? conductorsOf(articleOf(job.stock, 'cable', cable.article)).map((colour) =>
        conductorKey(cable.id, colour),
      )
    : [];
};

const HEALTHY: readonly (Role | undefined)[] = ['hot', 'neutral', 'ground'];

/** The nets that a finding is about, without those that are of a breaker or of the panel as they should be: all share them. */
const netsOf = (inspected: Inspected, finding: Finding): ReadonlySet<number> => {
  const { compiled, roles } = inspected;
  const nets = keysOf(inspected, finding).map((key) => compiled.netOf(key));
  return new Set(nets.filter((net): net is number => net !== undefined && !HEALTHY.includes(roles[net])));
};

const meet = <T>(a: ReadonlySet<T>, b: ReadonlySet<T>): boolean => [...a].some((one) => b.has(one));

const BONDS: Record<Bond, (inspected: Inspected, a: Finding, b: Finding) => boolean> = {
  circuit: (inspected, a, b) => meet(circuitsAt(inspected, a), circuitsAt(inspected, b)),
  net: (inspected, a, b) => meet(netsOf(inspected, a), netsOf(inspected, b)),
  box: (_, a, b) => a.at.box !== undefined && a.at.box === b.at.box,
};

/**
 * The findings, each of which most likely goes with another one named as that: only violations and cautions under one that is no
 * milder. Nothing is taken away by it; what still stands once the other is mended stands for itself.
 */
export const withCauses = (inspected: Inspected, findings: readonly Finding[]): Finding[] => {
  const causes = findings.filter(({ severity }) => severity === 'violation');
  const causeOf = (one: Finding): Finding | undefined => {
    if (one.severity !== 'violation' && one.severity !== 'caution') return undefined;
    for (const { rules, from, by } of FOLLOWS) {
      if (!rules.includes(one.rule)) continue;
      const cause = causes.find((other) => other.rule === from && BONDS[by](inspected, one, other));
      if (cause) return cause;
    }
    return undefined;
  };
  // The table has no ring, so that each chain of causes ends.
  const root = (one: Finding): Finding => {
    const cause = causeOf(one);
    return cause ? root(cause) : one;
  };
  return findings.map((one) => {
    const first = root(one);
    return first === one ? one : { ...one, follows: findingKey(first) };
  });
};
