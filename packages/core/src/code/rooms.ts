import type { RoomKind } from '../model/place.js';

/** Rooms for living, sleeping, eating and cooking (Article 100, habitable room). */
export const HABITABLE: readonly RoomKind[] = ['habitable', 'bedroom', 'living', 'dining', 'kitchen'];
