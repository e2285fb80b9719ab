import { othersIn, boxContentsSchema, type Job, type Wiring } from '../../src/index.js';

/** Quarter inches cubed make every allowance a whole number. */
const QUARTERS: Record<number, number> = { 18: 6, 16: 7, 14: 8, 12: 9, 10: 10, 8: 12, 6: 20 };
const quarters = (awg: number) => QUARTERS[awg] ?? NaN;
const sum = (all: number[]) => all.reduce((total, one) => total + one, 0);

/**
 * Box fill counted the slow way, by walking over joints and landings instead of cables: every wire end found in the
 * box, one by one, and after them what was there before. Ten-thousandths of a cubic inch.
 */
export const countedFill = (job: Job, wiring: Wiring, box: string, edition: number): number => {
  const cableOf = (id: string) => wiring.cables.find((cable) => cable.id === id);
  const articleOf = (id: string) => {
    const article = job.stock.find((one) => one.id === cableOf(id)?.article);
    if (article?.kind !== 'cable') throw new Error(`${id} has no article`);
    return article;
  };
  const found = job.boxes.find((one) => one.id === box);
  if (!found) throw new Error(`no box ${box}`);
  const before = othersIn(job, box) ?? boxContentsSchema.parse({});
  const insulated: number[] = [...before.conductors];
  const grounds: number[] = [...before.grounds];
  const thinLeads: number[] = [...before.fixtureWires];
  const passing = before.passing.flatMap(({ awg, loop }) => (loop ? [awg, awg] : [awg]));

  const ends = [
    ...wiring.joints.flatMap((joint) => joint.members.flatMap((m) => ('end' in m ? [m.end] : []))),
    ...wiring.landings.flatMap(({ wire }) => ('end' in wire ? [wire.end] : [])),
  ].filter((end) => cableOf(end.cable)?.[end.side] === box && end.colour !== 'raceway');
  // A ground left long is joined and landed, and still one wire.
  const seen = new Map(ends.map((end) => [`${end.cable} ${end.side} ${end.colour}`, end]));
  for (const { cable, colour } of seen.values()) {
    const { awg, ground } = articleOf(cable);
    (colour === ground ? grounds : insulated).push(awg);
  }
  for (const cable of wiring.cables)
    for (const { box: at, loop } of cable.via) {
      if (at !== box) continue;
      const { awg, insulated: colours, ground } = articleOf(cable.id);
      for (let i = 0; i < colours.length * (loop ? 2 : 1); i++) passing.push(awg);
      if (ground === 'bare' || ground === 'green') grounds.push(awg);
    }
  const lamps = wiring.joints
    .filter((joint) => joint.box === box)
    .flatMap((joint) => joint.members)
    .flatMap((m) =>
      'lead' in m && 'luminaire' in m.lead && m.lead.name !== 'ground' ? [m.lead.luminaire] : [],
    )
    .map((id) => job.luminaires.find((one) => one.id === id));
  for (const joint of wiring.joints.filter((one) => one.box === box))
    for (const member of joint.members) {
      if (!('lead' in member) || !('luminaire' in member.lead) || member.lead.name !== 'ground') continue;
      const { luminaire } = member.lead;
      const flat = job.luminaires.find(({ id, domedCanopy }) => id === luminaire && !domedCanopy);
      if (flat) grounds.push(flat.leadAwg);
    }
  for (const lamp of lamps) if (lamp) (lamp.leadAwg > 14 ? thinLeads : insulated).push(lamp.leadAwg);
  const domed = before.domedCanopy && lamps.every((lamp) => lamp?.domedCanopy);
  const counted = domed
    ? [...thinLeads].sort((a, b) => a - b).slice(0, Math.max(0, thinLeads.length - 4))
    : thinLeads;

  const largest = Math.min(...insulated, ...passing, ...grounds, ...thinLeads, ...before.isolatedGrounds);
  const yokes = [
    ...before.yokes.map(({ gangs, awg }) => gangs * 2 * quarters(awg)),
    ...wiring.devices
      .filter((device) => device.box === box)
      .map((device) => {
        const landed = wiring.landings
          .filter(({ terminal }) => 'device' in terminal && terminal.device === device.id)
          .map(({ wire }) => {
            if ('end' in wire) return articleOf(wire.end.cable).awg;
            const pigtails = wiring.joints.flatMap((joint) =>
              joint.members.flatMap((m) =>
                'pigtail' in m && m.pigtail.id === wire.pigtail ? [m.pigtail.awg] : [],
              ),
            );
            return pigtails[0] ?? NaN;
          });
        for (const joint of wiring.joints) {
          const isOfDevice = joint.members.some(
            (m) => 'lead' in m && 'device' in m.lead && m.lead.device === device.id,
          );
          for (const m of isOfDevice ? joint.members : [])
            if ('end' in m) landed.push(articleOf(m.end.cable).awg);
            else if ('pigtail' in m) landed.push(m.pigtail.awg);
        }
        if (landed.length === 0) landed.push(14);
        const article = job.stock.find((one) => one.id === device.article);
        return (article?.kind === 'device' ? article.gangs : NaN) * 2 * quarters(Math.min(...landed));
      }),
  ];
  const boxArticles = wiring.boxes[box as keyof typeof wiring.boxes] ?? [];
  const clamped =
    before.internalClamps ||
    boxArticles.some((id) =>
      job.stock.some((one) => one.id === id && one.kind === 'box' && one.internalClamps),
    );
  const fittings = (job.boxes.find((one) => one.id === box)?.fittings.length ?? 0) + before.supportFittings;
  const unit = largest === Infinity ? 0 : quarters(largest);
  const pooled = edition < 2020 ? grounds : [...grounds, ...before.isolatedGrounds];
  const groundUnit = pooled.length === 0 ? 0 : quarters(Math.min(...pooled));
  const isolated =
    edition < 2020 && before.isolatedGrounds.length > 0 ? quarters(Math.min(...before.isolatedGrounds)) : 0;
  const total =
    sum([...insulated, ...passing, ...counted].map(quarters)) +
    sum(yokes) +
    (clamped ? unit : 0) +
    fittings * unit +
    groundUnit +
    (edition < 2020 ? 0 : (Math.max(0, pooled.length - 4) * groundUnit) / 4) +
    isolated +
    (edition < 2023 ? 0 : sum(before.terminalBlocks.map(quarters)));
  return total * 2500;
};
