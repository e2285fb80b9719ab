import {
  articleOf,
  conductorKey,
  drawStrip,
  evaluate,
  findCable,
  findGroup,
  findLuminaire,
  findSlot,
  groupsOfCircuit,
  lookOf,
  placeTag,
  reviewCircuit,
  truthTable,
  type Circuit,
  type DeviceId,
  type ReviewedWiring,
  devicesByGang,
  handleName,
  leadsBack,
  positionName,
  rowsUnderArcs,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { drawn, head, paragraph, subhead } from './parts.js';
import { element, picture, words } from './svg.js';

/** Pixels from one place of the run to the next, from one branch to the next, and between two conductors. */
const [STEP, BRANCH, LINE] = [118, 96, 9];
/** For runs that lead back over a row, and how far over the middle of its places they lie. */
const [OVER, RISE] = [24, 38];
/** More sets of positions than these are not drawn. */
const MOST_DRAWN = 8;

type Positions = Record<string, number>;
type State = ReturnType<typeof evaluate>;

const stateOf = ({ compiled }: ReviewedWiring, state: State, key: string) =>
  state.nets[compiled.netOf(key) ?? -1] ?? ('unknown' as const);

/** The conductors of a cable between two spots: live ones thick, dead ones thin, what nobody knows broken; each with its letters. */
const conductors = (
  review: ReviewedWiring,
  state: State,
  id: Parameters<typeof conductorKey>[0],
  from: { x: number; y: number },
  to: { x: number; y: number },
  /** It leads back over what is between. */
  back: boolean,
): string => {
  const { job, wiring } = review;
  const cable = findCable(wiring, id);
  if (!cable) return '';
  const colours = articleOf(job.stock, 'cable', cable.article).insulated;
  return colours
    .map((colour, i) => {
      const off = (i - (colours.length - 1) / 2) * LINE;
      const how = stateOf(review, state, conductorKey(cable.id, colour));
      const live = how === 'live' || how === 'backfed';
      const top = Math.min(from.y, to.y) - RISE + off;
      const aside = off * Math.sign(to.x - from.x);
      const middle = { x: (from.x + to.x) / 2, y: back ? top : (from.y + to.y) / 2 + off };
      return (
        element('path', {
          d: back
            ? `M${from.x + aside} ${from.y}V${top}H${to.x - aside}V${to.y}`
            : `M${from.x} ${from.y + off}L${to.x} ${to.y + off}`,
          ...{ stroke: '#000', 'stroke-width': live ? 3.2 : 0.9, fill: 'none' },
          'stroke-dasharray': how === 'unknown' ? '5 3' : undefined,
        }) +
        element('rect', { x: middle.x - 9, y: middle.y - 4, width: 18, height: 8, fill: '#fff' }) +
        words(middle.x, middle.y + 2.8, lookOf(colour).code, { size: 7.5, bold: live })
      );
    })
    .join('');
};

/** The run of a circuit in one set of positions, as a scheme: what is live is thick, a luminaire that is lit has rays. */
export const strip = (review: ReviewedWiring, circuit: Circuit, positions: Positions) => {
  const { job, wiring, compiled } = review;
  const { nodes, edges, columns, rows } = drawStrip(wiring, job, reviewCircuit(review, circuit.id).cables);
  const state = evaluate(compiled, positions);
  const ends = edges.flatMap((edge) => {
    const [from, to] = [edge.from, edge.to].map((id) => nodes.find((one) => one.id === id));
    return from && to ? [{ edge, ends: [from, to] as const }] : [];
  });
  const arcs = rowsUnderArcs(
    rows,
    ends.map((one) => one.ends),
  );
  const over = (row: number): number => arcs.slice(0, row + 1).filter((one) => one).length * OVER;
  const at = (id: string) => {
    const node = nodes.find((one) => one.id === id);
    const row = node?.row ?? 0;
    return { x: ((node?.column ?? 0) + 0.5) * STEP, y: row * BRANCH + over(row) + 40 };
  };
  const place = (node: (typeof nodes)[number]): string => {
    const { x, y } = at(node.id);
    const here = devicesByGang(review.job, review.wiring, node.place);
    const switches = here.map(({ id, article, slot }) => {
      const { letter, positions: all } = articleOf(job.stock, 'device', article);
      const set = all.length > 1 ? positionName(review, id, positions[id] ?? 0) : '';
      // Of several handles each is told by what it controls.
      const whose = here.length > 1 ? (findGroup(job, findSlot(job, slot)?.group)?.name ?? '') : '';
      return [letter ?? 'R', set, whose].filter((one) => one !== '').join(' ');
    });
    const half = Math.max(24, ...switches.map((said) => said.length * 2.4 + 4));
    // Tall enough for all of its handles.
    const tall = Math.max(40, switches.length * 11 + 10);
    const lamps = node.luminaires.map((id, i) => {
      const light = state.luminaires.find((one) => one.id === id)?.light ?? 'unknown';
      const cx = x + (i - (node.luminaires.length - 1) / 2) * 20;
      if (findLuminaire(job, id)?.unit === 'onward') return words(cx, y + 3, 'goes on', { size: 7.5 });
      const rays = light === 'lit' || light === 'dim';
      return (
        element('circle', { cx, cy: y, r: 9, fill: '#fff', stroke: '#000', 'stroke-width': rays ? 2.6 : 1 }) +
        (rays
          ? element('path', {
              d: `M${cx - 15} ${y}h4M${cx + 11} ${y}h4M${cx} ${y - 15}v4M${cx} ${y + 11}v4`,
              stroke: '#000',
              'stroke-width': 2,
            })
          : '') +
        words(cx, y + 3, light === 'unknown' ? '?' : rays ? 'lit' : 'dark', { size: 6.5 })
      );
    });
    const box =
      node.luminaires.length > 0
        ? ''
        : element('rect', {
            x: x - half,
            y: y - tall / 2,
            width: 2 * half,
            height: tall,
            rx: 4,
            fill: '#fff',
            stroke: '#000',
            'stroke-width': 1.2,
          }) +
          (switches.length === 0 ? [''] : switches)
            .map((said, i) =>
              words(x, y + 3 + (i - (switches.length - 1) / 2) * 11, said, {
                size: here.length > 1 ? 7 : 9,
                bold: true,
              }),
            )
            .join('');
    return box + lamps.join('') + words(x, y + tall / 2 + 13, placeTag(job, node.place), { size: 8 });
  };
  const inside =
    ends
      .map(({ edge: { cable, from, to }, ends: [a, b] }) =>
        conductors(review, state, cable, at(from), at(to), leadsBack(a, b)),
      )
      .join('') + nodes.map(place).join('');
  const [width, height] = [Math.max(1, columns) * STEP, Math.max(1, rows) * BRANCH + over(rows - 1)];
  return { svg: picture(width, height, inside), width, height };
};

const named = (review: ReviewedWiring, ids: readonly DeviceId[], positions: Positions): string =>
  ids.map((id) => `${handleName(review, id)}: ${positionName(review, id, positions[id] ?? 0)}`).join('; ');

/** For who learns: each group in each of its positions, drawn, so that the way of the current is seen. */
export const why = ({ review, circuits, job }: Material, first: boolean): Content[] => [
  head('Why it works: each position drawn', first),
  paragraph(
    'A scheme of the run, not of where cables lie. Thick: live. Thin: dead while the handles stand so; take it for live until it is proved dead. Broken: nobody knows. Grounds are not drawn.',
  ),
  ...circuits.flatMap((circuit): Content[] =>
    groupsOfCircuit(job, circuit.id)
      .filter(({ control }) => control === 'switched')
      .flatMap((group): Content[] => {
        const { switches, luminaires, rows } = truthTable(job, review.wiring, review.compiled, group);
        if (switches.length === 0 || rows.length === 0) return [];
        const names = luminaires.map((id) => findLuminaire(job, id)?.name ?? id).join(', ');
        return [
          ...rows.slice(0, MOST_DRAWN).map((row, i): Content => {
            const positions = Object.fromEntries<number>(
              switches.map((id, at) => [id, row.positions[at] ?? 0]),
            );
            return {
              // A head never stands alone at the foot of a page.
              unbreakable: true,
              stack: [
                ...(i === 0 ? [subhead(`${group.name}: ${names}`)] : []),
                paragraph(named(review, switches, positions), { bold: true, fontSize: 8.5 }),
                drawn(strip(review, circuit, positions), { width: 530, height: 230 }),
              ],
            };
          }),
          ...(rows.length > MOST_DRAWN
            ? [
                paragraph(
                  `The other ${rows.length - MOST_DRAWN} sets of positions are alike; all of them stand on the test sheet.`,
                ),
              ]
            : []),
        ];
      }),
  ),
];
