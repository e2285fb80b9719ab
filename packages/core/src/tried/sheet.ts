import { articleOf } from '../model/articles.js';
import { digestOf } from '../model/digest.js';
import type { BoxId, CircuitId, DeviceId, GroupId, LuminaireId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import { findDevice, findLuminaire } from '../model/lookup.js';
import type { LuminaireState } from '../circuit/evaluate.js';
import { truthTable, type TruthTable } from '../proving/truthTable.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { handleName } from '../words/handles.js';
import { LIGHT_WORDS, sayEach } from '../words/lights.js';
import { listed } from '../words/lists.js';
import { signedHash } from './answers.js';
import { pointsOf, type SheetPoint } from './points.js';

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
  /** Names of groups of which a switch stands in one of these boxes, too. */
  beside: string[];
  rows: SheetRow[];
  /** How many sets of positions there are; more than are on the sheet where there are very many. */
  of: number;
}

export interface Sheet {
  groups: SheetGroup[];
  points: SheetPoint[];
}

/** More rows of a group than these are no sheet that anybody walks. */
const MOST_ROWS = 64;

const rowOf = (
  job: Job,
  group: Group,
  table: TruthTable,
  { positions, lights, receptaclesLive, receptaclesUnknown }: TruthTable['rows'][number],
  boxes: string,
): SheetRow => {
  const shown = table.luminaires.map((luminaire, i) => ({ luminaire, light: lights[i] ?? 'unknown' }));
  const seen = sayEach([
    ...shown.map(({ luminaire, light }) => {
      const known = findLuminaire(job, luminaire);
      return { name: known?.name ?? luminaire, words: LIGHT_WORDS[known?.unit ?? 'luminaire'][light] };
    }),
    ...receptaclesLive.map((live, i) => ({
      name: 'the receptacle',
      words: receptaclesUnknown[i] ? 'not known' : live ? 'live' : 'dead',
    })),
  ]);
  const expect = seen === '' ? 'nothing hangs on it' : seen;
  return {
    id: `try/${group.id}/${table.switches.map((id, i) => `${id}=${positions[i] ?? 0}`).join('/')}`,
    positions: Object.fromEntries(table.switches.map((id, i) => [id, positions[i] ?? 0])),
    lights: shown,
    expect,
    hash: digestOf([boxes, expect]),
  };
};

/** Groups with a switch in one of the boxes of a group, by their names; a hot that is taken behind one of those shows while it is off. */
const besideOf = (job: Job, group: Group, boxes: ReadonlySet<string>): string[] => {
  const ids = new Set(job.slots.filter(({ box }) => boxes.has(box)).map((slot) => slot.group));
  return job.groups
    .filter(({ id, control }) => id !== group.id && control === 'switched' && ids.has(id))
    .map(({ name }) => name);
};

/** What is done before a group is tried that has others beside it; null where it has none. */
export const sayBeside = ({ beside }: Pick<SheetGroup, 'beside'>): string | null =>
  beside.length === 0
    ? null
    : `First switch off what else is switched from its boxes: ${listed(beside)}. What then does not come on, and does with them on, hangs on them: look whether its hot is taken behind another switch.`;

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

/** What is tried of a wiring when power is there: every set of handle positions of each group, and points to touch; of one circuit where one is named. */
export const sheetOf = (review: ReviewedWiring, circuit: CircuitId | null): Sheet => {
  const { job, wiring, compiled } = review;
  const circuits = job.circuits.filter(({ id }) => circuit === null || id === circuit);
  const groups: SheetGroup[] = [];
  const points: SheetPoint[] = [];
  for (const { id } of circuits) {
    const boxes = signedHash(review, id);
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
        beside: besideOf(
          job,
          group,
          new Set(table.switches.flatMap((device) => findDevice(wiring, device)?.box ?? [])),
        ),
        rows: table.rows.slice(0, MOST_ROWS).map((row) => rowOf(job, group, table, row, boxes)),
      });
    }
    points.push(...pointsOf(review, id, boxes));
  }
  return { groups: besideEachOther(groups), points };
};
