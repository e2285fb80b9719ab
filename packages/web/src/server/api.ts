import { CONTRACT, type JobHead, type SiteRecord } from '@amber/core';
import { createApi, fakeBaseQuery } from '@reduxjs/toolkit/query/react';
import { ask, type Failed } from './client.js';

/** What is kept of the server's lists, and renewed when a job changes or a record was added. */
export const jobsApi = createApi({
  reducerPath: 'jobs',
  baseQuery: fakeBaseQuery<Failed>(),
  tagTypes: ['Jobs'],
  endpoints: (build) => ({
    jobs: build.query<JobHead[], void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.jobs);
        return answer.kind === 'ok' ? { data: answer.value.jobs } : { error: answer };
      },
      providesTags: ['Jobs'],
      keepUnusedDataFor: 0,
    }),
    /** What happened on site, of one job. */
    records: build.query<SiteRecord[], string>({
      queryFn: async (id) => {
        const answer = await ask(CONTRACT.records, { ids: { id } });
        return answer.kind === 'ok' ? { data: answer.value.records } : { error: answer };
      },
    }),
  }),
});
export const { useJobsQuery, useRecordsQuery } = jobsApi;
