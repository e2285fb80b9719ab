import { saySave } from '../../store/saySave.js';
import { useAppSelector } from '../../store/store.js';

export const SaveMark = () => {
  const save = useAppSelector((state) => state.job.open?.save);
  const held = useAppSelector((state) => state.job.open?.held ?? true);
  const keptAt = useAppSelector((state) => state.job.open?.keptAt ?? null);
  if (!save) return null;
  const bad =
    keptAt !== null ||
    save.kind === 'offline' ||
    save.kind === 'conflict' ||
    save.kind === 'refused' ||
    save.kind === 'gone';
  return (
    <span
      role="status"
      className={`max-w-80 truncate px-2 text-[13px] ${bad ? 'font-semibold text-violation' : 'text-quiet'}`}
      title={saySave(save, held, keptAt)}
    >
      {saySave(save, held, keptAt)}
    </span>
  );
};
