import { Link } from 'react-router';
import {
  digestOf,
  feetWord,
  findBox,
  findCable,
  liveRecords,
  ofId,
  setFromTruck,
  type ArticleId,
  type Box,
  type OrderLine,
} from '@amber/core';
import { benchPath } from '../../parts/paths.js';
import { placeName } from '../../parts/words.js';
import { useEdit } from '../../store/review.js';
import { useAppDispatch } from '../../store/store.js';
import { boxChosen } from '../../store/wiringSlice.js';
import type { OrderView } from './useOrder.js';

/** So much of a line, with its unit where that is not told by the number alone. */
export const many = (quantity: number, unit: OrderLine['unit']): string =>
  `${feetWord(quantity)}${unit === 'foot' ? ' ft' : ''}`;

/** Is what goes into a box fitted there? It is ticked by whoever works here, and asked again where another number goes there since. */
const Fitted = ({
  view,
  line,
  box,
  quantity,
  can,
}: {
  view: OrderView;
  line: OrderLine;
  box: Box;
  quantity: number;
  can: boolean;
}) => {
  const hash = digestOf([line.article, quantity]);
  const made = liveRecords(view.records).filter(
    ({ kind, about, body }) => kind === 'fitted' && about.id === box.id && body['article'] === line.article,
  );
  const done = made.some(({ about }) => about.hash === hash);
  return (
    <label className="ml-2 inline-flex min-h-10 items-center gap-1.5 text-[13px]">
      <input
        type="checkbox"
        aria-label={`Fitted in ${box.name}: ${line.name}`}
        className="size-5 accent-ink"
        checked={done}
        disabled={!done && !can}
        title={can || done ? undefined : 'Put in your initials first'}
        onChange={() => {
          view.takeBack(made);
          if (!done)
            view.put(
              'fitted',
              { kind: 'box', id: box.id, wiring: view.review.id, hash },
              { article: line.article, draws: view.drawing(line.article, quantity) },
            );
        }}
      />
      fitted
      {!done && made.length > 0 ? <strong className="text-caution">changed since</strong> : null}
    </label>
  );
};

/** What of an article the shop has on the truck, and taking as much of it as the job needs. */
export const OnTruck = ({
  view,
  line,
  article,
}: {
  view: OrderView;
  line: OrderLine;
  article: ArticleId;
}) => {
  const edit = useEdit();
  const has = view.onTruck(article);
  const taken = ofId(view.job.order.fromTruck, article) ?? 0;
  const could = Math.min(line.need, Math.floor(has ?? 0));
  if (has === null || has <= 0) return null;
  return (
    <span className="mt-1 block text-[12.5px] text-quiet print:hidden">
      truck has {many(has, line.unit)}
      {could > taken ? (
        <button
          type="button"
          className="ml-1 min-h-8 font-semibold text-ink underline"
          aria-label={`Take ${many(could, line.unit)} from the truck: ${line.name}`}
          onClick={() => edit(setFromTruck(view.job, article, could), `${line.name} in the truck`)}
        >
          take {many(could, line.unit)}
        </button>
      ) : null}
    </span>
  );
};

/** Where a line goes, place by place; a box leads to its picture. */
export const Uses = ({ view, line }: { view: OrderView; line: OrderLine }) => {
  const { job, review } = view;
  const dispatch = useAppDispatch();
  const signed = view.initials.trim() !== '';
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1 text-[13.5px]">
      {line.uses.map(({ at, quantity }) => {
        const box = findBox(job, at);
        const cable = findCable(review.wiring, at);
        return (
          <li key={at}>
            {many(quantity, line.unit)}
            {line.unit === 'foot' ? ' ' : ' x '}
            {box ? (
              <>
                <Link
                  className="underline"
                  to={benchPath(job.id)}
                  onClick={() => dispatch(boxChosen(box.id))}
                >
                  {box.name}
                </Link>
                {line.article && line.unit === 'each' ? (
                  <Fitted view={view} line={line} box={box} quantity={quantity} can={signed} />
                ) : null}
              </>
            ) : cable ? (
              `${placeName(job, cable.from)} to ${placeName(job, cable.to)}`
            ) : (
              at
            )}
          </li>
        );
      })}
    </ul>
  );
};
