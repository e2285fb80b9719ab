import { ofId } from '../model/records.js';
import { articleOf, conductorsOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { CableId } from '../model/ids.js';
import { BRANCH_VOLTS } from '../model/units.js';
import { endKey, terminalKey, type Member, type Wiring } from '../model/wiring.js';
import { solveLinear } from './linear.js';
import { yokesOf } from './grounding.js';
import { breakersOf, carrierOf, type Parts, type Positions } from './parts.js';
import { UnionFind } from './unionFind.js';

const CONDUCTOR_SIEMENS: number = 100;
const LEAK_SIEMENS: number = 1e-9;
/** What a two-pole tester draws: ten kiloohms. */
const TESTER_SIEMENS: number = 1e-4;

/**
 * Nodal analysis of the whole wiring, every conductor a small resistance and every luminaire one that draws its VA at
 * 120 V. Gives amperes in each conductor, positive from the cable's `from` side to its `to` side, and volts at each
 * luminaire's terminals. Slow and plain; it knows nothing of nets, so it checks what does. Breakers never open here.
 */
export const solveCurrents = (
  wiring: Wiring,
  parts: Parts,
  positions: Positions,
  /** Keys of two points that a tester is held between: an end by `endKey`, a terminal by `terminalKey`. */
  tester: readonly [string, string] | null = null,
): {
  amperes: Map<CableId, Map<Colour, number>>;
  luminaireVolts: Map<string, number>;
  /** Volts against ground of an end, by `endKey`, or of a terminal, by `terminalKey`; undefined where the wiring does not hold it. */
  voltsAt: (key: string) => number | undefined;
} => {
  const names = new Map<string, number>();
  const node = (key: string): number => {
    const known = names.get(key);
    if (known !== undefined) return known;
    names.set(key, names.size);
    return names.size - 1;
  };
  const end = (cable: CableId, side: 'from' | 'to', colour: Colour) =>
    node(`end|${endKey({ cable, side, colour })}`);
  const ties: [number, number][] = [];
  const resistors: { a: number; b: number; siemens: number; report?: (amperes: number) => void }[] = [];
  const amperes = new Map<CableId, Map<Colour, number>>();

  for (const cable of wiring.cables) {
    const inCable = new Map<Colour, number>();
    amperes.set(cable.id, inCable);
    for (const colour of conductorsOf(articleOf(parts.stock, 'cable', cable.article)))
      resistors.push({
        a: end(cable.id, 'from', colour),
        b: end(cable.id, 'to', colour),
        siemens: CONDUCTOR_SIEMENS,
        report: (current) => inCable.set(colour, current),
      });
  }
  const memberNode = (member: Member): number => {
    if ('end' in member) return end(member.end.cable, member.end.side, member.end.colour);
    if ('pigtail' in member) return node(`pigtail|${member.pigtail.id}`);
    return node(terminalKey(member.lead));
  };
  for (const joint of wiring.joints)
    for (const member of joint.members) ties.push([node(`joint|${joint.id}`), memberNode(member)]);
  for (const { wire, terminal } of wiring.landings)
    ties.push([
      'end' in wire ? end(wire.end.cable, wire.end.side, wire.end.colour) : node(`pigtail|${wire.pigtail}`),
      node(terminalKey(terminal)),
    ]);
  for (const device of wiring.devices) {
    const article = articleOf(parts.stock, 'device', device.article);
    const closed = article.positions[ofId(positions, device.id) ?? 0]?.connected ?? [];
    for (const [a, b] of [...closed, ...article.bridged])
      ties.push([
        node(terminalKey({ device: device.id, name: a })),
        node(terminalKey({ device: device.id, name: b })),
      ]);
  }
  for (const { key, groundedBy } of yokesOf(wiring, parts))
    if (groundedBy) ties.push([node(key), node(terminalKey({ box: groundedBy, name: 'ground' }))]);
  for (const luminaire of parts.luminaires)
    resistors.push({
      a: node(terminalKey({ luminaire: luminaire.id, name: 'hot' })),
      b: node(terminalKey({ luminaire: carrierOf(luminaire), name: 'neutral' })),
      siemens: luminaire.va / BRANCH_VOLTS ** 2,
    });
  const known = (key: string): number => names.get(key) ?? node(`end|${key}`);
  if (tester) resistors.push({ a: known(tester[0]), b: known(tester[1]), siemens: TESTER_SIEMENS });
  const sources = breakersOf(wiring, parts).flatMap((id) =>
    (['hot', 'neutral', 'ground'] as const).map((name) => ({
      at: node(terminalKey({ circuit: id, name })),
      volts: name === 'hot' ? BRANCH_VOLTS : 0,
    })),
  );

  const sets = new UnionFind(names.size);
  for (const [a, b] of ties) sets.join(a, b);
  const rows = new Map<number, number>();
  for (let i = 0; i < names.size; i++) if (!rows.has(sets.find(i))) rows.set(sets.find(i), rows.size);
  const row = (i: number) => rows.get(sets.find(i)) ?? 0;
  const matrix = Array.from({ length: rows.size }, (_, i) =>
    Array.from({ length: rows.size }, (_, j) => (i === j ? LEAK_SIEMENS : 0)),
  );
  const right = matrix.map(() => 0);
  const stamp = (i: number, j: number, siemens: number) => {
    const line = matrix[i];
    if (!line) return;
    line[i] = (line[i] ?? 0) + siemens;
    line[j] = (line[j] ?? 0) - siemens;
  };
  for (const { a, b, siemens } of resistors) {
    if (row(a) === row(b)) continue;
    stamp(row(a), row(b), siemens);
    stamp(row(b), row(a), siemens);
  }
  for (const { at, volts } of sources) {
    const i = row(at);
    const line = matrix[i];
    if (line) line[i] = (line[i] ?? 0) + 1e9;
    right[i] = (right[i] ?? 0) + 1e9 * volts;
  }
  const solution = solveLinear(matrix, right);
  const volts = (i: number) => solution[row(i)] ?? 0;
  for (const { a, b, siemens, report } of resistors) report?.((volts(a) - volts(b)) * siemens);
  const luminaireVolts = new Map(
    parts.luminaires.map((one) => {
      const hot = volts(node(terminalKey({ luminaire: one.id, name: 'hot' })));
      const neutral = volts(node(terminalKey({ luminaire: carrierOf(one), name: 'neutral' })));
      return [one.id, Math.abs(hot - neutral)];
    }),
  );
  const voltsAt = (key: string): number | undefined => {
    const at = names.get(key) ?? names.get(`end|${key}`);
    return at === undefined ? undefined : volts(at);
  };
  return { amperes, luminaireVolts, voltsAt };
};
