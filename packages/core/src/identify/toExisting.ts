import { isNeutralColour, type Colour, type InsulatedColour } from '../model/colours.js';
import { existingDocument } from '../model/existing.js';
import {
  joinedId,
  PANEL,
  UNKNOWN_PLACE,
  type BoxId,
  type CableId,
  type CircuitId,
  type JointId,
  type Place,
} from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox, findCircuit } from '../model/lookup.js';
import { beginExisting, withCarried } from '../model/lying.js';
import { failure, success, type Result } from '../model/result.js';
import type { Cable, Wiring } from '../model/wiring.js';
import { editDocument, signSeen } from '../edits/wiring/documents.js';
import type { LooseWire, Put, WiringEdit } from '../edits/wiring/edit.js';
import { numbered, withFoundCable } from '../existing/foundCable.js';
import { tapeKey, type Stub, type WiresFound } from './found.js';
import type { WiresTold } from './identify.js';

/** Why what was told cannot be put on file as what is there. */
export type NotOnFile =
  /** Boxes that are still to come: what is there is told of boxes that are there. */
  | { why: 'newBoxes'; boxes: BoxId[] }
  /** Not every cable is told yet. */
  | { why: 'notTold' };

/** A cable that was told, with the wires as they are named on file at its first end. */
interface ToldCable {
  from: Stub[];
  to: Place;
  colours: InsulatedColour[];
  hot: InsulatedColour[] | null;
}

/** Names of wires that all lie in one raceway: alike ones are numbered, three at the most in one of its parts. */
const inParts = (stubs: readonly Stub[]): { stubs: Stub[]; colours: InsulatedColour[] }[] => {
  const parts: { stubs: Stub[]; colours: InsulatedColour[] }[] = [];
  for (const stub of stubs) {
    const hue = (stub.wires[0] ?? 'black').replace(/-\d$/, '');
    for (let at = 0; ; at++) {
      const part = (parts[at] ??= { stubs: [], colours: [] });
      const names = numbered([...part.colours.map((one) => one.replace(/-\d$/, '')), hue]);
      if (!names || part.stubs.length >= 12) continue;
      parts[at] = { stubs: [...part.stubs, stub], colours: names };
      break;
    }
  }
  return parts;
};

const cablesTold = (told: WiresTold): ToldCable[] => {
  const { feed } = told.feed;
  const hotOf = (stub: Stub) => (feed && tapeKey(feed.stub) === tapeKey(stub) ? feed.hot : null);
  const ways = told.ends.flatMap(({ stub, told: end }): { stub: Stub; to: Place }[] => {
    if (end.state === 'open') return [];
    if (end.state === 'elsewhere') return [{ stub, to: end.feed === true ? PANEL : UNKNOWN_PLACE }];
    return tapeKey(stub) < tapeKey(end.to) ? [{ stub, to: end.to.box }] : [];
  });
  const sheathed = ways
    .filter(({ stub }) => !stub.loose)
    .map(({ stub, to }): ToldCable => ({ from: [stub], to, colours: stub.wires, hot: hotOf(stub) }));
  const raceways = new Map<string, { stub: Stub; to: Place }[]>();
  for (const way of ways.filter(({ stub }) => stub.loose)) {
    const key = `${way.stub.box} ${way.to} ${way.stub.ground}`;
    raceways.set(key, [...(raceways.get(key) ?? []), way]);
  }
  const loose = [...raceways.values()].flatMap((all) =>
    inParts(all.map(({ stub }) => stub)).map(({ stubs, colours }): ToldCable => {
      const hots = stubs.flatMap((stub, i) => (hotOf(stub) && colours[i] ? [colours[i]] : []));
      return { from: stubs, to: all[0]?.to ?? UNKNOWN_PLACE, colours, hot: hots.length > 0 ? hots : null };
    }),
  );
  return [...sheathed, ...loose];
};

/** Splices of grounds that stay in a box: the one that has a tail to the box, where there is one. */
const groundJoint = ({ joints, landings }: Wiring, box: string): JointId | null => {
  const tails = new Set(
    landings.flatMap(({ wire, terminal }) => ('pigtail' in wire && 'box' in terminal ? [wire.pigtail] : [])),
  );
  const joint = joints.find(
    (one) =>
      one.box === box && one.members.some((member) => 'pigtail' in member && tails.has(member.pigtail.id)),
  );
  return joint?.id ?? null;
};

/** What in boxes is on file of before, and goes: leads of what is fitted come loose, and cables go out. What is fitted stays, with bare screws. */
const takenDown = ({ joints, cables }: Wiring, here: ReadonlySet<string>): WiringEdit[] => [
  ...joints
    .filter(({ box }) => here.has(box))
    .flatMap(({ members }) =>
      members.flatMap((member): WiringEdit[] =>
        'lead' in member ? [{ do: 'put', wire: { lead: member.lead }, to: 'loose' }] : [],
      ),
    ),
  ...cables
    .filter(({ from, to }) => here.has(from) || here.has(to))
    .map(({ id }): WiringEdit => ({ do: 'takeOut', cable: id })),
];

/** Where the wires of a feed land in the panel: the hot as it was read, the others as far as that tells. */
const inPanel = (
  { colours, hot }: Pick<ToldCable, 'colours' | 'hot'>,
  isHinted: boolean,
  colour: Colour,
): 'hot' | 'neutral' | 'ground' | null => {
  // Two hots are two legs or two circuits: which is on which breaker was not read.
  if (hot?.some((one) => one === colour) === true) return hot.length === 1 ? 'hot' : null;
  if (!colours.some((one) => one === colour)) return 'ground';
  // Of two wires the one that is not hot is the neutral; of more, a white that is met with the ground at the service.
  const isOther = colours.length === 2 && hot?.length === 1;
  return isOther || (isHinted && isNeutralColour(colour)) ? 'neutral' : null;
};

/**
 * The job in which what was told is what is there: cables from box to box with every end loose and seen, the feed on its breaker, what leads elsewhere
 * to a place that nobody knows. What was on file of the cables of these boxes is replaced by it. Wires are taken for copper of the size of the circuit,
 * and their lengths are not known; whether the grounds of each box are one splice is told by whoever looked (`grounds`), else nobody knows.
 */
export const withWiresTold = (
  job: Job,
  circuit: CircuitId,
  found: WiresFound,
  told: WiresTold,
  grounds: 'spliced' | 'notLookedAt' = 'notLookedAt',
): Result<Job, NotOnFile> => {
  const boxes = [...new Set(found.stubs.map(({ box }) => box))];
  const fresh = boxes.filter((id) => findBox(job, id)?.work !== 'existing');
  if (fresh.length > 0) return failure({ why: 'newBoxes', boxes: fresh });
  const isOpen = ({ told: end }: WiresTold['ends'][number]) =>
    end.state === 'open' || (end.state === 'cable' && end.across.some(({ b }) => b === null));
  if (told.state === 'contradicts' || told.ends.some(isOpen)) return failure({ why: 'notTold' });
  const awg = findCircuit(job, circuit)?.awg ?? 14;
  let made = beginExisting(job);
  const document = existingDocument(made);
  if (!document) throw new Error('The job has no wiring of what is there.');
  const { wiring } = document;
  const edits: WiringEdit[] = [];
  const own: CableId[] = [];
  const firstGround = new Map<string, LooseWire>();
  const groundTo = (box: string, wire: LooseWire): Put => {
    if (grounds === 'notLookedAt') return 'unseen';
    const joint = groundJoint(wiring, box);
    if (joint !== null) return { into: joint };
    const first = firstGround.get(box);
    firstGround.set(box, first ?? wire);
    return first ? { with: first } : 'loose';
  };
  for (const one of cablesTold(told)) {
    const { from, to, colours } = one;
    const [first] = from;
    if (!first) continue;
    const { ground, loose } = first;
    const asFound = withFoundCable(made, {
      ...{ awg, insulated: colours, ground, metal: 'copper' },
      sheath: loose ? 'raceway' : ground === 'bare' ? 'nonmetallic' : 'unknown',
    });
    made = asFound.job;
    let id = joinedId(`told:${from.map(tapeKey).join('.').replaceAll('#', '~')}`) as CableId;
    while (wiring.cables.some((cable) => cable.id === id)) id = joinedId(`${id}~`) as CableId;
    // A cable leads from the panel, or to a place that nobody knows; between boxes either way is the same.
    const [start, end]: [Place, BoxId] = to === PANEL ? [PANEL, first.box] : [first.box, to];
    const cable: Cable = {
      ...{ id, article: asFound.article, from: start, to: end, via: [] },
      ...{ length: null, lengthSource: 'unknown', existing: true },
    };
    const isHinted = told.feed.hinted.some((stub) => from.some((mine) => tapeKey(mine) === tapeKey(stub)));
    const wires: Colour[] = [...colours, ...(ground === 'none' ? [] : [ground])];
    edits.push({ do: 'bringIn', cable });
    if (to !== UNKNOWN_PLACE && (one.hot?.length ?? 0) < 2) own.push(id);
    for (const side of ['from', 'to'] as const) {
      const place = side === 'from' ? start : end;
      if (place === UNKNOWN_PLACE) continue;
      for (const colour of wires) {
        const wire = { end: { cable: id, side, colour } };
        if (place === PANEL) {
          const name = inPanel(one, isHinted, colour);
          // Where a wire that was not read lands in the panel nobody has seen.
          edits.push({ do: 'put', wire, to: name === null ? 'unseen' : { on: { circuit, name } } });
        } else {
          const isGround = !colours.some((insulated) => insulated === colour);
          edits.push({ do: 'put', wire, to: isGround ? groundTo(place, wire) : 'loose' });
        }
      }
    }
  }
  const edited = editDocument(made, document.id, [...edits, ...takenDown(wiring, new Set(boxes))], null);
  if (!edited.ok) throw new Error(`What was told cannot be on file: ${JSON.stringify(edited.refusal)}.`);
  // What lies loose between boxes that were opened for a circuit is that circuit's to use; what leads elsewhere nobody knows.
  const used = own.reduce((all, id) => withCarried(all, id, circuit), edited.job);
  return success(boxes.reduce((all, box) => signSeen(all, document.id, box), used));
};
