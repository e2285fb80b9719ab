import { cablesThere, lyingCables } from '../model/lying.js';
import { existingDocument } from '../model/existing.js';
import { findCable, groupIdsOf } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { articleOf, type CableArticle, type DeviceArticle } from '../model/articles.js';
import {
  PANEL,
  placeOfNode,
  type BoxId,
  type CableId,
  type CircuitId,
  type GroupId,
  type SlotId,
  type TreePlace,
} from '../model/ids.js';
import type { Circuit, ExistingCable, Job, Run, Slot } from '../model/job.js';
import type { Cable, Device } from '../model/wiring.js';
import { runLength } from '../materials/lengths.js';
import { assignColours, type Colouring } from './colours.js';
import { cablesFor } from './carriers.js';
import type { Attachment, CableToMakeUp } from './boxNodes.js';
import { deviceIdOf } from './makeUp.js';
import {
  hotOf,
  neutralOf,
  nodeOfLuminaire,
  nodeOfSlot,
  scopeOf,
  supplyOf,
  switchLegOf,
  travelerOf,
  type NetScope,
} from './nets.js';
import type { PlannedCircuit } from './planCircuit.js';
import type { PlannedAnew } from './standing.js';

/** What one circuit puts into the wiring. */
export interface CircuitParts {
  cables: CableToMakeUp[];
  devices: Device[];
  attachments: Attachment[];
}

/** Which net each terminal of a switch belongs to, from its place in the chain. Lane a is up with up. */
const switchNet = (
  scope: NetScope,
  group: GroupId,
  chain: readonly SlotId[],
  step: number,
  use: DeviceArticle['terminals'][number]['use'],
  nth: number,
) => {
  const lane = nth === 0 ? 'a' : 'b';
  const last = step === chain.length - 1;
  switch (use) {
    case 'line':
    case 'common':
      return step === 0 ? hotOf(scope) : switchLegOf(group);
    case 'load':
      return switchLegOf(group);
    case 'traveler':
      return travelerOf(group, last ? step - 1 : step, lane);
    case 'in':
      return travelerOf(group, step - 1, lane);
    case 'out':
      return travelerOf(group, step, lane);
    case 'hot':
      return hotOf(scope);
    case 'neutral':
      return neutralOf(scope);
    case 'ground':
      return 'ground' as const;
  }
};

/** Terminals joined by the device itself: the first is landed, the other is its twin. */
const attach = (
  article: DeviceArticle,
  slot: Slot,
  at: TreePlace,
  netOf: (use: DeviceArticle['terminals'][number]['use'], nth: number) => Attachment['net'],
): Attachment[] => {
  const id = deviceIdOf(slot.id);
  const seen: Partial<Record<DeviceArticle['terminals'][number]['use'], number>> = {};
  const twins = new Set(article.bridged.map(([, twin]) => twin));
  return article.terminals.flatMap(({ name, use, face }) => {
    if (twins.has(name)) return [];
    const nth = seen[use] ?? 0;
    seen[use] = nth + 1;
    const twin = article.bridged.find(([first]) => first === name)?.[1];
    return [
      {
        at,
        net: netOf(use, nth),
        to: { device: id, name },
        ...(twin === undefined ? {} : { twin: { device: id, name: twin } }),
        ...(face.kind === 'lead' ? { lead: face.awg } : {}),
      },
    ];
  });
};

/** An arrangement with its devices, whether its tree is known or not. */
type Parts = { scope: NetScope } & Pick<PlannedCircuit, 'arrangement' | 'fittings'>;

const devicesAndTerminals = (job: Job, { scope, arrangement, fittings }: Parts) => {
  const devices: Device[] = [];
  const attachments: Attachment[] = [];
  for (const { slot, article } of fittings) {
    if (!article) continue;
    devices.push({ id: deviceIdOf(slot.id), box: slot.box, slot: slot.id, article: article.id });
    const chain = ofId(arrangement.chains, slot.group) ?? [];
    const step = chain.indexOf(slot.id);
    attachments.push(
      ...attach(article, slot, nodeOfSlot(scope, slot), (use, nth) =>
        slot.role === 'receptacle' && use === 'hot'
          ? supplyOf(job, scope, slot.group)
          : switchNet(scope, slot.group, chain, step, use, nth),
      ),
    );
  }
  return { devices, attachments };
};

const luminaireTerminals = (job: Job, scope: NetScope): Attachment[] => {
  const groups = groupIdsOf(job, scope.circuit);
  return job.luminaires
    .filter((one) => groups.has(one.group))
    .flatMap((luminaire): Attachment[] => {
      const at = nodeOfLuminaire(job, scope, luminaire);
      const on = (name: 'hot' | 'neutral' | 'ground', net: Attachment['net']): Attachment => {
        const byScrew = luminaire.terminals === 'screws' || (name === 'ground' && luminaire.strap);
        const to = { luminaire: luminaire.id, name };
        return { at, net, to, ...(byScrew ? {} : { lead: luminaire.leadAwg }) };
      };
      const hot = on('hot', supplyOf(job, scope, luminaire.group));
      if (luminaire.partOf !== null) return [hot];
      const neutral = on('neutral', neutralOf(scope));
      return luminaire.metal ? [hot, neutral, on('ground', 'ground')] : [hot, neutral];
    });
};

/** Every terminal and lead that an arrangement has, with its net and the node where it is. */
export const attachmentsOf = (job: Job, parts: Parts): Attachment[] => [
  ...devicesAndTerminals(job, parts).attachments,
  ...luminaireTerminals(job, parts.scope),
];

/** Derived from its ends, so that a step that was ticked survives planning again. */
const plannedCableId = (circuit: CircuitId, from: TreePlace, to: TreePlace): CableId =>
  `cable:${circuit}:${from}>${to}` as CableId;

/** A cable that comes new beside or instead of one that is there has a name of its own. */
export const freshCableId = (job: Job, circuit: CircuitId, from: TreePlace, to: TreePlace): CableId => {
  const id = plannedCableId(circuit, from, to);
  return findCable({ cables: existingDocument(job)?.wiring.cables ?? [] }, id)
    ? (`${id}~new` as CableId)
    : id;
};

const bought = (job: Job, circuit: Circuit, { from, to }: Run, article: CableArticle): Cable => ({
  id: freshCableId(job, circuit.id, from, to),
  article: article.id,
  from: placeOfNode(from),
  to: placeOfNode(to) as BoxId,
  ...runLength(job, placeOfNode(from), placeOfNode(to)),
  existing: false,
  via: [],
});

/** A cable that lies there already, written the way the job names its two places. */
const lying = (cable: ExistingCable): Cable => {
  const { id, article, length, via } = cable;
  const [from, to] = cable.between;
  const lengthSource = length === null ? 'unknown' : 'measured';
  return { id, article, from, to, length, lengthSource, existing: true, via };
};

/** The cable by which a feed box is fed, as found; a plain one of the circuit's size where the job knows no other. */
const feedCable = (
  job: Job,
  circuit: Circuit,
  { choice, feed, fedBy: found }: PlannedCircuit,
): CableToMakeUp[] => {
  if (feed.at === PANEL) return [];
  const nets = [hotOf(choice), neutralOf(choice)];
  const article = found ? articleOf(job.stock, 'cable', found.article) : cablesFor(job, circuit)[0];
  if (!article) return [];
  const plain = article.insulated.map((colour, i) => ({ colour, net: nets[i] ?? null }));
  const cable: Cable = found
    ? lying(found)
    : {
        ...bought(job, circuit, { from: PANEL, to: feed.at }, article),
        length: null,
        lengthSource: 'unknown',
        existing: true,
      };
  return [
    {
      cable,
      article,
      nodes: { from: PANEL, to: feed.at },
      colouring: assignColours(nets, article) ?? plain,
      circuit: circuit.id,
    },
  ];
};

/** The cables that lie there and that these plans use. */
const usedBy = (plans: readonly PlannedCircuit[]): Set<string | undefined> =>
  new Set(plans.flatMap(({ runs, fedBy }) => [...runs.map((run) => run.existing?.id), fedBy?.id]));

/**
 * What of a job these plans make up: the old cables that they use or whose power is theirs, so that they cap what they do not use, and all devices and
 * luminaires of their groups.
 */
export const madeUpBy = (job: Job, plans: readonly PlannedCircuit[]): PlannedAnew => {
  const used = usedBy(plans);
  const circuits = new Set<string>(plans.map(({ choice }) => choice.circuit));
  const groups = new Set<string>([...circuits].flatMap((id) => [...groupIdsOf(job, id)]));
  const isMine = ({ group }: { group: string }) => groups.has(group);
  const mine = ({ id, circuit }: ExistingCable) =>
    used.has(id) || (circuit !== null && circuits.has(circuit));
  return {
    cables: new Set<string>(
      cablesThere(job)
        .filter(mine)
        .map(({ id }) => id),
    ),
    slots: new Set<string>(job.slots.filter(isMine).map(({ id }) => id)),
    luminaires: new Set<string>(job.luminaires.filter(isMine).map(({ id }) => id)),
  };
};

/** Existing cables that none of these plans uses. */
export const unusedBy = (job: Job, plans: readonly PlannedCircuit[]): ExistingCable[] => {
  const used = usedBy(plans);
  return lyingCables(job).filter((cable) => !used.has(cable.id));
};

/** Everything that a planned circuit puts into the wiring. */
export const partsOf = (job: Job, circuit: Circuit, planned: PlannedCircuit): CircuitParts => {
  const runs = planned.runs.flatMap(({ run, carried, existing }): CableToMakeUp[] => {
    if (!carried) return [];
    const cable = existing ? lying(existing) : bought(job, circuit, run, carried.article);
    const turned = cable.from !== placeOfNode(run.from);
    const nodes: { from: TreePlace; to: TreePlace } = turned
      ? { from: run.to, to: run.from }
      : { from: run.from, to: run.to };
    return [{ cable, article: carried.article, nodes, colouring: carried.colouring, circuit: circuit.id }];
  });
  const scope = scopeOf(planned.choice);
  const { devices, attachments } = devicesAndTerminals(job, { ...planned, scope });
  return {
    cables: [...feedCable(job, circuit, planned), ...runs],
    devices,
    attachments: [...attachments, ...luminaireTerminals(job, scope)],
  };
};

/** Cables that no circuit uses stay where they are, every insulated conductor capped in its box, or as it is where its cable waits. */
export const leftInPlace = (
  job: Job,
  unused: readonly ExistingCable[],
  waiting: ReadonlySet<CableId>,
): CableToMakeUp[] =>
  unused.map((existing) => {
    const article = articleOf(job.stock, 'cable', existing.article);
    const colouring: Colouring = article.insulated.map((colour) => ({ colour, net: null }));
    const [from, to] = existing.between;
    const { id, circuit } = existing;
    return {
      ...{ cable: lying(existing), article, nodes: { from, to }, colouring, circuit },
      ...(waiting.has(id) ? { waits: true } : {}),
    };
  });
