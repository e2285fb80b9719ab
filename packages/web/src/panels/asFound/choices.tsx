import { articlesOf, findBox, PANEL, UNKNOWN_PLACE, type BoxId, type Job, type Place } from '@amber/core';

/** Where an end of a cable is, in words. */
export const placeWord = (job: Job, place: Place): string =>
  place === PANEL
    ? 'the panel'
    : place === UNKNOWN_PLACE
      ? 'nobody knows where'
      : (findBox(job, place)?.name ?? place);

/** The boxes of a job, to choose from. */
export const BoxOptions = ({ job, not }: { job: Job; not?: BoxId }) => (
  <>
    {job.boxes
      .filter(({ id }) => id !== not)
      .map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
  </>
);

/** Where a cable may go: the panel, a box of the job, or nobody knows. */
export const PlaceOptions = ({ job, not }: { job: Job; not?: BoxId }) => (
  <>
    <option value={UNKNOWN_PLACE}>I do not know where</option>
    <option value={PANEL}>the panel</option>
    <BoxOptions job={job} {...(not === undefined ? {} : { not })} />
  </>
);

/** The kinds of cable that are known. */
export const KindOptions = ({ job }: { job: Job }) => (
  <>
    {articlesOf(job.stock, 'cable').map((one) => (
      <option key={one.id} value={one.id}>
        {one.name}
      </option>
    ))}
  </>
);
