import { articleOf } from '../model/articles.js';
import {
  PANEL,
  UNKNOWN_PLACE,
  type CableId,
  type DeviceId,
  type LuminaireId,
  type Place,
} from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import type { Parts } from '../circuit/parts.js';

/** One place of the run: the panel or a box, with what it holds. Columns and rows count from 0. */
export interface StripNode {
  /** The place; of an end that nobody knows, its cable. */
  id: string;
  place: Place;
  column: number;
  row: number;
  devices: DeviceId[];
  luminaires: LuminaireId[];
}

export interface StripEdge {
  cable: CableId;
  /** Ids of its nodes. */
  from: string;
  to: string;
  name: string;
  insulated: number;
  /** Of several cables between the same two places: which of them it is, and how many there are. */
  lane: number;
  lanes: number;
  /** Inches along the run. */
  length: number | null;
  existing: boolean;
}

/** The run of one circuit as a tree: a column for each step from the feed, a row for each branch. */
export interface RunStrip {
  nodes: StripNode[];
  edges: StripEdge[];
  columns: number;
  rows: number;
}

/** Does a run lead back over what is drawn already, or past a place between? It goes over them in an arc then: straight on it would be taken for a run to these. */
export const leadsBack = (from: Pick<StripNode, 'column'>, to: Pick<StripNode, 'column'>): boolean =>
  to.column !== from.column + 1;

/** By row, over which of them a run leads back. */
export const rowsUnderArcs = (
  rows: number,
  edges: readonly (readonly [
    from: Pick<StripNode, 'column' | 'row'>,
    to: Pick<StripNode, 'column' | 'row'>,
  ])[],
): boolean[] =>
  Array.from({ length: rows }, (_, row) =>
    edges.some(([from, to]) => leadsBack(from, to) && Math.min(from.row, to.row) === row),
  );

/**
 * Lays out the cables that the root reaches, in the order of the wiring. A branch's first cable goes straight on, each
 * further one starts a row of its own. Cables that lead back to a place already drawn are edges without a new node; several between
 * the same two places go side by side.
 */
export const drawStrip = (
  wiring: Wiring,
  parts: Parts,
  cables: readonly CableId[],
  root: Place = PANEL,
): RunStrip => {
  const mine = wiring.cables.filter((cable) => cables.includes(cable.id));
  const nodes: StripNode[] = [];
  const edges: StripEdge[] = [];
  const drawn = new Set<string>();
  let rows = 1;
  const visit = (place: Place, column: number, row: number, id: string = place) => {
    nodes.push({
      ...{ id, place },
      column,
      row,
      devices: wiring.devices.filter((device) => device.box === place).map((device) => device.id),
      luminaires: parts.luminaires.filter((one) => one.box === place).map((one) => one.id),
    });
    if (place === UNKNOWN_PLACE) return;
    let first = true;
    for (const cable of mine) {
      if (drawn.has(cable.id) || (cable.from !== place && cable.to !== place)) continue;
      const other = cable.from === place ? cable.to : cable.from;
      const node = other === UNKNOWN_PLACE ? cable.id : other;
      const beside = mine.filter(
        (one) =>
          one === cable ||
          (other !== UNKNOWN_PLACE &&
            !drawn.has(one.id) &&
            [one.from, one.to].includes(place) &&
            [one.from, one.to].includes(other)),
      );
      beside.forEach((one, lane) => {
        drawn.add(one.id);
        const article = articleOf(parts.stock, 'cable', one.article);
        edges.push({
          cable: one.id,
          from: id,
          to: node,
          name: article.name,
          insulated: article.insulated.length,
          ...{ lane, lanes: beside.length },
          length: one.length,
          existing: one.existing,
        });
      });
      if (nodes.some((one) => one.id === node)) continue;
      visit(other, column + 1, first ? row : rows++, node);
      first = false;
    }
  };
  visit(root, 0, 0);
  return { nodes, edges, columns: Math.max(...nodes.map((node) => node.column)) + 1, rows };
};
