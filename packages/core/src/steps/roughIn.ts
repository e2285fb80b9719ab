import { articleOf } from '../model/articles.js';
import type { Cable } from '../model/wiring.js';
import type { CableHere } from '../model/inBox.js';
import { PANEL } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { findBox, luminairesInBox, waitsWithoutBox } from '../model/lookup.js';
import { feetInches } from '../model/units.js';
import { articlesAt, type Wiring } from '../model/wiring.js';
import { wayOf } from '../materials/lengths.js';
import { cableTold, cableWord, otherPlace, tagNumberOf } from '../words/cables.js';
import { listed } from '../words/lists.js';
import { placeTag } from '../words/places.js';
import { isHigh, LADDER } from '../words/cautions.js';
import type { DraftStep } from './step.js';

const CUTTING =
  'Cables, pipes and studs lie behind it: look and sound first, cut shallow. Old paint and board may hold lead or asbestos.';

/** The number on the tags of a cable, where they were printed. */
const numbered = (job: Job, cable: Cable): string => {
  const number = tagNumberOf(job, cable);
  return number === null ? '' : `number ${number}, `;
};

/** Luminaires at a place that gets no box: the driver box of one of them takes its part, and comes with it. */
const comingWithoutBox = (job: Job, place: Box): string[] =>
  waitsWithoutBox(job, place.id)
    ? luminairesInBox(job, place.id)
        .filter(({ driverBox }) => driverBox !== null)
        .map(({ name }) => name)
    : [];

const markedAlone = (place: Box, names: readonly string[], height: string): DraftStep => ({
  id: `${place.id}/mark-out`,
  rests: [names.length, place.at, place.work],
  phase: 'mark',
  text: `Mark where ${listed(names)} ${names.length === 1 ? 'comes' : 'come'}${height}, and measure the place from two walls. No box is set there: write the measures down.`,
  why: 'A cable without a box is found behind the board by its measures alone.',
  section: null,
  caution: isHigh(place) ? LADDER : null,
  shows: null,
});

/** The end of a cable that hung without a box is brought into the driver box when the luminaire comes. */
export const bringInSteps = (job: Job, place: Box, here: readonly CableHere[]): DraftStep[] =>
  !waitsWithoutBox(job, place.id)
    ? []
    : [
        {
          id: `${place.id}/bring-in`,
          rests: [here.map(({ cable, side }) => [cable.id, side]), place.at],
          phase: 'luminaire',
          text: `Cut the opening at the measured place, no wider than the housing takes. Bring ${here.length === 1 ? 'the cable' : 'the cables'} out and into the driver box by ${here.length === 1 ? 'its clamp' : 'a clamp each'}, 1/4 in of sheath or more inside; read on it how many cables it may take.`,
          why: 'Its wiring space is the only box there is: a splice beside it is a splice in the ceiling.',
          section: '410.21, 314.17',
          caution: CUTTING,
          shows: null,
        },
      ];

/** Where a box that comes new is marked, and its opening cut where the wall is finished. */
export const markOutSteps = (job: Job, wiring: Wiring, place: Box): DraftStep[] => {
  if (place.work !== 'new' && place.work !== 'old') return [];
  const gangs = Math.max(
    0,
    ...articlesAt(wiring, place.id).map((id) => articleOf(job.stock, 'box', id).gangs),
  );
  const height = place.at ? ` at ${feetInches(place.at.z)} over the floor` : '';
  const alone = comingWithoutBox(job, place);
  if (alone.length > 0) return [markedAlone(place, alone, height)];
  const what = `${gangs > 1 ? `the ${gangs}-gang box` : 'the box'}${height}`;
  const old = place.work === 'old';
  const cautions = [...(old ? [CUTTING] : []), ...(isHigh(place) ? [LADDER] : [])];
  return [
    {
      id: `${place.id}/mark-out`,
      rests: [articlesAt(wiring, place.id), place.at, place.work],
      phase: 'mark',
      text: old
        ? `Mark ${what}, clear of the studs. Draw round the box itself and cut the opening to that line.`
        : `Mark ${what} on the framing, clear of what is to come there.`,
      why: old
        ? 'An old-work box holds on to the edge of its opening: cut too wide, it holds on to nothing.'
        : 'What is marked before anything is bored is not moved afterwards.',
      section: null,
      caution: cautions.length > 0 ? cautions.join(' ') : null,
      shows: null,
    },
  ];
};

/** How near to a box its cable is held: 8 in at a single-gang nonmetallic box without clamps, else 12 in (334.30, 314.17(C)). */
const heldWithin = (job: Job, wiring: Wiring, place: Box): 8 | 12 => {
  const [box] = articlesAt(wiring, place.id).map((id) => articleOf(job.stock, 'box', id));
  return box && !box.metal && !box.internalClamps && box.gangs === 1 ? 8 : 12;
};

/** How a new cable gets from the box to its way. */
const enters = (job: Job, wiring: Wiring, place: Box): string => {
  const metal = articlesAt(wiring, place.id).some((id) => articleOf(job.stock, 'box', id).metal);
  if (place.work === 'existing')
    return `Open ${metal ? 'a knockout and fit a clamp in it' : 'an entry of the box'}, and bring it in`;
  if (place.work === 'old')
    return 'Bring its end out through the opening, into the box, before the box goes in';
  return metal ? 'Fit a clamp in a knockout and bring it in' : 'Bring it in';
};

/** What may be live where the other end of a new cable comes in. */
const atOtherEnd = (job: Job, place: string): string | null => {
  if (place === PANEL)
    return 'The panel is live at its supply even with the main off. Who is not qualified leaves this end outside it.';
  const box = findBox(job, place);
  return box?.work === 'existing'
    ? `${box.name} is there already and may be live: prove it dead by its own steps before a tape or cable goes into it.`
    : null;
};

/** New cables pulled, held and tagged at this end; each tag is on the sheath until the box is made up. */
export const pullSteps = (job: Job, wiring: Wiring, place: Box, here: readonly CableHere[]): DraftStep[] =>
  here
    .filter(({ cable }) => !cable.existing)
    .map(({ cable, side }): DraftStep => {
      const { access } = wayOf(job, cable.from, cable.to);
      const alone = waitsWithoutBox(job, place.id);
      const within = heldWithin(job, wiring, place);
      const end = alone ? 'where it ends' : 'the box';
      const way = {
        open: `through holes 1 1/4 in or more from the face of the framing, plated where nearer; hold it within ${within} in of ${end} and every 4 1/2 ft`,
        attic: `by the attic, guarded where it lies; hold it within ${within} in of ${end} and every 4 1/2 ft`,
        basement: `by the basement, along or through the framing; hold it within ${within} in of ${end} and every 4 1/2 ft`,
        fished: 'through the finished wall; fished cable needs no staples',
      }[access];
      return {
        id: `${place.id}/pull/${cable.id}/${side}`,
        rests: [cable.article, cable.from, cable.to, access],
        phase: 'rough',
        text: `Pull the ${cableWord(job, wiring, cable, side)} ${way}. ${alone ? 'Leave 2 ft of it coiled there, each conductor capped by itself; it is not energised until it is in the driver box. Photograph it' : enters(job, wiring, place)}, and tag its sheath: ${numbered(job, cable)}to ${[placeTag(job, otherPlace(cable, side)), cableTold(job, wiring, cable, side)].filter((one) => one !== '').join(', ')}.`,
        why: 'A cable without a tag is known to whoever pulled it, and to nobody the week after.',
        section: access === 'fished' ? '334.30(B)' : '300.4, 334.30, 314.17',
        caution: atOtherEnd(job, otherPlace(cable, side)),
        shows: null,
      };
    });

/** What is seen and recorded before the wall covers it. */
export const roughCheckSteps = (job: Job, place: Box, here: readonly CableHere[]): DraftStep[] => {
  const fresh = here.filter(({ cable }) => !cable.existing);
  if (place.work !== 'new' || fresh.length === 0) return [];
  return [
    {
      id: `${place.id}/rough-check`,
      rests: fresh.map(({ cable, side }) => [cable.id, cable.article, side]),
      phase: 'roughCheck',
      text: `See ${fresh.length === 1 ? 'the cable' : fresh.length === 2 ? 'both cables' : `all ${fresh.length} cables`} held and tagged, ${waitsWithoutBox(job, place.id) ? 'coiled and capped at its place, the measures written down' : 'the sheath 1/4 in inside, the box flush with the finish that is to come'}. Take a photograph.`,
      why: 'What the wall covers is not seen again; a photograph finds it.',
      section: '314.20, 334.30',
      caution: null,
      shows: null,
    },
  ];
};

/** All conductors of a box made ready alike before any is joined. */
export const trimAlike = (job: Job, place: Box, here: readonly CableHere[]): DraftStep[] =>
  here.length === 0
    ? []
    : [
        {
          id: `${place.id}/trim`,
          rests: [here.map(({ cable, side }) => [cable.id, side]), job.preferences.freeConductor],
          phase: 'prepare',
          text: `Cut all new ends to one length, ${job.preferences.freeConductor} in from the sheath and 3 in past the opening at least. Strip each to the gauge of the device or connector that takes it.`,
          why: 'Too long it crowds the box; stripped too far, copper stays bare; too short, it slips out.',
          section: '300.14, 110.14',
          caution: null,
          shows: null,
        },
      ];
