import type { Wiring } from '../../src/index.js';
import { terminalKey, type Member } from '../../src/model/wiring.js';

/** Two pieces that touch, by the keys of a drawing. */
export type Pieces = readonly [string, string];

const ofEnd = (end: { cable: string; colour: string }) => `conductor|${end.cable}|${end.colour}`;
const ofMember = (member: Member) =>
  'end' in member
    ? ofEnd(member.end)
    : 'pigtail' in member
      ? `pigtail|${member.pigtail.id}`
      : terminalKey(member.lead);

/** What touches in a wiring by splice and by screw, read off its two relations. */
export const touches = ({ joints, landings }: Pick<Wiring, 'joints' | 'landings'>): Pieces[] => [
  ...joints.flatMap(({ id, members }) => members.map((one): Pieces => [`joint|${id}`, ofMember(one)])),
  ...landings.map(({ wire, terminal }): Pieces => [
    'end' in wire ? ofEnd(wire.end) : `pigtail|${wire.pigtail}`,
    terminalKey(terminal),
  ]),
];

/** Is there a way from one piece to another, walked from piece to piece? */
export const walks = (pieces: readonly Pieces[], from: string, to: string): boolean => {
  const beside = new Map<string, string[]>();
  for (const [a, b] of pieces) {
    beside.set(a, [...(beside.get(a) ?? []), b]);
    beside.set(b, [...(beside.get(b) ?? []), a]);
  }
  const seen = new Set([from]);
  const queue = [from];
  for (let at = queue.pop(); at !== undefined; at = queue.pop())
    for (const next of beside.get(at) ?? [])
      if (!seen.has(next)) {
        seen.add(next);
        queue.push(next);
      }
  return seen.has(to);
};
