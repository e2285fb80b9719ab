import type { About, SiteRecord } from '@amber/core';
import { picturePath } from '../parts/paths.js';
import { when } from '../parts/format.js';
import { recorded } from '../store/recordSlice.js';
import { useAppDispatch } from '../store/store.js';
import { PhotoButton } from './PhotoButton.js';

/** Photographs of something: taken with the camera of the tablet, kept by what they are, and on record. */
export const Photographs = ({
  job,
  about,
  name,
  photos,
  by = '',
}: {
  job: string;
  /** What they show. */
  about: About;
  name: string;
  photos: readonly SiteRecord[];
  /** Who takes them. */
  by?: string;
}) => {
  const dispatch = useAppDispatch();
  return (
    <div className="flex flex-col gap-2">
      <PhotoButton
        words="Photograph it"
        label={`Photograph of ${name}`}
        onKept={(hash) => dispatch(recorded(job, 'photo', about, { hash, words: name }, by))}
      />
      {photos.length > 0 ? (
        <ul className="flex flex-wrap gap-2" aria-label={`Photographs of ${name}`}>
          {photos.map((one) => (
            <li key={one.id}>
              <a href={picturePath(String(one.body['hash']))} target="_blank" rel="noreferrer">
                <img
                  src={picturePath(String(one.body['hash']))}
                  alt={`${name}, ${when(one.at)}`}
                  className="size-16 rounded border border-line object-cover"
                />
              </a>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
};
