import { clock, when } from '../parts/format.js';
import type { Away, SaveState } from './jobSlice.js';

const AWAY: Record<Away, { what: string; until: string }> = {
  noAnswer: { what: 'No connection', until: 'when it is back' },
  database: { what: 'The database does not answer', until: 'when it does' },
  diskFull: { what: 'The disk of the server is full', until: 'when there is room' },
  busy: { what: 'The server has too much to do', until: 'when it can' },
  notLetIn: { what: 'This device is not let in', until: 'when it is' },
  server: { what: 'The server met a fault', until: 'again by itself' },
};

/** How it stands with the saving of the open job; `held` where this browser keeps what is not saved. */
export const saySave = (save: SaveState, held: boolean, keptAt: string | null = null): string => {
  if (keptAt !== null && save.kind === 'saved') return `No connection: as it was ${when(keptAt)}`;
  switch (save.kind) {
    case 'saved':
      return save.at === null ? 'Saved' : `Saved ${clock(save.at)}`;
    case 'unsaved':
    case 'saving':
      return 'Saving …';
    case 'offline':
      return held
        ? `${AWAY[save.why].what}: kept here, sent ${AWAY[save.why].until}`
        : `${AWAY[save.why].what}, and this browser has no room to keep the job: leave this page open`;
    case 'conflict':
      return 'Not saved: choose a version';
    case 'gone':
      return 'Not saved: the job was deleted elsewhere';
    case 'refused':
      return `Not saved: ${save.message}`;
  }
};
