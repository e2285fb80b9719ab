import { groupIdsOf } from '../model/lookup.js';
import { articleOf, articlesToHave, companionsIn, type DeviceArticle } from '../model/articles.js';
import { leastRating } from '../nec/switchRating.js';
import { existingDocument } from '../model/existing.js';
import type { GroupId, SlotId } from '../model/ids.js';
import type { Circuit, Job, Slot } from '../model/job.js';

export type Letter = 'S' | 'S3' | 'S4';

/** S alone, S3 at both ends of a chain, S4 between. */
export const letterAt = (chain: readonly SlotId[], step: number): Letter =>
  chain.length === 1 ? 'S' : step === 0 || step === chain.length - 1 ? 'S3' : 'S4';

/** Why a device cannot stand where it is to stand. */
export type Misfit = 'letter' | 'amperes' | 'role' | 'chainEnd' | 'companion' | 'alone';

export interface Fitting {
  slot: Slot;
  /** Null for a receptacle. */
  letter: Letter | null;
  /** Null where the stock has none that suits. */
  article: DeviceArticle | null;
  misfit: Misfit | null;
}

const needsNeutral = (article: DeviceArticle) => article.terminals.some((one) => one.use === 'neutral');

/** Finds the first of the stock for a role and letter that is rated for what it carries (404.14); plain ones first. */
const createStock = (job: Job, circuit: Circuit) => {
  // One that does nothing by itself is not chosen by itself.
  const companions = companionsIn(job.stock);
  const all = articlesToHave(job.stock, 'device')
    .filter((one) => !companions.has(one.id))
    .sort((a, b) => Number(needsNeutral(a)) - Number(needsNeutral(b)));
  const there = new Map(
    (existingDocument(job)?.wiring.devices ?? []).map(({ slot, article }) => [
      slot as string | null,
      article,
    ]),
  );
  return (slot: Slot, letter: Letter | null): DeviceArticle | null => {
    const { id, role } = slot;
    const least = leastRating(job, slot, circuit);
    const suits = (one: DeviceArticle) => one.role === role && one.letter === letter && one.amperes >= least;
    // What is there stays, where it can do what is asked of it.
    return all.find((one) => one.id === there.get(id) && suits(one)) ?? all.find(suits) ?? null;
  };
};
type Stock = ReturnType<typeof createStock>;

const misfitOf = (
  job: Job,
  article: DeviceArticle,
  slot: Slot,
  letter: Letter | null,
  circuit: Circuit,
): Misfit | null => {
  if (article.role !== slot.role) return 'role';
  if (article.letter !== letter) return 'letter';
  return article.amperes < leastRating(job, slot, circuit) ? 'amperes' : null;
};

const fitSlot = (job: Job, circuit: Circuit, stock: Stock, slot: Slot, letter: Letter | null): Fitting => {
  if (slot.article === null) return { slot, letter, article: stock(slot, letter), misfit: null };
  const article = articleOf(job.stock, 'device', slot.article);
  return { slot, letter, article, misfit: misfitOf(job, article, slot, letter, circuit) };
};

/**
 * The devices of one chain. Where one of them asks for companions, every other location that nobody fixed takes the
 * companion, and one that was fixed otherwise does not fit; where none asks, a companion that was fixed stands alone, and does nothing. A device that has to stand at one end of the chain does
 * not fit elsewhere.
 */
const fitChain = (
  job: Job,
  circuit: Circuit,
  { stock, companions }: { stock: Stock; companions: ReadonlySet<string> },
  slots: readonly Slot[],
): Fitting[] => {
  const ids = slots.map((slot) => slot.id);
  const fitted = slots.map((slot, step) => fitSlot(job, circuit, stock, slot, letterAt(ids, step)));
  const asking = fitted.find((one) => one.article?.companion);
  const companion = asking?.article?.companion
    ? articleOf(job.stock, 'device', asking.article.companion)
    : null;
  /** Its device, and why it does not stand there, but for the end of the chain. */
  const settled = (one: Fitting): Fitting => {
    if (!companion)
      return one.article && companions.has(one.article.id) ? { ...one, misfit: one.misfit ?? 'alone' } : one;
    if (asking === one) return one;
    if (one.slot.article !== null)
      return one.article === companion ? one : { ...one, misfit: one.misfit ?? 'companion' };
    const misfit = misfitOf(job, companion, { ...one.slot, role: companion.role }, one.letter, circuit);
    return { ...one, article: companion, misfit: misfit === null ? null : 'companion' };
  };
  return fitted.map((fitting, step): Fitting => {
    const one = settled(fitting);
    const end = one.article?.chainEnd;
    const away =
      (end === 'line' && step !== 0) || (end === 'load' && step !== fitted.length - 1 && fitted.length > 1);
    return away && one.misfit === null ? { ...one, misfit: 'chainEnd' } : one;
  });
};

/** Finds the device of every slot of a circuit, given the chains of its switched groups. Prepare once, ask often. */
export const createFitter = (
  job: Job,
  circuit: Circuit,
): ((chains: Readonly<Record<GroupId, readonly SlotId[]>>) => Fitting[]) => {
  const [stock, companions] = [createStock(job, circuit), companionsIn(job.stock)];
  const slotOf = new Map(job.slots.map((slot) => [slot.id, slot]));
  const groups = groupIdsOf(job, circuit.id);
  const receptacles = job.slots
    .filter((slot) => slot.role === 'receptacle' && groups.has(slot.group))
    .map((slot) => fitSlot(job, circuit, stock, slot, null));
  return (chains) => [
    ...Object.values<readonly SlotId[]>(chains).flatMap((chain) =>
      fitChain(
        job,
        circuit,
        { stock, companions },
        chain.flatMap((id) => slotOf.get(id) ?? []),
      ),
    ),
    ...receptacles,
  ];
};
