import { articleOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { Job } from '../model/job.js';
import { jointKey } from '../circuit/keys.js';
import { jacketOf } from '../words/jackets.js';
import type { Across } from './across.js';
import type { DrawnCable, DrawnConnector, DrawnFixture, DrawnJumper, DrawnWire } from './geometry.js';
import { bodyHeight, type Down, type Words } from './layOut.js';
import type { Prepared } from './prepared.js';

export const drawnCables = (
  { scene }: Prepared,
  across: Across,
  down: Down,
  words: Words,
  job: Job,
): DrawnCable[] =>
  scene.entries.map(({ cable, side: end }, i) => {
    const { x = 0, width = 0, edge = 'top' } = across.sheaths[i] ?? {};
    const lines = words.sheaths[i] ?? [];
    const height = edge === 'top' ? down.sheathBottom : down.height - down.lowerSheaths;
    return {
      ...{ cable: cable.id, end, edge, lines, existing: cable.existing, x, width, height },
      jacket: jacketOf(articleOf(job.stock, 'cable', cable.article), cable.existing),
      y: edge === 'top' ? down.sheathTop : down.lowerSheaths,
    };
  });

export const drawnFixtures = (
  { scene }: Prepared,
  across: Across,
  down: Down,
  words: Words,
): DrawnFixture[] =>
  scene.fixtures.map(({ id, item, pins }, i) => {
    const { x = 0, width = 0 } = across.fixtures[i] ?? {};
    const height = bodyHeight(item.kind);
    const y = down.fixtureTop;
    return {
      ...{ id, item, x, y, width, height, title: words.titles[i] ?? [] },
      pins: pins.map(({ key, name, part }) => ({
        ...{ key, name, part, x: part.side === 'left' ? x : x + width },
        y: y + (height * part.height) / 100,
      })),
    };
  });

export const drawnConnectors = (
  { units, scene }: Prepared,
  across: Across,
  down: Down,
  words: Words,
  wires: readonly DrawnWire[],
): DrawnConnector[] =>
  units
    .filter((one) => one.kind === 'connector' || one.kind === 'loose')
    .map((unit) => {
      const { x, width } = across.units[unit.index] ?? { x: 0, width: 0 };
      const row = (unit.low ? down.low : down.rows[unit.row]) ?? down.low;
      const mine = [...unit.tops, ...unit.bottoms, ...unit.tails];
      const frame = { x, y: row.top, width, height: row.bottom - row.top };
      const touches = (y: number) => Math.abs(y - frame.y) < 1 || Math.abs(y - frame.y - frame.height) < 1;
      return {
        ...frame,
        id: unit.id,
        ...{ joint: unit.joint?.id ?? null, family: unit.family, role: unit.role },
        key: unit.joint
          ? jointKey(unit.joint.id)
          : (scene.wires[unit.tops[0] ?? unit.bottoms[0] ?? -1]?.key ?? ''),
        form:
          unit.kind === 'loose'
            ? ('air' as const)
            : unit.family === null
              ? unit.untold
                ? ('untold' as const)
                : ('none' as const)
              : ('connector' as const),
        lines: words.units[unit.index] ?? [],
        ports: mine.flatMap((wire) => wires[wire]?.points.filter(({ y }) => touches(y)).slice(0, 1) ?? []),
      };
    });

/** The wires between the connectors of a chain, and pieces of wire between screws. */
export const drawnJumpers = ({ groups, units, scene }: Prepared, across: Across, down: Down): DrawnJumper[] =>
  groups.flatMap(({ units: mine }): DrawnJumper[] => {
    const first = units[mine[0] ?? -1];
    if (!first?.joint) return [];
    const row = (first.low ? down.low : down.rows[first.row]) ?? down.low;
    const end = first.joint.members.find((member) => 'end' in member);
    const tail = first.joint.members.find((member) => 'pigtail' in member);
    const colour: Colour =
      end && 'end' in end ? end.end.colour : tail && 'pigtail' in tail ? tail.pigtail.colour : 'black';
    const jumper = { joint: first.joint.id, key: jointKey(first.joint.id), colour };
    if (first.kind === 'piece') {
      const xs = first.tails.map((wire) => across.start[wire] ?? 0);
      const key = scene.wires[first.tails[0] ?? -1]?.key ?? jumper.key;
      const [a, b] = [Math.min(...xs), Math.max(...xs)];
      return xs.length < 2 ? [] : [{ ...jumper, key, points: [a, b].map((x) => ({ x, y: row.bottom })) }];
    }
    const spans = mine.flatMap((index) => across.units[index] ?? []).sort((a, b) => a.x - b.x);
    const y = (row.top + row.bottom) / 2;
    return spans.slice(1).map((right, i) => {
      const left = spans[i] ?? right;
      return {
        ...jumper,
        points: [
          { x: left.x + left.width, y },
          { x: right.x, y },
        ],
      };
    });
  });
