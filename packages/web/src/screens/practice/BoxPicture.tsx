import { useMemo } from 'react';
import { articleOf, articlesAt, cubicInches, type BoxId, type Job } from '@amber/core';
import { placeName } from '../../parts/words.js';
import { useAppSelector } from '../../store/store.js';
import { OpenBox } from '../../wiring/OpenBox.js';
import { lookThrough } from '../../wiring/lenses.js';
import type { Subject } from '../../wiring/useSubject.js';

/** What a box is called in the stock, with its volume where the name does not say it. */
const boxWords = (job: Job, { wiring }: Subject, box: BoxId): string => {
  const articles = articlesAt(wiring, box).map((id) => articleOf(job.stock, 'box', id));
  const name = articles.map((one) => one.name).join(' with ');
  const volume = articles.reduce((sum, one) => sum + one.volume, 0);
  return name === '' || name.includes('in³') ? name : `${name}: ${cubicInches(volume)}`;
};

/** An opened box to be looked at, with what is stamped in it and nothing that is counted. */
export const BoxPicture = ({ job, subject, box }: { job: Job; subject: Subject; box: BoxId }) => {
  const { positions } = useAppSelector((state) => state.wiring);
  const seen = useMemo(() => lookThrough('live', subject, positions), [subject, positions]);
  const drawing = subject.drawings.find((one) => one.box === box);
  const name = placeName(job, box);
  return (
    <article aria-label={`Box ${name}`} className="max-w-full min-w-0">
      <h2 className="text-[16px] font-bold">{name}</h2>
      <p className="mb-2 text-[14px]">{boxWords(job, subject, box)}</p>
      {drawing ? (
        <OpenBox
          subject={subject}
          drawing={drawing}
          positions={positions}
          seen={seen}
          followed={null}
          onFlip={() => undefined}
          onFollow={() => undefined}
          className="h-auto max-w-full"
        />
      ) : null}
    </article>
  );
};
