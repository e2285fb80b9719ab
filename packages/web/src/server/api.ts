import {
  CONTRACT,
  type Article,
  type Catalog,
  type DeletedJob,
  type Job,
  type JobHead,
  type LearnerHead,
  type Me,
  type OnTruck,
  type PairedDevice,
  type Practised,
  type PriceChange,
  type RevisionHead,
  type SiteRecord,
} from '@amber/core';
import { current } from '@reduxjs/toolkit';
import { copyWithStructuralSharing, createApi, fakeBaseQuery } from '@reduxjs/toolkit/query/react';
import { ask, type Failed } from './client.js';

export interface JobPage {
  jobs: JobHead[];
  total: number;
  /** When the server told it, where that is not now: there is no connection. */
  keptAt: string | null;
}

/** So many jobs come at once. */
export const JOBS_A_PAGE = 30;

/** What is kept of the server's lists, and renewed when a job changes or a record was added. */
export const jobsApi = createApi({
  reducerPath: 'jobs',
  baseQuery: fakeBaseQuery<Failed>(),
  tagTypes: ['Jobs', 'Catalog', 'Truck', 'Revisions', 'Access', 'Learners'],
  endpoints: (build) => ({
    /** A page of the jobs that a search finds, counted from 0, and how many it finds in all. */
    jobs: build.query<JobPage, { search: string; page: number }>({
      queryFn: async ({ search, page }) => {
        const query = { search, from: page * JOBS_A_PAGE, count: JOBS_A_PAGE };
        const answer = await ask(CONTRACT.jobs, { query });
        return answer.kind === 'ok'
          ? { data: { ...answer.value, keptAt: answer.keptAt ?? null } }
          : { error: answer };
      },
      providesTags: ['Jobs'],
      keepUnusedDataFor: 0,
    }),
    /** Who this device is to the server. */
    me: build.query<Me, void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.me);
        return answer.kind === 'ok' ? { data: answer.value } : { error: answer };
      },
      providesTags: ['Access'],
    }),
    devices: build.query<PairedDevice[], void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.devices);
        return answer.kind === 'ok' ? { data: answer.value.devices } : { error: answer };
      },
      providesTags: ['Access'],
      keepUnusedDataFor: 0,
    }),
    /** Jobs that were deleted and can be brought back. */
    deletedJobs: build.query<DeletedJob[], void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.deletedJobs);
        return answer.kind === 'ok' ? { data: answer.value.jobs } : { error: answer };
      },
      providesTags: ['Jobs'],
      keepUnusedDataFor: 0,
    }),
    /** Every save of a job, asked anew with each revision. */
    revisions: build.query<RevisionHead[], { id: string; revision: number }>({
      queryFn: async ({ id }) => {
        const answer = await ask(CONTRACT.revisions, { ids: { id } });
        return answer.kind === 'ok' ? { data: answer.value.revisions } : { error: answer };
      },
      providesTags: ['Revisions'],
      keepUnusedDataFor: 0,
    }),
    /** The document of a save, which never changes. */
    save: build.query<Job, { id: string; save: string }>({
      queryFn: async (ids) => {
        const answer = await ask(CONTRACT.openSave, { ids });
        return answer.kind === 'ok' ? { data: answer.value.document } : { error: answer };
      },
      keepUnusedDataFor: 30,
    }),
    /** The catalog of the shop with its labour units and prices of judgement. */
    catalog: build.query<Catalog, void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.catalog);
        return answer.kind === 'ok' ? { data: answer.value } : { error: answer };
      },
      providesTags: ['Catalog'],
    }),
    priceHistory: build.query<PriceChange[], void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.priceHistory);
        return answer.kind === 'ok' ? { data: answer.value.changes } : { error: answer };
      },
      providesTags: ['Catalog'],
    }),
    putArticles: build.mutation<number, readonly Article[]>({
      queryFn: async (articles) => {
        const answer = await ask(CONTRACT.putArticles, { body: { articles: [...articles] } });
        return answer.kind === 'ok' ? { data: answer.value.changed } : { error: answer };
      },
      // What is changed next starts from this, and not from what the server knew before it.
      onQueryStarted: async (articles, { dispatch, queryFulfilled }) => {
        const patch = dispatch(
          jobsApi.util.updateQueryData('catalog', undefined, (catalog) => {
            for (const article of articles) {
              const at = catalog.articles.findIndex(({ id }) => id === article.id);
              if (at < 0) catalog.articles.push(article);
              else catalog.articles[at] = article;
            }
          }),
        );
        await queryFulfilled.catch(() => patch.undo());
      },
      invalidatesTags: ['Catalog'],
    }),
    putUnits: build.mutation<true, Omit<Catalog, 'articles'>>({
      queryFn: async (units) => {
        const answer = await ask(CONTRACT.putUnits, { body: units });
        return answer.kind === 'ok' ? { data: true } : { error: answer };
      },
      onQueryStarted: async (units, { dispatch, queryFulfilled }) => {
        const patch = dispatch(
          jobsApi.util.updateQueryData('catalog', undefined, (catalog) => void Object.assign(catalog, units)),
        );
        await queryFulfilled.catch(() => patch.undo());
      },
      invalidatesTags: ['Catalog'],
    }),
    /** What is on the truck of the shop. */
    truck: build.query<OnTruck[], void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.truck);
        return answer.kind === 'ok' ? { data: answer.value.amounts } : { error: answer };
      },
      providesTags: ['Truck'],
    }),
    moveTruck: build.mutation<true, { id: string } & OnTruck>({
      queryFn: async (move) => {
        const answer = await ask(CONTRACT.moveTruck, { body: move });
        return answer.kind === 'ok' ? { data: true } : { error: answer };
      },
      invalidatesTags: ['Truck'],
    }),
    /** Who practises here. */
    learners: build.query<LearnerHead[], void>({
      queryFn: async () => {
        const answer = await ask(CONTRACT.learners);
        return answer.kind === 'ok' ? { data: answer.value.learners } : { error: answer };
      },
      providesTags: ['Learners'],
    }),
    /** What a learner has practised. */
    practised: build.query<Practised[], string>({
      queryFn: async (learner) => {
        const answer = await ask(CONTRACT.practised, { ids: { learner } });
        return answer.kind === 'ok' ? { data: answer.value.practised } : { error: answer };
      },
    }),
    /** What happened on site, of one job. */
    records: build.query<SiteRecord[], string>({
      queryFn: async (id) => {
        const answer = await ask(CONTRACT.records, { ids: { id } });
        return answer.kind === 'ok' ? { data: answer.value.records } : { error: answer };
      },
      // Records are added and never taken away: an answer that was on its way while one was put on record here is not all there is.
      merge: (held, asked) => {
        const before = current(held);
        const ids = new Set(asked.map((one) => one.id));
        return copyWithStructuralSharing(before, [...asked, ...before.filter((one) => !ids.has(one.id))]);
      },
    }),
  }),
});
export const {
  useCatalogQuery,
  useDeletedJobsQuery,
  useDevicesQuery,
  useLearnersQuery,
  useMeQuery,
  useRevisionsQuery,
  useSaveQuery,
  useMoveTruckMutation,
  useTruckQuery,
  useJobsQuery,
  usePractisedQuery,
  usePriceHistoryQuery,
  usePutArticlesMutation,
  usePutUnitsMutation,
  useRecordsQuery,
} = jobsApi;
