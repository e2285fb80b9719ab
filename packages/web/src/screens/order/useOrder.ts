import { useCallback, useEffect, useMemo, useRef } from 'react';
import {
  boxRow,
  cutStates,
  estimate,
  labourShare,
  orderLines,
  partOf,
  pullingOrder,
  reviewCircuit,
  tagNumbers,
  type About,
  type ArticleId,
  type BoxRow,
  type CableId,
  type Circuit,
  type Cut,
  type CutState,
  type Estimate,
  type Job,
  type JobReview,
  type LabourShare,
  type OrderList,
  type OrderPart,
  type SiteRecord,
} from '@amber/core';
import { useInitials } from '../../onRecord/Initials.js';
import { useCatalogQuery, useTruckQuery } from '../../server/api.js';
import { recorded, retracted } from '../../store/recordSlice.js';
import { reviewOf } from '../../store/review.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useRecords } from '../../store/useRecords.js';

const estimates = new WeakMap<JobReview, Estimate>();

/** What a job takes, worked out once for each state of it. */
const estimateOf = (review: JobReview): Estimate => {
  const known = estimates.get(review) ?? estimate(review.job, review.wiring, review.drawn);
  estimates.set(review, known);
  return known;
};

/** What is ordered for a job or one circuit of it. */
export interface OrderView {
  job: Job;
  review: JobReview;
  part: OrderPart | null;
  circuit: Circuit['id'] | null;
  list: OrderList;
  /** In the order of pulling, with the numbers of their tags. */
  cuts: Cut[];
  numbers: ReadonlyMap<CableId, number>;
  labour: LabourShare;
  boxes: BoxRow[];
  stateOf: (cut: Cut) => CutState;
  /** Puts something on record, by whoever works here, or takes it back. */
  put: (
    kind: SiteRecord['kind'],
    about: Partial<About> & Pick<About, 'kind' | 'id'>,
    body: SiteRecord['body'],
  ) => void;
  takeBack: (records: readonly SiteRecord[]) => void;
  /** What a record takes off the truck of the shop, feet or pieces; null where the shop does not keep count so. */
  drawing: (article: ArticleId | null, amount: number) => { article: ArticleId; amount: number } | null;
  /** What is on the truck of the shop of an article; null where that is not known. */
  onTruck: (article: ArticleId) => number | null;
  records: readonly SiteRecord[];
  initials: string;
  setInitials: (initials: string) => void;
  waiting: boolean;
}

export const useOrder = (asked: Job, circuit: Circuit | null): OrderView => {
  const dispatch = useAppDispatch();
  const review = reviewOf(asked);
  const { job, wiring } = review;
  const all = estimateOf(review);
  const { records, waiting } = useRecords(job.id);
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const { initials, setInitials, keep } = useInitials();
  const part = useMemo(
    () => (circuit ? partOf([reviewCircuit(review, circuit.id)]) : null),
    [review, circuit],
  );
  const list = useMemo(() => orderLines(job, all, part, records), [job, all, part, records]);
  const ordered = useMemo(
    () => pullingOrder(job, wiring, review.drawn, all.cuts),
    [job, wiring, review, all],
  );
  const numbers = useMemo(() => tagNumbers(job, ordered), [job, ordered]);
  const cuts = useMemo(
    () => ordered.filter(({ cable }) => part === null || part.cables.has(cable)),
    [ordered, part],
  );
  const labour = useMemo(() => labourShare(job, wiring, all.labour, part), [job, wiring, all, part]);
  const boxes = useMemo(
    () =>
      Object.keys(wiring.boxes)
        .filter((id) => part === null || part.boxes.has(id))
        .flatMap((id) => boxRow(job, wiring, id as BoxRow['box']) ?? []),
    [job, wiring, part],
  );
  const stateOf = useMemo(() => cutStates(records, { id: review.id, planned: true }), [records, review.id]);
  const now = useRef({ by: '', revision, keep });
  useEffect(() => {
    now.current = { by: initials.trim(), revision, keep };
  });
  const put = useCallback<OrderView['put']>(
    (kind, about, body) => {
      const { by, revision: at, keep: keepInitials } = now.current;
      keepInitials();
      dispatch(recorded(job.id, kind, { wiring: null, hash: null, ...about, revision: at }, body, by));
    },
    [dispatch, job.id],
  );
  const takeBack = useCallback<OrderView['takeBack']>(
    (which) => {
      for (const { id } of which) dispatch(retracted(job.id, id));
    },
    [dispatch, job.id],
  );
  const { data: catalog } = useCatalogQuery();
  const { data: truck } = useTruckQuery();
  const drawsDown = catalog?.defaults.drawsDown === true;
  const drawing = useCallback<OrderView['drawing']>(
    (article, amount) => (drawsDown && article !== null ? { article, amount } : null),
    [drawsDown],
  );
  const onTruck = useCallback<OrderView['onTruck']>(
    (article) => (truck ? (truck.find((one) => one.article === article)?.amount ?? 0) : null),
    [truck],
  );
  return {
    ...{ drawing, onTruck },
    ...{ job, review, part, list, cuts, numbers, labour, boxes, stateOf, put, takeBack, records },
    ...{ initials, setInitials, waiting, circuit: circuit?.id ?? null },
  };
};
