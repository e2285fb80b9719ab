import {
  findBox,
  articleOf,
  articlesAt,
  articlesOf,
  cubicInches,
  plannedWiring,
  type ArticleId,
  type BoxArticle,
  type BoxId,
  type Job,
} from '@amber/core';
import { Field, Select } from './ui.js';

const nameOf = (box: BoxArticle) =>
  box.name.includes('in³') ? box.name : `${box.name} (${cubicInches(box.volume)})`;

/** Which box stands at a place: left to the program, or chosen from the stock. */
export const BoxSelect = ({
  job,
  box,
  article,
  withDevices,
  onChange,
}: {
  job: Job;
  box: BoxId;
  article: ArticleId | null;
  /** Boxes with device spaces, or without. */
  withDevices: boolean;
  onChange: (article: ArticleId | null) => void;
}) => {
  const offered = articlesOf(job.stock, 'box').filter(
    (one) => one.part === 'box' && one.gangs > 0 === withDevices,
  );
  const isThere = findBox(job, box)?.work === 'existing';
  const wiring = plannedWiring(job);
  const fitted = (wiring ? articlesAt(wiring, box) : []).map((id) => articleOf(job.stock, 'box', id).name);
  return (
    <Field label={isThere ? 'Which box is it?' : 'Box'}>
      <Select
        value={article ?? ''}
        onChange={(event) => onChange((event.target.value || null) as ArticleId | null)}
      >
        <option value="">
          {isThere
            ? 'Not known: nobody can say how full it is'
            : article === null && fitted.length > 0
              ? `Cheapest that fits: ${fitted.join(' with ')}`
              : 'Cheapest that fits'}
        </option>
        {offered.map((one) => (
          <option key={one.id} value={one.id}>
            {nameOf(one)}
          </option>
        ))}
      </Select>
    </Field>
  );
};
