import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import {
  articleOf,
  articlesAt,
  setInside,
  type ArticleId,
  type BoxId,
  type Inside,
  type JobReview,
} from '@amber/core';
import { LengthInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';

const NAMES: Record<keyof Inside, string> = {
  width: 'Width inside',
  height: 'Height inside',
  depth: 'Depth inside',
};

const Measures = ({ review, id }: { review: JobReview; id: ArticleId }) => {
  const edit = useEdit();
  const { job } = review;
  const article = articleOf(job.stock, 'box', id);
  const [told, setTold] = useState<Record<keyof Inside, number | null>>(
    article.inside ?? { width: null, height: null, depth: null },
  );
  const [why, setWhy] = useState<string | null>(null);
  const take = (inside: Inside | null) => {
    const changed = setInside(job, id, inside);
    setWhy(changed.ok ? null : changed.why);
    if (changed.ok) edit(changed.job, `what ${article.name} measures inside`);
  };
  const { width, height, depth } = told;
  return (
    <fieldset className="flex flex-col gap-2 pb-3">
      <legend className="mb-1 text-[13px] font-semibold break-words">{article.name}</legend>
      <div className="grid grid-cols-3 gap-2">
        {(Object.keys(NAMES) as (keyof Inside)[]).map((which) => (
          <Field key={which} label={NAMES[which]}>
            <LengthInput
              bare="inches"
              label={`${NAMES[which]} of ${article.name}`}
              value={told[which]}
              onChange={(inches) => setTold({ ...told, [which]: inches })}
            />
          </Field>
        ))}
      </div>
      {why === null ? null : (
        <p role="alert" className="text-[13px] text-violation">
          {why}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={width === null || height === null || depth === null}
          onClick={() =>
            width !== null && height !== null && depth !== null && take({ width, height, depth })
          }
        >
          Draw it so
        </Button>
        {article.inside ? (
          <Button
            onClick={() => {
              setTold({ width: null, height: null, depth: null });
              take(null);
            }}
          >
            Not known
          </Button>
        ) : null}
      </div>
    </fieldset>
  );
};

/** What the box at hand measures inside, and what is put on it: for the picture to scale alone, its volume counts as it is marked or listed. */
export const InsideForm = ({ review, box }: { review: JobReview; box: BoxId }) => {
  const articles = articlesAt(review.wiring, box);
  if (articles.length === 0) return null;
  return (
    <Disclosure as="section" aria-label="Measures inside">
      <DisclosureButton className="group flex min-h-11 items-center gap-2 text-[14px] font-semibold">
        <ChevronRight size={16} className="group-data-open:rotate-90" aria-hidden="true" />
        The one at hand measures otherwise
      </DisclosureButton>
      <DisclosurePanel>
        <p className="mb-2 text-[13px] text-quiet">
          For the picture alone. Its volume stays as it is marked, or as the table lists it.
        </p>
        {articles.map((id) => (
          <Measures key={id} review={review} id={id} />
        ))}
      </DisclosurePanel>
    </Disclosure>
  );
};
