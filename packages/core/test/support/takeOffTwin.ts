import type { Job, Wiring } from '../../src/index.js';

/** Staples set one after another along the run, as one would on site. */
const staplesAlong = (length: number, near: number, far: number): number => {
  if (length <= Math.min(near, far)) return 1;
  let count = 1;
  let at = near;
  while (length - at > far) {
    at = Math.min(at + 54, length - far);
    count += 1;
  }
  return Math.max(2, count);
};

/**
 * The take-off counted another way: over landings instead of splices, end by end, price by price. Quantity of each
 * article, and the sum of money.
 */
export const countedTakeOff = (
  job: Job,
  wiring: Wiring,
): { quantities: Map<string, number>; total: number } => {
  const quantities = new Map<string, number>();
  const count = (id: string | undefined, quantity = 1) => {
    if (id === undefined) throw new Error('the stock of the tests lacks something');
    if (quantity > 0) quantities.set(id, (quantities.get(id) ?? 0) + quantity);
  };
  const boxOf = (id: string) => job.boxes.find((box) => box.id === id);
  const counts = (box: string) => {
    const touched = wiring.cables.some((cable) => cable.from === box || cable.to === box);
    return touched && boxOf(box)?.work !== 'beyond';
  };
  const articles = new Map(job.stock.map((article) => [article.id as string, article]));
  const chosen = (box: string) =>
    (wiring.boxes[box as keyof typeof wiring.boxes] ?? []).map((id) => {
      const article = articles.get(id);
      if (article?.kind !== 'box') throw new Error(`${id} is no box`);
      return article;
    });

  for (const cable of wiring.cables) {
    if (cable.existing) continue;
    const fact = job.runFacts.find(({ between }) =>
      [`${cable.from} ${cable.to}`, `${cable.to} ${cable.from}`].includes(between.join(' ')),
    );
    const left = (place: string) =>
      place === 'panel' ? job.routing.atPanel : job.preferences.freeConductor + 0.5;
    if (cable.length !== null) {
      const estimated = cable.lengthSource === 'estimated' ? 1 + job.routing.allowance / 100 : 1;
      const inches = cable.length * estimated + left(cable.from) + left(cable.to);
      // Half feet, rounded up; a hair of slack for binary fractions.
      count(cable.article, Math.ceil(inches / 6 - 1e-9) / 2);
    }
    if ((fact?.access ?? job.routing.access) !== 'fished') {
      const reach = (place: string) => {
        const [box] = place === 'panel' ? [] : chosen(place);
        const gangs = Math.max(0, ...(place === 'panel' ? [] : chosen(place)).map((one) => one.gangs));
        return box && !box.metal && gangs === 1 && !box.internalClamps ? 8 : 12;
      };
      const { from, to, length } = cable;
      const plates = job.runFacts.find((fact) => fact.between.includes(from) && fact.between.includes(to));
      count('steel-plate', plates?.closeHoles ?? 0);
      count('staple', length === null ? 2 : staplesAlong(length, reach(from), reach(to)));
    }
  }
  for (const box of job.boxes) {
    if (!counts(box.id)) continue;
    if (box.work !== 'existing') for (const article of chosen(box.id)) count(article.id);
    const devices = wiring.devices.filter((device) => device.box === box.id);
    for (const device of devices) count(device.article);
    const gangs = Math.max(...chosen(box.id).map((article) => article.gangs), 0);
    if (devices.length === 0) continue;
    count(gangs > 4 ? `${gangs}-gang plate` : `plate-${gangs}`);
    count('blank', gangs - devices.length);
  }
  const tails: string[] = [];
  for (const { box, members, connectors } of wiring.joints) {
    if (!counts(box)) continue;
    for (const one of connectors) count(one.article);
    for (const member of members)
      if ('pigtail' in member) tails.push(`wire-${member.pigtail.awg}-${member.pigtail.colour}`);
    const ends = connectors.reduce((sum, one) => sum + one.jumperEnds, 0);
    if (ends === 0) continue;
    const awg = members.map((member) => {
      if ('pigtail' in member) return member.pigtail.awg;
      if ('lead' in member) {
        const { lead } = member;
        if ('luminaire' in lead)
          return job.luminaires.find((one) => one.id === lead.luminaire)?.leadAwg ?? NaN;
        const device = articles.get(wiring.devices.find((one) => one.id === lead.device)?.article ?? '');
        const face =
          device?.kind === 'device' ? device.terminals.find((one) => one.name === lead.name)?.face : null;
        return face?.kind === 'lead' ? face.awg : NaN;
      }
      const article = articles.get(wiring.cables.find((one) => one.id === member.end.cable)?.article ?? '');
      return article?.kind === 'cable' ? article.awg : NaN;
    });
    // What a marked white is marked with counts for its colour; among grounds a jumper is bare.
    const hues = members.flatMap((member) => {
      if (!('end' in member)) return 'pigtail' in member ? [String(member.pigtail.colour)] : [];
      const { cable, side, colour: own } = member.end;
      const mark = wiring.marks.find(
        ({ end }) => end.cable === cable && end.side === side && end.colour === own,
      );
      return [(mark?.colour ?? own).replace(/-\d/, '')];
    });
    const coloured = hues.find((hue) => hue !== 'white' && hue !== 'gray');
    const usual = coloured === undefined ? (hues.length > 0 ? 'white' : 'black') : coloured;
    const grounded = ['bare', 'green', 'raceway'].some((hue) => hues.includes(hue));
    const colour = grounded ? 'bare' : ['white', 'red', 'blue'].includes(usual) ? usual : 'black';
    for (let i = 0; i < ends / 2; i++) tails.push(`wire-${Math.min(...awg)}-${colour}`);
  }
  for (const wire of new Set(tails)) {
    const inches = tails.filter((one) => one === wire).length * job.preferences.tail;
    count(wire, Math.ceil(inches / 12));
  }
  if (job.preferences.reidentify !== 'marker')
    for (const colour of ['black', 'red'] as const) {
      const marks = wiring.marks.filter((mark) => mark.colour === colour).length;
      if (marks > 0) count(`tape-${colour}`, Math.ceil(marks / 4));
    }
  const total = [...quantities].reduce(
    (sum, [id, quantity]) => sum + Math.round(quantity * (articles.get(id)?.price ?? 0)),
    0,
  );
  return { quantities, total };
};
