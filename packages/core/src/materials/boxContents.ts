import { othersIn } from '../model/lying.js';
import { findBox, findLuminaire } from '../model/lookup.js';
import { articleOf, groundOf } from '../model/articles.js';
import { existingDocument } from '../model/existing.js';
import { ofId } from '../model/records.js';
import type { BoxContents } from '../model/contents.js';
import type { ArticleId, BoxId } from '../model/ids.js';
import type { Job, JudgedEdition } from '../model/job.js';
import type { Awg } from '../model/units.js';
import { articlesAt, placeOfEnd, type Member, type Wiring } from '../model/wiring.js';
import { chosenOffer } from './boxChoice.js';
import { boxFill, type BoxFill, type FillUnknown } from '../nec/boxFill.js';

/** How sure the existing wiring is of a box; undefined where it does not tell of it. */
const sureOf = (job: Job, id: BoxId) => ofId(existingDocument(job)?.certainty, id);
const isToldOf = (job: Job, id: BoxId): boolean => sureOf(job, id) !== undefined;

/** Conductors that enter a box with its cables; the metal of a raceway takes no room inside. */
const cablesIn = (job: Job, wiring: Wiring, box: BoxId) => {
  const conductors: Awg[] = [];
  const grounds: Awg[] = [];
  const passing: BoxContents['passing'] = [];
  for (const cable of wiring.cables) {
    const article = articleOf(job.stock, 'cable', cable.article);
    const { awg } = article;
    const ground = groundOf(article);
    const grounded = ground !== null && ground !== 'raceway';
    for (const side of ['from', 'to'] as const) {
      if (placeOfEnd(cable, side) !== box) continue;
      conductors.push(...article.insulated.map(() => awg));
      if (grounded) grounds.push(awg);
    }
    for (const { loop } of cable.via.filter((one) => one.box === box)) {
      passing.push(...article.insulated.map(() => ({ awg, loop })));
      if (grounded) grounds.push(awg);
    }
  }
  return { conductors, grounds, passing };
};

/** The yokes of a box, each with the largest conductor connected to it. */
const yokesIn = (job: Job, wiring: Wiring, box: BoxId): BoxContents['yokes'] => {
  const devices = wiring.devices.filter((device) => device.box === box);
  if (devices.length === 0) return [];
  const awgOfCable = new Map(
    wiring.cables.map(({ id, article }) => [id as string, articleOf(job.stock, 'cable', article).awg]),
  );
  const awgOfPigtail = new Map(
    wiring.joints
      .filter((joint) => joint.box === box)
      .flatMap((joint) =>
        joint.members.flatMap((member) =>
          'pigtail' in member ? [[member.pigtail.id, member.pigtail.awg] as const] : [],
        ),
      ),
  );
  const awgOf = (member: Member): Awg[] =>
    'end' in member
      ? [awgOfCable.get(member.end.cable) ?? 14]
      : 'pigtail' in member
        ? [member.pigtail.awg]
        : [];
  return devices.map((device) => {
    // What a lead of the device is spliced to counts as connected to it; the lead itself is the device's own.
    const spliced = wiring.joints
      .filter(({ members }) =>
        members.some(
          (member) => 'lead' in member && 'device' in member.lead && member.lead.device === device.id,
        ),
      )
      .flatMap(({ members }) => members.flatMap(awgOf));
    const landed = wiring.landings.flatMap(({ wire, terminal }) => {
      if (!('device' in terminal) || terminal.device !== device.id) return [];
      const awg = 'end' in wire ? awgOfCable.get(wire.end.cable) : awgOfPigtail.get(wire.pigtail);
      return awg ? [awg] : [];
    });
    const sizes = [...landed, ...spliced];
    const thickest = sizes.reduce<Awg>((thick, awg) => (awg < thick ? awg : thick), sizes[0] ?? 14);
    return { gangs: articleOf(job.stock, 'device', device.article).gangs, awg: thickest };
  });
};

/**
 * Leads of luminaires in a box: those of 14 AWG and larger are conductors like any other. A ground lead counts with the grounds, unless its
 * canopy is domed (314.16(B)(1) Exception, 314.16(B)(5)).
 */
const leadsIn = (job: Job, wiring: Wiring, box: BoxId) => {
  const all = wiring.joints
    .filter((joint) => joint.box === box)
    .flatMap((joint) => joint.members.flatMap((member) => ('lead' in member ? [member.lead] : [])))
    // Leads of a device go with its yoke.
    .flatMap((lead) => ('luminaire' in lead ? [lead] : []));
  const of = (ground: boolean) =>
    all
      .filter(({ name }) => (name === 'ground') === ground)
      .flatMap(({ luminaire }) => findLuminaire(job, luminaire) ?? []);
  const leads = of(false);
  return {
    grounds: of(true)
      .filter((one) => !one.domedCanopy)
      .map((one) => one.leadAwg),
    thin: leads.filter((one) => one.leadAwg > 14).map((one) => one.leadAwg),
    thick: leads.filter((one) => one.leadAwg <= 14).map((one) => one.leadAwg),
    domed: leads.every((one) => one.domedCanopy),
  };
};

/** Counts what the wiring holds in a box, and what was in it before. */
export const contentsOf = (job: Job, wiring: Wiring, id: BoxId): BoxContents => {
  const box = findBox(job, id);
  const { conductors, grounds, passing } = cablesIn(job, wiring, id);
  const leads = leadsIn(job, wiring, id);
  // What the existing wiring tells of a box is all that is in it; it is not counted twice.
  const before = isToldOf(job, id) ? null : othersIn(job, id);
  return {
    conductors: [...conductors, ...leads.thick, ...(before?.conductors ?? [])],
    passing: [...passing, ...(before?.passing ?? [])],
    grounds: [...grounds, ...leads.grounds, ...(before?.grounds ?? [])],
    isolatedGrounds: before?.isolatedGrounds ?? [],
    yokes: [...yokesIn(job, wiring, id), ...(before?.yokes ?? [])],
    internalClamps:
      chosenOffer(job, articlesAt(wiring, id)).internalClamps || before?.internalClamps === true,
    supportFittings: (box?.fittings.length ?? 0) + (before?.supportFittings ?? 0),
    fixtureWires: [...leads.thin, ...(before?.fixtureWires ?? [])],
    domedCanopy: leads.domed && before?.domedCanopy !== false,
    terminalBlocks: before?.terminalBlocks ?? [],
  };
};

/** Volume there is in a box: of its sections together, or the wiring space of a luminaire that brings its own; null unless told. */
const volumeOf = (job: Job, wiring: Wiring, box: BoxId): number | null => {
  const chosen = articlesAt(wiring, box);
  if (chosen.length > 0) return chosenOffer(job, chosen).volume;
  return job.luminaires.find((one) => one.box === box && one.driverBox !== null)?.driverBox ?? null;
};

const heldBy = new WeakMap<Wiring, { fitted: ReadonlySet<string | null>; hung: ReadonlySet<string> }>();

/** Slots that a wiring has a device in, and luminaires that it has on a wire. */
const heldIn = (wiring: Wiring) => {
  const before = heldBy.get(wiring);
  if (before) return before;
  const made = {
    fitted: new Set<string | null>(wiring.devices.map((device) => device.slot)),
    hung: new Set<string>([
      ...wiring.joints.flatMap(({ members }) =>
        members.flatMap((member) =>
          'lead' in member && 'luminaire' in member.lead ? [member.lead.luminaire] : [],
        ),
      ),
      ...wiring.landings.flatMap(({ terminal }) => ('luminaire' in terminal ? [terminal.luminaire] : [])),
    ]),
  };
  heldBy.set(wiring, made);
  return made;
};

/** What stands in a box by the job and is not part of the wiring, as its circuit is not planned: its switches and luminaires. */
export const unplannedIn = (job: Job, wiring: Wiring, box: BoxId) => {
  const { fitted, hung } = heldIn(wiring);
  return {
    slots: job.slots.filter((slot) => slot.box === box && !slot.leaves && !fitted.has(slot.id)),
    luminaires: job.luminaires.filter((one) => one.box === box && !hung.has(one.id)),
  };
};

/** Device spaces that all of a box takes: of the devices of the wiring, and of those whose circuit is not planned yet. */
export const gangsTaken = (job: Job, wiring: Wiring, box: BoxId): { fitted: number; unplanned: number } => {
  const gangsOf = (article: ArticleId | null) =>
    article === null ? 1 : articleOf(job.stock, 'device', article).gangs;
  return {
    fitted: wiring.devices
      .filter((device) => device.box === box)
      .reduce((sum, device) => sum + gangsOf(device.article), 0),
    unplanned: unplannedIn(job, wiring, box).slots.reduce((sum, slot) => sum + gangsOf(slot.article), 0),
  };
};

/** Has somebody seen all that is in it? Then the existing wiring holds it. */
const isSeen = (job: Job, id: BoxId): boolean => sureOf(job, id) === 'seen';

const unknownOf = (job: Job, wiring: Wiring, id: BoxId, available: number | null): FillUnknown[] => {
  const box = findBox(job, id);
  const { slots, luminaires } = unplannedIn(job, wiring, id);
  return [
    ...(available === null ? ['box' as const] : []),
    ...(box?.work === 'existing' && isToldOf(job, id) && !isSeen(job, id) ? ['unseen' as const] : []),
    ...(box?.work === 'existing' && !isToldOf(job, id) && othersIn(job, id) === null
      ? ['contents' as const]
      : []),
    ...(slots.length + luminaires.length > 0 ? ['unplanned' as const] : []),
  ];
};

/** Box fill of one box of the wiring by an edition; the job's own where none is named. */
export const fillOf = (
  job: Job,
  wiring: Wiring,
  box: BoxId,
  edition: JudgedEdition = job.edition,
): BoxFill => {
  const available = volumeOf(job, wiring, box);
  const unknown = unknownOf(job, wiring, box, available);
  return boxFill(available, contentsOf(job, wiring, box), edition, unknown);
};
