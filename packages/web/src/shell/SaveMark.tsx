import { useAppSelector } from '../store/store.js';
import type { SaveState } from '../store/jobSlice.js';
import { clock } from '../parts/format.js';

const say = (save: SaveState, held: boolean): string => {
  switch (save.kind) {
    case 'saved':
      return save.at === null ? 'Saved' : `Saved ${clock(save.at)}`;
    case 'unsaved':
    case 'saving':
      return 'Saving …';
    case 'offline':
      return held
        ? 'No connection: kept here, sent when it is back'
        : 'No connection, and this browser has no room to keep the job: leave this page open';
    case 'conflict':
      return 'Not saved: choose a version';
    case 'refused':
      return `Not saved: ${save.message}`;
  }
};

export const SaveMark = () => {
  const save = useAppSelector((state) => state.job.open?.save);
  const held = useAppSelector((state) => state.job.open?.held ?? true);
  if (!save) return null;
  const bad = save.kind === 'offline' || save.kind === 'conflict' || save.kind === 'refused';
  return (
    <span
      role="status"
      className={`max-w-80 truncate px-2 text-[13px] ${bad ? 'font-semibold text-violation' : 'text-quiet'}`}
      title={say(save, held)}
    >
      {say(save, held)}
    </span>
  );
};
