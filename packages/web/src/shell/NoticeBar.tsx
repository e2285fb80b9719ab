import { X } from 'lucide-react';
import { useEffect } from 'react';
import { CONTRACT } from '@amber/core';
import { jobsApi } from '../server/api.js';
import { ask, sayFailed } from '../server/client.js';
import { dismissed, noticed } from '../store/noticeSlice.js';
import { useAppDispatch, useAppSelector } from '../store/store.js';

const STAYS = 12_000;

/** One message at the foot of the screen. A problem stays until it is read. */
export const NoticeBar = () => {
  const notice = useAppSelector((state) => state.notice.current);
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (!notice || notice.tone === 'problem') return;
    const timer = setTimeout(() => dispatch(dismissed()), STAYS);
    return () => clearTimeout(timer);
  }, [notice, dispatch]);
  if (!notice) return null;
  const restore = async (id: string) => {
    const answer = await ask(CONTRACT.restoreJob, { ids: { id } });
    dispatch(answer.kind === 'ok' ? dismissed() : noticed(sayFailed(answer), { tone: 'problem' }));
    dispatch(jobsApi.util.invalidateTags(['Jobs']));
  };
  return (
    <div
      role={notice.tone === 'problem' ? 'alert' : 'status'}
      className="fixed bottom-18 left-1/2 z-20 flex w-max max-w-[min(92vw,44rem)] -translate-x-1/2 items-start gap-3 rounded-lg bg-ink py-2 pr-2 pl-4 text-sheet shadow-lg sm:bottom-5"
    >
      <p className="py-2 break-words whitespace-pre-line">{notice.text}</p>
      {notice.restore !== null ? (
        <button
          type="button"
          className="min-h-10 rounded-md border border-sheet/50 px-3 font-semibold hover:bg-white/15"
          onClick={() => void restore(notice.restore ?? '')}
        >
          Undo
        </button>
      ) : null}
      <button
        type="button"
        aria-label="Dismiss"
        className="grid size-10 shrink-0 place-items-center rounded-md hover:bg-white/15"
        onClick={() => dispatch(dismissed())}
      >
        <X size={18} />
      </button>
    </div>
  );
};
