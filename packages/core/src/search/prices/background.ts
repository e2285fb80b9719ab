import { isDeviceKept } from '../../model/there.js';
import { othersIn, planningWithout, waitingCables } from '../../model/lying.js';
import { notStanding } from '../../model/existing.js';
import { withoutForced } from '../../model/toPlan.js';
import { groupIdsOf } from '../../model/lookup.js';
import { madeOnce } from '../../model/memo.js';
import { articleOf, groundOf, type DeviceArticle } from '../../model/articles.js';
import type { BoxContents } from '../../model/contents.js';
import type { BoxId, DeviceId } from '../../model/ids.js';
import type { Circuit, Job } from '../../model/job.js';
import type { Awg } from '../../model/units.js';
import { boxesReached, placeOfEnd, type Wiring } from '../../model/wiring.js';
import { contentsOf, gangsTaken } from '../../materials/boxContents.js';
import { partsOf, unusedBy } from '../../planning/circuitParts.js';
import type { Attachment } from '../../planning/boxNodes.js';
import { roomAskedIn } from '../../planning/roomAsked.js';
import { plannedOnce } from '../../planning/plannedOnce.js';
import { planJob } from '../../planning/planJob.js';
import { wiringOrEmpty } from '../../proving/works.js';

/** What stands in the boxes of a job without one circuit: the other circuits as they are chosen, and what was found. */
export interface Background {
  /** Do cables of others, or unused ones, end in a box? */
  reached: (box: BoxId) => boolean;
  contents: (box: BoxId) => BoxContents;
  /** Sizes of the grounds of cables in a box, and what the other circuits ground there. */
  groundsIn: (box: BoxId) => Awg[];
  grounded: readonly Attachment[];
  /** What another circuit has put in as a device. */
  article: (device: DeviceId) => DeviceArticle | null;
  /** Device spaces that the other circuits take, planned or not, and whether any device of them is new. */
  devices: (box: BoxId) => { gangs: number; count: number; anyNew: boolean };
  /** Room that the other circuits ask a box to keep free, ten-thousandths of a cubic inch. */
  room: (box: BoxId) => number;
  /** Insulated conductors of existing cables in a box that no other circuit uses, less those that wait for a plan of theirs or stay as they were found. */
  idle: (box: BoxId) => number;
}

const groundsAt = (job: Job, wiring: Wiring, box: BoxId): Awg[] =>
  wiring.cables.flatMap((cable) => {
    const article = articleOf(job.stock, 'cable', cable.article);
    const ground = groundOf(article);
    if (ground === null || ground === 'raceway') return [];
    return (['from', 'to'] as const).filter((side) => placeOfEnd(cable, side) === box).map(() => article.awg);
  });

/** The same for every search of the circuit in a job. */
export const backgroundOf = madeOnce((asked: Job, circuit: Circuit): Background => {
  const job: Job = withoutForced({
    ...notStanding(asked, circuit.id),
    // Of this circuit it counts alone which old cables it does without.
    choices: asked.choices.flatMap((one) =>
      one.circuit !== circuit.id ? [one] : one.givenUp ? [planningWithout(circuit.id, one.givenUp)] : [],
    ),
  });
  const mine = groupIdsOf(job, circuit.id);
  const others = { ...job, slots: job.slots.filter((slot) => !mine.has(slot.group)) };
  const whole = planJob(job);
  const wiring = wiringOrEmpty(whole.job);
  const planned = job.circuits
    .filter(({ id }) => id !== circuit.id && job.choices.some((choice) => choice.circuit === id))
    .flatMap((one) => {
      const outcome = plannedOnce(job, one);
      return outcome.ok ? [{ circuit: one, plan: outcome.value }] : [];
    });
  const parts = planned.map((one) => partsOf(job, one.circuit, one.plan));
  const isPlanned = new Set([circuit.id, ...planned.map((one) => one.circuit.id)]);
  const waiting = waitingCables(
    job,
    new Set(job.circuits.map(({ id }) => id).filter((id) => !isPlanned.has(id))),
  );
  const unused = unusedBy(
    job,
    planned.map((one) => one.plan),
  ).filter(
    ({ id, circuit: of }) =>
      !waiting.has(id) && (of === null || of === circuit.id || !whole.asFound.cables.has(id)),
  );
  const slots = new Map(job.slots.map((slot) => [slot.id, slot]));
  const reached = boxesReached(wiring);
  const articles = new Map(
    wiring.devices.map((one) => [one.id, articleOf(job.stock, 'device', one.article)]),
  );
  return {
    reached: (box) => reached.has(box),
    contents: (box) => ({
      ...contentsOf(job, wiring, box),
      // Clamps come with the box that is chosen.
      internalClamps: othersIn(job, box)?.internalClamps ?? false,
    }),
    groundsIn: (box) => groundsAt(job, wiring, box),
    grounded: parts.flatMap((part) => part.attachments.filter((one) => one.net === 'ground')),
    article: (device) => articles.get(device) ?? null,
    devices: (box) => {
      const here = wiring.devices.filter((one) => one.box === box);
      const { fitted, unplanned } = gangsTaken(others, wiring, box);
      return {
        gangs: fitted + unplanned,
        count: here.length,
        anyNew: here.some(({ slot }) => {
          const known = slot === null ? undefined : slots.get(slot);
          return known === undefined || !isDeviceKept(job, known);
        }),
      };
    },
    room: roomAskedIn(job, planned),
    idle: (box) =>
      unused.reduce((sum, { between, article }) => {
        const times = between.filter((place) => place === box).length;
        return sum + times * articleOf(job.stock, 'cable', article).insulated.length;
      }, 0),
  };
});
