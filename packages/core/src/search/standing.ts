import { articleOf, groundOf } from '../model/articles.js';
import type { BoxContents } from '../model/contents.js';
import { PANEL, placeOfNode, type BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Terminal } from '../model/wiring.js';
import { yokeGrounds } from '../circuit/grounding.js';
import { chosenOffer, suitingBoxes, type BoxOffer } from '../materials/boxChoice.js';
import type { BoxNode } from '../planning/boxNodes.js';
import { cablesFor } from '../planning/carriers.js';
import type { Net } from '../planning/nets.js';
import type { Settled } from './problem.js';

/** What stands in a box whatever tree is chosen. */
export interface Standing {
  box: Job['boxes'][number];
  contents: BoxContents;
  offers: BoxOffer[];
  /** Terminals and leads of each net class by its first net, and of the grounds. */
  nodes: (BoxNode | null)[];
  ground: BoxNode;
  /** Terminals of grounds that screws to a bonded box would serve. */
  byScrews: ReadonlySet<string>;
  groundEnds: number;
  minutes: number;
  /** Device spaces taken, and whether any device in it is new. */
  gangs: number;
  newDevices: boolean;
}

const emptyNode = (net: Net | 'ground'): BoxNode => ({ key: 'x', net, ends: [], terminals: [], leads: [] });

/** Tells terminals apart. */
export const terminalName = (to: Terminal) => JSON.stringify(to);

export const standingAt = (job: Job, settled: Settled, index: number): Standing | null => {
  const node = settled.nodes[index];
  const id = node === undefined ? undefined : (placeOfNode(node) as BoxId);
  const box = job.boxes.find((one) => one.id === id);
  if (!box || node === undefined) return null;
  const far = node !== id;
  const { awg } = settled.circuit;
  const here = settled.attachments.filter(
    (one) => one.at === node || (one.net === 'ground' && !far && placeOfNode(one.at) === id),
  );
  const nodes = settled.classes.map(({ nets: [net] }) => (net ? emptyNode(net) : null));
  const ground = emptyNode('ground');
  const byScrews = new Set<string>();
  for (const { net, to, twin } of here) {
    const at =
      net === 'ground' ? ground : nodes[settled.classes.findIndex((one) => one.nets[0]?.id === net.id)];
    if (!at) continue;
    const luminaire = 'luminaire' in to ? job.luminaires.find((one) => one.id === to.luminaire) : undefined;
    const strapped = luminaire?.strap === true && 'luminaire' in to && to.name === 'ground';
    if ('luminaire' in to && luminaire?.terminals === 'leads' && !strapped)
      at.leads.push({ luminaire: to.luminaire, name: to.name, awg: luminaire.leadAwg });
    else at.terminals.push({ to, twin: twin ?? null });
    if (net !== 'ground' || !('device' in to)) continue;
    const fitting = settled.fittings.find((one) => `device:${one.slot.id}` === to.device);
    if (fitting?.article && yokeGrounds(fitting.article, 'metal')) byScrews.add(terminalName(to));
  }
  const fittings = settled.fittings.filter((one) => one.slot.box === id);
  const hanging = job.luminaires.filter((one) => one.box === id);
  const lying = job.existingCables.flatMap((cable) => {
    const times = cable.between.filter((place) => place === id).length;
    const article = articleOf(job.stock, 'cable', cable.article);
    return Array.from({ length: times }, () => article);
  });
  const fed =
    settled.root === index && !job.existingCables.some((one) => one.between.join() === `${PANEL},${id}`);
  const feed = fed ? cablesFor(job, settled.circuit).slice(0, 1) : [];
  const cables = [...lying, ...feed];
  const groundsIn = cables.flatMap((one) => {
    const colour = groundOf(one);
    return colour === null || colour === 'raceway' ? [] : [one.awg];
  });
  const leads = hanging.flatMap((one) =>
    one.terminals === 'leads' ? Array.from({ length: one.partOf === null ? 2 : 1 }, () => one.leadAwg) : [],
  );
  const before = box.existingFill;
  const contents: BoxContents = {
    ...before,
    conductors: [
      ...before.conductors,
      ...cables.flatMap((one) => one.insulated.map(() => one.awg)),
      ...leads.filter((size) => size <= 14),
    ],
    grounds: [...before.grounds, ...groundsIn],
    yokes: [
      ...before.yokes,
      ...fittings.flatMap(({ article }) => (article ? [{ gangs: article.gangs, awg }] : [])),
    ],
    supportFittings: box.fittings.length + before.supportFittings,
    fixtureWires: [...before.fixtureWires, ...leads.filter((size) => size > 14)],
    domedCanopy: before.domedCanopy && hanging.every((one) => one.domedCanopy || one.terminals === 'screws'),
  };
  const gangs = fittings.reduce((sum, one) => sum + (one.article?.gangs ?? 0), 0);
  const own = box.article !== null ? [chosenOffer(job, [box.article, ...box.sections])] : null;
  const bringsItsOwn = hanging.find((one) => one.driverBox !== null)?.driverBox;
  const offers =
    own ??
    (bringsItsOwn !== undefined && bringsItsOwn !== null
      ? [{ articles: [], volume: bringsItsOwn, gangs: 0, price: 0, internalClamps: false }]
      : suitingBoxes(job, box, { gangs, luminaires: hanging.filter((one) => one.unit !== 'onward') }));
  const labour = box.work === 'beyond' ? 0 : job.labour.box[box.work];
  return {
    box,
    contents,
    offers,
    nodes,
    ground,
    byScrews,
    groundEnds: groundsIn.length,
    minutes: labour,
    gangs,
    newDevices: fittings.some(({ slot, article }) => article !== null && !slot.existing),
  };
};
