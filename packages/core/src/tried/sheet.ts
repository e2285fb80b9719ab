import { articleOf, hasReceptacle } from '../model/articles.js';
import { contentsIn } from '../model/boxState.js';
import { digestOf } from '../model/digest.js';
import type { BoxId, CircuitId, DeviceId, GroupId, LuminaireId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import { findBox, findDevice, findGroup, findLuminaire, findSlot } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Positions } from '../circuit/parts.js';
import type { LuminaireState } from '../circuit/evaluate.js';
import { truthTable, type TruthTable } from '../proving/truthTable.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { handleName, positionName } from '../words/handles.js';
import { LIGHT_WORDS } from '../words/lights.js';
import { listed } from '../words/lists.js';
import { shortestWalk } from './walk.js';

type Light = LuminaireState['light'];

/** One set of handle positions of a group, and what is to be seen in it. */
export interface SheetRow {
  /** Names it on record. */
  id: string;
  positions: Record<DeviceId, number>;
  lights: { luminaire: LuminaireId; light: Light }[];
  /** "lit", "dark", "runs", "not known": of all of the group, or each by its name. */
  expect: string;
  /** A sum of what it rests on: every box of the circuit, and what is expected. */
  hash: string;
}

/** A group with everything that is tried of it. */
export interface SheetGroup {
  group: GroupId;
  circuit: CircuitId;
  name: string;
  handles: { device: DeviceId; box: BoxId; name: string; positions: string[] }[];
  rows: SheetRow[];
  /** How many sets of positions there are; more than are on the sheet where there are very many. */
  of: number;
}

/** A point that is touched with a tester. Live readings are for qualified people alone. */
export interface SheetPoint {
  id: string;
  circuit: CircuitId;
  box: BoxId;
  name: string;
  kind: 'receptacle' | 'reading';
  expect: string;
  caution: string;
  hash: string;
}

export interface Sheet {
  groups: SheetGroup[];
  points: SheetPoint[];
}

/** More rows of a group than these are no sheet that anybody walks. */
const MOST_ROWS = 64;

/** What is to be seen, in words: of all alike, or of each by its name. */
const sayExpected = (seen: readonly { name: string; words: string }[]): string => {
  const kinds = [...new Set(seen.map(({ words }) => words))];
  const [only, ...others] = kinds;
  if (only === undefined) return 'nothing hangs on it';
  if (others.length === 0) return only;
  return kinds
    .map((kind) => `${listed(seen.filter(({ words }) => words === kind).map(({ name }) => name))} ${kind}`)
    .join('; ');
};

/** A sum of all that is in the boxes of a circuit: an answer holds as long as it is the same. */
const circuitHash = (review: ReviewedWiring, circuit: CircuitId): string =>
  digestOf(
    [...reviewCircuit(review, circuit).boxes].sort().map((box) => [box, contentsIn(review.wiring, box)]),
  );

const rowOf = (
  job: Job,
  group: Group,
  table: TruthTable,
  { positions, lights, receptaclesLive, receptaclesUnknown }: TruthTable['rows'][number],
  boxes: string,
): SheetRow => {
  const shown = table.luminaires.map((luminaire, i) => ({ luminaire, light: lights[i] ?? 'unknown' }));
  const expect = sayExpected([
    ...shown.map(({ luminaire, light }) => {
      const known = findLuminaire(job, luminaire);
      return { name: known?.name ?? luminaire, words: LIGHT_WORDS[known?.unit ?? 'luminaire'][light] };
    }),
    ...receptaclesLive.map((live, i) => ({
      name: 'the receptacle',
      words: receptaclesUnknown[i] ? 'not known' : live ? 'live' : 'dead',
    })),
  ]);
  return {
    id: `try/${group.id}/${table.switches.map((id, i) => `${id}=${positions[i] ?? 0}`).join('/')}`,
    positions: Object.fromEntries(table.switches.map((id, i) => [id, positions[i] ?? 0])),
    lights: shown,
    expect,
    hash: digestOf([boxes, expect]),
  };
};

/** Groups one after the other so that those that share a box are tried in one visit. */
const besideEachOther = (groups: readonly SheetGroup[]): SheetGroup[] => {
  const left = [...groups];
  const made: SheetGroup[] = [];
  while (left.length > 0) {
    const here = new Set(made.at(-1)?.handles.map(({ box }) => box));
    const shared = left.findIndex(({ handles }) => handles.some(({ box }) => here.has(box)));
    made.push(...left.splice(Math.max(0, shared), 1));
  }
  return made;
};

const RECEPTACLE_CAUTION =
  'A receptacle tester cannot see neutral and ground exchanged or joined, and may miss hot and neutral exchanged behind such a join.';
const READING_CAUTION =
  'Live reading, for qualified people alone: the box is open and live. A two-pole tester rated for it, proved before and after; nothing is touched but with its probes.';

const pointsOf = (review: ReviewedWiring, circuit: CircuitId, boxes: string): SheetPoint[] => {
  const { job, wiring } = review;
  const receptacles = wiring.devices.flatMap((device): SheetPoint[] => {
    const group = findGroup(job, findSlot(job, device.slot)?.group);
    if (group?.circuit !== circuit || !hasReceptacle(articleOf(job.stock, 'device', device.article).role))
      return [];
    return [
      {
        ...{
          id: `touch/${device.id}`,
          circuit,
          box: device.box,
          kind: 'receptacle',
          caution: RECEPTACLE_CAUTION,
        },
        name: `Receptacle, ${handleName(review, device.id)}`,
        expect:
          group.control === 'switched'
            ? 'wired right with the handle on; dead with it off'
            : 'wired right: hot, neutral and ground each in its place',
        hash: digestOf([boxes, 'receptacle']),
      },
    ];
  });
  const readings = job.luminaires.flatMap((luminaire): SheetPoint[] => {
    const group = findGroup(job, luminaire.group);
    if (group?.circuit !== circuit || luminaire.unit === 'onward' || luminaire.partOf !== null) return [];
    return [
      {
        ...{
          id: `touch/${luminaire.id}`,
          circuit,
          box: luminaire.box,
          kind: 'reading',
          caution: READING_CAUTION,
        },
        name: [...new Set([findBox(job, luminaire.box)?.name ?? luminaire.box, luminaire.name])].join(
          ', at ',
        ),
        expect:
          'switched on: hot to neutral about 120 V, hot to ground about 120 V, neutral to ground about 0 V',
        hash: digestOf([boxes, 'reading']),
      },
    ];
  });
  return [...receptacles, ...readings];
};

/** What is tried of a wiring when power is there: every set of handle positions of each group, and points to touch; of one circuit where one is named. */
export const sheetOf = (review: ReviewedWiring, circuit: CircuitId | null): Sheet => {
  const { job, wiring, compiled } = review;
  const circuits = job.circuits.filter(({ id }) => circuit === null || id === circuit);
  const groups: SheetGroup[] = [];
  const points: SheetPoint[] = [];
  for (const { id } of circuits) {
    const boxes = circuitHash(review, id);
    for (const group of job.groups.filter((one) => one.circuit === id && one.control === 'switched')) {
      const table = truthTable(job, wiring, compiled, group);
      if (table.switches.length === 0) continue;
      groups.push({
        ...{ group: group.id, circuit: id, name: group.name, of: table.of },
        handles: table.switches.flatMap((device) => {
          const found = findDevice(wiring, device);
          if (!found) return [];
          const { positions } = articleOf(job.stock, 'device', found.article);
          return [
            {
              device,
              box: found.box,
              name: handleName(review, device),
              positions: positions.map(({ name }) => name),
            },
          ];
        }),
        rows: table.rows.slice(0, MOST_ROWS).map((row) => rowOf(job, group, table, row, boxes)),
      });
    }
    points.push(...pointsOf(review, id, boxes));
  }
  return { groups: besideEachOther(groups), points };
};

/** One thing to do on the sheet: handles moved, mostly one, and what is to be seen then. */
export interface SheetMove {
  row: SheetRow;
  /** None where the handles stand so already: it is looked at as it is. */
  moves: { device: DeviceId; box: BoxId; name: string; to: string; position: number }[];
}

/** The walk through what is still open of a group, from where its handles are now. */
export const nextMoves = (
  { job }: Pick<ReviewedWiring, 'job'>,
  group: SheetGroup,
  now: Positions,
  isOpen: (row: SheetRow) => boolean,
): SheetMove[] => {
  const { handles } = group;
  const open = group.rows.filter(isOpen);
  const valuesOf = (positions: Positions) => handles.map(({ device }) => ofId(positions, device) ?? 0);
  const places = handles.map(({ box }) => findBox(job, box)?.at ?? null);
  const far = (from: number, to: number): number => {
    if (handles[from]?.box === handles[to]?.box) return 0;
    const [a, b] = [places[from], places[to]];
    // Boxes of which nobody has told where they are lie a room apart.
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) : 120;
  };
  return shortestWalk(
    handles.map(({ positions }) => positions.length),
    valuesOf(now),
    open.map(({ positions }) => valuesOf(positions)),
    far,
  ).flatMap(({ at, moves }) => {
    const row = open[at];
    if (!row) return [];
    return [
      {
        row,
        moves: moves.flatMap(({ handle, to }) => {
          const one = handles[handle];
          return one
            ? [
                {
                  device: one.device,
                  box: one.box,
                  name: one.name,
                  to: one.positions[to] ?? String(to),
                  position: to,
                },
              ]
            : [];
        }),
      },
    ];
  });
};

/** Handle positions in words: "Creek end up, Yard end down". */
export const sayPositions = (
  review: Pick<ReviewedWiring, 'job' | 'wiring'>,
  group: SheetGroup,
  positions: Positions,
): string =>
  group.handles
    .map(({ device, name }) => `${name} ${positionName(review, device, ofId(positions, device) ?? 0)}`)
    .join(', ');
