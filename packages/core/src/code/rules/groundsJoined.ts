import { articleOf, groundOf } from '../../model/articles.js';
import { createUnknown, endKey, placeOfEnd, terminalKey, type End, type Wiring } from '../../model/wiring.js';
import type { BoxId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { Numbering } from '../../circuit/numbering.js';
import { UnionFind } from '../../circuit/unionFind.js';
import { groundRemedy, suspectGrounds } from '../groundUse.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  box: BoxId;
  parts: End[][];
}

/** Ground ends that enter a box, and which of them are one by splices and by the box itself, devices taken out. */
const groundParts = (job: Job, wiring: Wiring, box: BoxId, isLeftOut: (end: End) => boolean): End[][] => {
  const ends = wiring.cables.flatMap((cable) => {
    const ground = groundOf(articleOf(job.stock, 'cable', cable.article));
    if (ground === null || ground === 'raceway') return [];
    return (['from', 'to'] as const)
      .filter((side) => placeOfEnd(cable, side) === box)
      .map((side): End => ({ cable: cable.id, side, colour: ground }))
      .filter((end) => !isLeftOut(end));
  });
  const nodes = new Numbering();
  const node = (key: string) => nodes.of(key);
  const touches: [number, number][] = [];
  for (const joint of wiring.joints.filter((one) => one.box === box))
    for (const member of joint.members)
      touches.push([
        node(joint.id),
        node(
          'end' in member
            ? endKey(member.end)
            : 'pigtail' in member
              ? member.pigtail.id
              : terminalKey(member.lead),
        ),
      ]);
  for (const { wire, terminal } of wiring.landings)
    if ('box' in terminal && terminal.box === box)
      touches.push([node('end' in wire ? endKey(wire.end) : wire.pigtail), node(terminalKey(terminal))]);
  const keys = ends.map((end) => node(endKey(end)));
  const sets = new UnionFind(nodes.size);
  for (const [a, b] of touches) sets.join(a, b);
  const parts = new Map<number, End[]>();
  ends.forEach((end, i) => {
    const root = sets.find(keys[i] ?? 0);
    parts.set(root, [...(parts.get(root) ?? []), end]);
  });
  return [...parts.values()];
};

/** 250.148: every ground in a box is spliced or connected within it, and taking a device out does not part them. */
export const groundsJoined = defineRule<Found>({
  id: 'grounds-joined',
  stage: 'makeUp',
  title: 'All grounds in a box are joined, whatever the circuit',
  rests: 'By a splice or by the box, so that taking a device out parts nothing; isolated grounds apart.',
  section: () => '250.148',
  severities: ['violation'],
  check: (inspected) => {
    const { job, wiring } = inspected;
    // One that carries something else is no loose ground: 250.119 is the finding.
    const suspect = suspectGrounds(inspected);
    // Of one that nobody has looked at it is not known that it is loose.
    const isUnknown = createUnknown(wiring);
    return job.boxes
      .filter((box) => box.work !== 'beyond')
      .flatMap((box): Breach<Found>[] => {
        const parts = groundParts(job, wiring, box.id, (end) => suspect.has(endKey(end)) || isUnknown(end));
        const [, loose] = parts;
        const [end] = loose ?? [];
        return end ? [{ severity: 'violation', at: { box: box.id, end }, data: { box: box.id, parts } }] : [];
      });
  },
  say: ({ box, parts }, inspected) => ({
    where: inspected.place(box),
    what: `the grounds are in ${parts.length} parts`,
    reason: 'A fault behind the one that is loose has no way back, and the breaker does not open.',
    remedy: groundRemedy(
      inspected,
      box,
      'Join all grounds of the box in one splice, with a tail to each device and to a metal box.',
    ),
  }),
});
