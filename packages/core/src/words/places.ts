import { findBox, findRoom } from '../model/lookup.js';
import { PANEL, UNKNOWN_PLACE, placeOfNode, type RoomId, type TreePlace } from '../model/ids.js';
import { listed } from './lists.js';
import type { Job } from '../model/job.js';

type Named = Pick<Job, 'boxes'>;

/** A place within a sentence: "the panel", or a box by its name. Both places of a box have that name. */
export const placeName = (job: Named, node: TreePlace): string => {
  const place = placeOfNode(node);
  if (place === UNKNOWN_PLACE) return 'a place nobody knows';
  return place === PANEL ? 'the panel' : (findBox(job, place)?.name ?? place);
};

/** A place on a tag: "panel", or a box by its name. */
export const placeTag = (job: Named, node: TreePlace): string => {
  const place = placeOfNode(node);
  if (place === UNKNOWN_PLACE) return 'place not known';
  return place === PANEL ? 'panel' : (findBox(job, place)?.name ?? place);
};

/** "Yard door to Stove end". */
export const runName = (job: Named, { from, to }: { from: TreePlace; to: TreePlace }): string =>
  `${placeName(job, from)} to ${placeName(job, to)}`;

/** Of which rooms nobody has measured the walls. */
export const sayUnmeasured = (job: Pick<Job, 'rooms'>, rooms: readonly RoomId[]): string =>
  `Nobody has measured ${listed(rooms.map((id) => findRoom(job, id)?.name ?? ''))} yet`;

/** That a price or a length rests on such rooms. */
export const sayRough = (job: Pick<Job, 'rooms'>, rooms: readonly RoomId[]): string =>
  `${sayUnmeasured(job, rooms)}: lengths there are those of an everyday place.`;
