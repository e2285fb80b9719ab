import { ofId } from '../model/records.js';
import { articleOf, conductorsOf } from '../model/articles.js';
import { BRANCH_VOLTS } from '../model/units.js';
import { endKey, terminalKey, type Member, type Wiring } from '../model/wiring.js';
import { yokesOf } from '../circuit/grounding.js';
import { breakersOf, carrierOf, type Parts, type Positions } from '../circuit/parts.js';

/** Ohms of a conductor, and of a splice, landing or closed contact: small against any luminaire. */
const CONDUCTOR_OHMS = 0.01;
const CONTACT_OHMS = 0.001;
/** Ohms from every node to ground, so that what hangs in the air has a voltage at all. */
const LEAK_OHMS = 1e9;

/** A netlist for a general circuit simulator, and the nodes between which each luminaire hangs. */
export interface SpiceNetlist {
  text: string;
  luminaires: { id: string; hot: string; neutral: string }[];
}

/**
 * A SPICE netlist (operating point, 120 V direct) of a wiring with its handles in one set of positions. Every conductor
 * end, splice, pigtail and terminal is a node, so that a simulator that knows nothing of nets can confirm ours.
 */
export const spiceNetlist = (
  wiring: Wiring,
  parts: Parts,
  positions: Positions,
  title: string,
): SpiceNetlist => {
  const nodes = new Map<string, string>();
  const node = (key: string): string => {
    const name = nodes.get(key) ?? `n${nodes.size + 1}`;
    nodes.set(key, name);
    return name;
  };
  const lines: string[] = [];
  let count = 0;
  const resistor = (a: string, b: string, ohms: number, what: string) =>
    lines.push(`R${++count} ${a} ${b} ${ohms} $ ${what}`);

  const end = (one: Parameters<typeof endKey>[0]) => node(`end ${endKey(one)}`);
  for (const cable of wiring.cables)
    for (const colour of conductorsOf(articleOf(parts.stock, 'cable', cable.article)))
      resistor(
        end({ cable: cable.id, side: 'from', colour }),
        end({ cable: cable.id, side: 'to', colour }),
        CONDUCTOR_OHMS,
        `${colour} of ${cable.id}`,
      );
  const memberNode = (member: Member): string => {
    if ('end' in member) return end(member.end);
    return 'pigtail' in member ? node(`pigtail ${member.pigtail.id}`) : node(terminalKey(member.lead));
  };
  for (const joint of wiring.joints)
    for (const member of joint.members)
      resistor(node(`joint ${joint.id}`), memberNode(member), CONTACT_OHMS, `splice ${joint.id}`);
  for (const { wire, terminal } of wiring.landings)
    resistor(
      'end' in wire ? end(wire.end) : node(`pigtail ${wire.pigtail}`),
      node(terminalKey(terminal)),
      CONTACT_OHMS,
      `on ${terminalKey(terminal)}`,
    );
  for (const device of wiring.devices) {
    const article = articleOf(parts.stock, 'device', device.article);
    const position = article.positions[ofId(positions, device.id) ?? 0];
    for (const [a, b] of [...(position?.connected ?? []), ...article.bridged])
      resistor(
        node(terminalKey({ device: device.id, name: a })),
        node(terminalKey({ device: device.id, name: b })),
        CONTACT_OHMS,
        `${device.id} ${position?.name ?? ''}`,
      );
  }
  for (const { device, key, groundedBy } of yokesOf(wiring, parts))
    if (groundedBy)
      resistor(
        node(key),
        node(terminalKey({ box: groundedBy, name: 'ground' })),
        CONTACT_OHMS,
        `yoke of ${device}`,
      );
  const luminaires = parts.luminaires.map((one) => {
    const hot = node(terminalKey({ luminaire: one.id, name: 'hot' }));
    const neutral = node(terminalKey({ luminaire: carrierOf(one), name: 'neutral' }));
    resistor(hot, neutral, BRANCH_VOLTS ** 2 / one.va, `luminaire ${one.id}`);
    return { id: one.id, hot, neutral };
  });
  breakersOf(wiring, parts).forEach((id, i) => {
    lines.push(`V${i + 1} ${node(terminalKey({ circuit: id, name: 'hot' }))} 0 DC ${BRANCH_VOLTS}`);
    for (const name of ['neutral', 'ground'] as const)
      resistor(node(terminalKey({ circuit: id, name })), '0', CONTACT_OHMS, `panel ${name} of ${id}`);
  });
  for (const name of nodes.values()) resistor(name, '0', LEAK_OHMS, 'leak');
  return { text: [`* ${title.replace(/\s+/g, ' ')}`, ...lines, '.op', '.end', ''].join('\n'), luminaires };
};
