import { useEffect } from 'react';
import { jobsApi } from '../server/api.js';
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
    let records: number | null = null;
    return listenTo(job, called, (news) => {
      dispatch(newsHeard({ id: job, news }));
      // What is first told is what was there when the page asked.
      if (records !== null && news.records !== records)
        void dispatch(jobsApi.endpoints.records.initiate(job, { forceRefetch: true, subscribe: false }));
      records = news.records;
    });
  }, [job, called, dispatch]);
};
