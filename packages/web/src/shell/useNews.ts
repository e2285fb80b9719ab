import { useEffect } from 'react';
import { listenTo } from '../server/events.js';
import { newsHeard } from '../store/jobSlice.js';
import { useAppDispatch } from '../store/store.js';
import { useInitials } from '../onRecord/Initials.js';

/** Hears what becomes of the open job elsewhere: newer revisions, records of others, who else has it open. */
export const useNews = (job: string | null): void => {
  const dispatch = useAppDispatch();
  const { initials } = useInitials();
  const called = initials.trim();
  useEffect(() => {
    if (job === null) return;
    return listenTo(job, called, (news) => dispatch(newsHeard({ id: job, news })));
  }, [job, called, dispatch]);
};
