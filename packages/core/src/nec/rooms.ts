import type { RoomKind } from '../model/place.js';

/** Rooms for living, sleeping, eating and cooking (Article 100, habitable room), and those of which nobody has said. */
export const HABITABLE: readonly RoomKind[] = [
  'habitable',
  'bedroom',
  'living',
  'dining',
  'kitchen',
  'unknown',
];
