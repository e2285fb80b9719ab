import { articleOf, conductorsOf } from './articles.js';
import type { BoxContents } from './contents.js';
import { existingDocument } from './existing.js';
import {
  PANEL,
  UNKNOWN_PLACE,
  type BoxId,
  type CableId,
  type CircuitId,
  type FeedId,
  type LuminaireId,
  type Place,
  type SlotId,
} from './ids.js';
import type { Choice, ExistingCable, Job, WiringDoc } from './job.js';
import { newWiringDoc } from './newJob.js';
import { ofId } from './records.js';
import { hasDevice, hasLuminaire } from './there.js';
import { emptyWiring, placeOfEnd, type Cable, type End } from './wiring.js';

/** What a job has before anybody tells of what is there. */
export const beginExisting = (job: Job): Job =>
  existingDocument(job)
    ? job
    : { ...job, wirings: [...job.wirings, newWiringDoc(freeId(job), 'existing', emptyWiring())] };

/** The id of the existing wiring; another where a file gave it to a wiring of another kind. */
const freeId = ({ wirings }: Job): string => {
  let id = 'existing';
  while (wirings.some((one) => one.id === id)) id += '~';
  return id;
};

const withExisting = (job: Job, edited: (document: WiringDoc) => WiringDoc): Job => {
  const begun = beginExisting(job);
  return {
    ...begun,
    wirings: begun.wirings.map((one) => (one.kind === 'existing' ? edited(one) : one)),
  };
};

const known = new WeakMap<WiringDoc, readonly ExistingCable[]>();

/** Every cable that lies there between two places that are known, whatever a chosen way does with it. */
export const cablesThere = (job: Pick<Job, 'wirings'>): readonly ExistingCable[] => {
  const document = existingDocument(job);
  if (!document) return [];
  const before = known.get(document);
  if (before) return before;
  const made = document.wiring.cables
    .filter(({ from, to }) => to !== UNKNOWN_PLACE && from !== to)
    .map(({ id, article, from, to, length, via }): ExistingCable => ({
      ...{ id, article, length, via },
      circuit: ofId(document.carries, id) ?? null,
      between: [from, to],
    }));
  known.set(document, made);
  return made;
};

export const findCableThere = (job: Pick<Job, 'wirings'>, id: string): ExistingCable | undefined =>
  cablesThere(job).find((one) => one.id === id);

/**
 * Cables at whose wires nobody has looked, of circuits that are not planned: what they serve is not known, so nothing is done with their wires.
 */
export const waitingCables = (
  job: Pick<Job, 'wirings' | 'choices'>,
  unplanned: ReadonlySet<CircuitId>,
): ReadonlySet<CableId> => {
  const unseen = new Set<string>(existingDocument(job)?.wiring.unseen.map(({ cable }) => cable));
  return new Set(
    lyingCables(job)
      .filter(({ id, circuit }) => circuit !== null && unplanned.has(circuit) && unseen.has(id))
      .map(({ id }) => id),
  );
};

/** The cables that planning may use: those that lie there, without the ones that a chosen way takes out of their boxes. */
export const lyingCables = (job: Pick<Job, 'wirings' | 'choices'>): readonly ExistingCable[] => {
  const given = new Set<string>(job.choices.flatMap(({ givenUp }) => givenUp ?? []));
  return given.size === 0 ? cablesThere(job) : cablesThere(job).filter(({ id }) => !given.has(id));
};

/** A choice that says nothing of a circuit but which old cables it is planned without. */
export const planningWithout = (circuit: CircuitId, givenUp: readonly CableId[]): Choice => ({
  circuit,
  feed: '' as FeedId,
  runs: [],
  givenUp: [...givenUp],
});

/** Both ends of each conductor where a place is known, the one in the panel too: what nobody has looked at may be live. */
export const cableEnds = (job: Pick<Job, 'stock'>, cable: Cable): End[] => {
  const colours = conductorsOf(articleOf(job.stock, 'cable', cable.article));
  return (['from', 'to'] as const).flatMap((side) =>
    placeOfEnd(cable, side) === UNKNOWN_PLACE
      ? []
      : colours.map((colour) => ({ cable: cable.id, side, colour })),
  );
};

/** The job in which these cables lie there too, with every end not looked at. A box that was seen is not all seen any more. */
export const withCablesThere = (job: Job, cables: readonly ExistingCable[]): Job =>
  cables.length === 0
    ? job
    : withExisting(job, (document) => {
        const fresh = cables.map(({ id, article, between: [a, b], length, via }): Cable => {
          const [from, to]: [Place, BoxId] = (b as Place) === PANEL ? [b, a as BoxId] : [a, b];
          const lengthSource = length === null ? 'unknown' : 'measured';
          return { id, article, from, to, length, lengthSource, existing: true, via };
        });
        const certainty = { ...document.certainty };
        for (const place of cables.flatMap(({ between }) => between))
          if (ofId(certainty, place) === 'seen') certainty[place as BoxId] = 'partlySeen';
        const carries = { ...document.carries };
        for (const { id, circuit } of cables) if (circuit !== null) carries[id] = circuit;
        return {
          ...document,
          certainty,
          carries,
          wiring: {
            ...document.wiring,
            cables: [...document.wiring.cables, ...fresh],
            unseen: [...document.wiring.unseen, ...fresh.flatMap((cable) => cableEnds(job, cable))],
          },
        };
      });

/** The job in which it is told whose power is on a cable that lies there; null while nobody knows. */
export const withCarried = (job: Job, id: CableId, circuit: CircuitId | null): Job =>
  withExisting(job, (document) => {
    const { [id]: _before, ...others } = document.carries;
    return {
      ...document,
      carries: circuit === null ? others : { ...others, [id]: circuit },
    };
  });

/**
 * What is in an existing box beside what the job and its existing wiring show, and stays there; null while nobody has told, and then how full it
 * is is not known. Of a box that is told of, the wiring holds all, and this is none.
 */
export const othersIn = (job: Pick<Job, 'wirings'>, box: string): BoxContents | null =>
  ofId(existingDocument(job)?.others, box) ?? null;

export const withOthersIn = (job: Job, box: BoxId, contents: BoxContents | null): Job =>
  withExisting(job, (document) => {
    const { [box]: _before, ...rest } = document.others;
    return { ...document, others: contents === null ? rest : { ...rest, [box]: contents } };
  });

/** The job in which it is told that a device or luminaire is there, whatever its kind. */
export const withStanding = (
  job: Job,
  { slots = [], luminaires = [] }: { slots?: readonly SlotId[]; luminaires?: readonly LuminaireId[] },
): Job => {
  const fresh = {
    slots: slots.filter((id) => !hasDevice(job, id)),
    luminaires: luminaires.filter((id) => !hasLuminaire(job, id)),
  };
  return fresh.slots.length + fresh.luminaires.length === 0
    ? job
    : withExisting(job, (document) => ({
        ...document,
        stands: {
          slots: [...document.stands.slots, ...fresh.slots],
          luminaires: [...document.stands.luminaires, ...fresh.luminaires],
        },
      }));
};
