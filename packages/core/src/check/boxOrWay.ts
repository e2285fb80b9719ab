import type { BoxId, CircuitId, SlotId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { findBox, findGroup, findRoom, slotsInBox } from '../model/lookup.js';
import { ceilingOf } from '../model/ceiling.js';
import { feetInches } from '../model/units.js';
import { gangInto, ungang } from '../edits/control.js';
import { holdOf, isOnWall } from '../layout/holds.js';
import { fillOf } from '../materials/boxContents.js';
import { boxCandidates, boxRow, setBoxArticles, type BoxCandidate } from '../materials/boxRows.js';
import { wireAll } from '../plans/wireAll.js';
import { bringsNothingGrave } from '../review/remedies.js';
import { reviewJob, type JobReview } from '../review/reviewJob.js';
import { outcomeOf, type Outcome } from './outcome.js';
import { smallerBox } from './smallerBox.js';

/** Another way to have what is in a box, planned, inspected and priced as a whole job. */
export interface BoxAlternative {
  kind: 'box' | 'way' | 'gangs';
  words: string;
  /** What the box then is, and what is left in it, ten-thousandths of a cubic inch; null where that is not known. */
  made: string;
  left: number | null;
  job: Job;
  outcome: Outcome;
}

/** Boxes no farther apart than this along a wall may be one, and no more than this apart in height, inches. */
const [NEAR, LEVEL] = [36, 6];

/** Circuits with a device in any of these boxes. */
const circuitsIn = (job: Job, boxes: readonly BoxId[]): ReadonlySet<CircuitId> =>
  new Set(
    job.slots
      .filter(({ box }) => boxes.includes(box))
      .flatMap(({ group }) => findGroup(job, group)?.circuit ?? []),
  );

/** The job with these circuits wired anew, as a master would, in boxes that the program chooses. */
const wiredAnew = (job: Job, circuits: ReadonlySet<CircuitId>, boxes: readonly BoxId[]): Job =>
  wireAll(
    boxes.reduce((changed, box) => setBoxArticles(changed, box, null), {
      ...job,
      choices: job.choices.filter(({ circuit }) => !circuits.has(circuit)),
    }),
  );

/** Boxes of planned switches on the wall of a box, near enough to be one with it, with how far they are, inches. */
const neighbours = (job: Job, box: Box): { box: Box; away: number }[] => {
  const room = findRoom(job, box.room);
  const ceiling = room ? ceilingOf(job, room) : Infinity;
  const hold = isOnWall(box, ceiling) ? holdOf(job, box) : null;
  if (!hold) return [];
  return job.boxes.flatMap((other) => {
    const its =
      other.id !== box.id && other.room === box.room && isOnWall(other, ceiling) ? holdOf(job, other) : null;
    if (its?.wall.index !== hold.wall.index || other.work !== box.work || !other.at || !box.at) return [];
    const away = Math.abs(its.offset - hold.offset);
    return away <= NEAR && Math.abs(other.at.z - box.at.z) <= LEVEL ? [{ box: other, away }] : [];
  });
};

type Asked = Pick<BoxAlternative, 'kind' | 'words' | 'job'>;

/** The cheapest box of the stock that is larger than the one that is there, and the cheapest that is smaller; each holds all. */
const otherBoxes = (
  job: Job,
  box: Box,
  candidates: readonly BoxCandidate[],
  here: BoxCandidate | undefined,
): Asked[] => {
  const fitting = candidates
    .filter((one) => one.verdict === 'fits' && !one.here)
    .sort((a, b) => a.price - b.price);
  const volume = here?.volume ?? 0;
  const larger = fitting.find((one) => one.volume > volume);
  const smaller = fitting.find((one) => one.volume < volume);
  const asked = (one: BoxCandidate | undefined, word: string): Asked[] =>
    one
      ? [{ kind: 'box', words: `A ${word} box: ${one.name}`, job: setBoxArticles(job, box.id, one.articles) }]
      : [];
  return [...asked(larger, 'larger'), ...asked(smaller, 'smaller')];
};

/** Each device in a box of its own beside, and each near box made one with it. */
const otherGangs = (job: Job, box: Box, freshBox: () => BoxId): Asked[] => {
  const slots = slotsInBox(job, box.id);
  const nameOf = (slot: SlotId) => findGroup(job, slots.find(({ id }) => id === slot)?.group)?.name ?? 'It';
  const split =
    slots.length < 2
      ? []
      : slots.map(({ id }): Asked => {
          const made = freshBox();
          return {
            kind: 'gangs',
            words: `${nameOf(id)} in a box of its own beside it`,
            job: wiredAnew(ungang(job, id, made), circuitsIn(job, [box.id]), [box.id, made]),
          };
        });
  const joined = neighbours(job, box).flatMap(({ box: other, away }): Asked[] => {
    const changed = gangInto(job, other.id, box.id);
    return changed
      ? [
          {
            kind: 'gangs',
            words: `One box with ${other.name}, ${feetInches(away)} away`,
            job: wiredAnew(changed, circuitsIn(job, [box.id, other.id]), [box.id]),
          },
        ]
      : [];
  });
  return [...split, ...joined];
};

/** The box that is chosen or planned there where it is too small, else the largest of those that are. */
const tooSmallHere = (
  candidates: readonly BoxCandidate[],
  here: BoxCandidate | undefined,
): BoxCandidate | undefined =>
  here?.verdict === 'tooSmall'
    ? here
    : candidates
        .filter((one) => one.verdict === 'tooSmall' && one.volume < (here?.volume ?? Infinity))
        .sort((a, b) => b.volume - a.volume || a.price - b.price)[0];

/**
 * What a planned box could be instead: larger, smaller, its circuits wired another way so that a smaller one does, its devices parted or made one
 * with those of a box beside it. Each is planned as a whole job; what brings a graver finding, or does not hold what comes to it, is left out. The
 * cheapest first, those without a price last. `freshBox` gives an id that no box has. None for a box that is there.
 */
export const boxOrWay = (job: Job, id: BoxId, freshBox: () => BoxId): BoxAlternative[] => {
  const box = findBox(job, id);
  if (!box || box.work === 'existing' || box.work === 'beyond') return [];
  const before = reviewJob(job);
  const candidates = boxCandidates(before.job, before.wiring, id);
  const here = candidates.find((one) => one.here);
  const found = (asked: Asked, after: JobReview, outcome: Outcome): BoxAlternative => {
    const row = boxRow(after.job, after.wiring, id);
    return { ...asked, made: row?.made.join(' with ') ?? '', left: row?.left ?? null, outcome };
  };
  const small = tooSmallHere(candidates, here);
  const ways = small ? smallerBox(job, id, small.articles).offers : [];
  const tried = [...otherBoxes(job, box, candidates, here), ...otherGangs(job, box, freshBox)].flatMap(
    (asked) => {
      const after = reviewJob(asked.job);
      return fillOf(after.job, after.wiring, id).verdict === 'fits' &&
        bringsNothingGrave(before.findings, after.findings)
        ? [found(asked, after, outcomeOf(before, after))]
        : [];
    },
  );
  const price = ({ outcome }: BoxAlternative) => outcome.cost ?? Infinity;
  return [
    ...tried,
    ...ways.map(({ words, job: changed, outcome }) =>
      found({ kind: 'way', words, job: changed }, reviewJob(changed), outcome),
    ),
  ].sort((a, b) => price(a) - price(b));
};
