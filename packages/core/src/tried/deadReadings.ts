import { digestOf } from '../model/digest.js';
import { articleOf, conductorsOf } from '../model/articles.js';
import type { BoxId, CircuitId } from '../model/ids.js';
import { findBox } from '../model/lookup.js';
import { endKey, placeOfEnd, type End, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { endWord } from '../words/wires.js';
import { signedHash } from './answers.js';

/** A dead reading of the make-up, while no device is in and nothing is landed at the panel. */
export interface DeadReading {
  id: string;
  hash: string;
  /** Where the link wire is, and between what; null where there is none. */
  link: string | null;
  box: BoxId;
  /** "a continuity tester between … and the bare grounds." */
  step: string;
  expect: 'continuity' | 'none';
  /** The same by the keys of conductors: what is linked, what is probed together, and the ground that it is held against. */
  keys: { link: readonly [string, string] | null; probe: readonly string[]; ground: string };
}

interface Point {
  net: number;
  key: string;
  end: End;
  spliced: boolean;
}

/** The wiring of some boxes while it is made up: no device, no luminaire, nothing landed but grounds on boxes. */
export const madeUp = (wiring: Wiring, boxes: ReadonlySet<string>): Wiring => ({
  ...wiring,
  devices: [],
  luminaires: [],
  cables: wiring.cables.filter(({ from, to }) => boxes.has(from) || boxes.has(to)),
  landings: wiring.landings.filter(({ terminal }) => 'box' in terminal && boxes.has(terminal.box)),
  joints: wiring.joints.flatMap((joint) => {
    if (!boxes.has(joint.box)) return [];
    const members = joint.members.filter((one) => !('lead' in one));
    return members.length === 0 ? [] : [{ ...joint, members, connectors: [] }];
  }),
  marks: wiring.marks,
  unseen: [],
});

const isGround = ({ colour }: End): boolean => colour === 'bare' || colour === 'green';

/** One point of each piece of copper in each box: a loose end where there is one, else its splice. */
export const pointsIn = (
  { job }: ReviewedWiring,
  stage: Wiring,
  compiled: Compiled,
  boxes: readonly BoxId[],
): Map<BoxId, Point[]> => {
  const spliced = new Set(
    stage.joints.flatMap(({ members }) =>
      members.length < 2 ? [] : members.flatMap((one) => ('end' in one ? [endKey(one.end)] : [])),
    ),
  );
  const points = new Map<BoxId, Point[]>(boxes.map((box) => [box, []]));
  for (const cable of stage.cables)
    for (const side of ['from', 'to'] as const) {
      const here = points.get(placeOfEnd(cable, side) as BoxId);
      if (!here) continue;
      for (const colour of conductorsOf(articleOf(job.stock, 'cable', cable.article))) {
        const end: End = { cable: cable.id, side, colour };
        const key = conductorKey(cable.id, colour);
        const net = compiled.netOf(key);
        if (net === undefined) continue;
        const point = { net, key, end, spliced: spliced.has(endKey(end)) };
        const known = here.findIndex((one) => one.net === net);
        if (known < 0) here.push(point);
        else if (here[known]?.spliced && !point.spliced) here[known] = point;
      }
    }
  return points;
};

/** Every reading that may tell something: no insulated end to ground, and with each piece of copper linked to ground in its first box, that one and no other at its far ones. */
export const candidatesOf = (
  review: ReviewedWiring,
  circuit: CircuitId,
  stage: Wiring,
  points: ReadonlyMap<BoxId, readonly Point[]>,
): DeadReading[] => {
  const { job } = review;
  const sum = signedHash(review, circuit);
  const nameOf = ({ end, spliced }: Point) =>
    `${spliced ? 'the splice of ' : ''}the ${endWord(job, review.wiring, end)}`;
  const boxName = (box: BoxId) => findBox(job, box)?.name ?? box;
  const grounds = new Map(
    [...points].flatMap(([box, here]) => {
      const ground = here.find(({ end }) => isGround(end));
      return ground ? [[box, ground] as const] : [];
    }),
  );
  const endsOf = (net: number, box: BoxId) =>
    stage.cables.filter((cable) =>
      (['from', 'to'] as const).some(
        (side) =>
          placeOfEnd(cable, side) === box &&
          points.get(box)?.some((one) => one.net === net && one.end.cable === cable.id),
      ),
    ).length;
  const candidates: DeadReading[] = [];
  const add = (
    box: BoxId,
    link: { box: BoxId; point: Point; ground: Point } | null,
    probed: readonly Point[],
    expect: DeadReading['expect'],
    words: string,
  ) => {
    const ground = grounds.get(box);
    if (!ground || probed.length === 0) return;
    const id = `dead/${circuit}/${link?.point.key ?? ''}/${box}/${expect}`;
    candidates.push({
      ...{ id, box, expect, hash: digestOf([sum, id, expect]) },
      link: link && `At ${boxName(link.box)}: the link wire from ${nameOf(link.point)} to the bare grounds.`,
      step: `At ${boxName(box)}: a continuity tester between ${words} and the bare grounds.`,
      keys: {
        link: link && [link.point.key, link.ground.key],
        probe: probed.map(({ key }) => key),
        ground: ground.key,
      },
    });
  };
  for (const [box, here] of points) {
    const hot = here.filter(({ end }) => !isGround(end));
    add(box, null, hot, 'none', 'all insulated ends and splices of the box, held together,');
  }
  const nets = new Set(
    [...points.values()]
      .flat()
      .filter(({ end }) => !isGround(end))
      .map(({ net }) => net),
  );
  for (const net of nets) {
    const at = [...points].filter(([, here]) => here.some((one) => one.net === net)).map(([box]) => box);
    const [first] = at;
    const point = first && points.get(first)?.find((one) => one.net === net);
    const ground = first && grounds.get(first);
    if (!first || !point || !ground || at.length < 2) continue;
    const link = { box: first, point, ground };
    for (const box of at.slice(1).filter((one) => endsOf(net, one) === 1)) {
      const here = points.get(box) ?? [];
      const own = here.filter((one) => one.net === net);
      const others = here.filter((one) => one.net !== net && !isGround(one.end));
      const [named] = own;
      if (named) add(box, link, own, 'continuity', nameOf(named));
      add(box, link, others, 'none', 'every other insulated end and splice, held together,');
    }
  }
  return candidates;
};
