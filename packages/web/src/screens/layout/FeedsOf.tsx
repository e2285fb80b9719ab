import {
  addFeed,
  noPowerAt,
  PANEL,
  sayNoPower,
  tapOf,
  tappedBy,
  tapTold,
  withoutFeed,
  withTapped,
  type Feed,
  type FeedId,
  type Job,
  type Place,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { fresh } from '../../parts/fresh.js';
import { placeName } from '../../parts/words.js';
import { SourceField } from '../../panels/change/SourceField.js';
import { WordSelect } from '../../parts/WordSelect.js';

const TAPS: Record<Feed['tap'], string> = {
  junction: 'from a splice',
  receptacle: 'from a receptacle',
  switch: 'from a switch box',
  luminaire: 'from a luminaire box',
};

/** Which circuits may be fed from a place: a box that power reaches already, or the panel. */
export const FeedsOf = ({ job, at, legend }: { job: Job; at: Place; legend: string }) => {
  const edit = useEdit();
  const name = placeName(job, at);
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold">{legend}</legend>
      {job.circuits.map((circuit) => {
        const feed = job.feeds.find((one) => one.circuit === circuit.id && one.at === at);
        const last = feed && job.feeds.filter((one) => one.circuit === circuit.id).length === 1;
        const no = at === PANEL ? null : noPowerAt(job, at, circuit.id);
        return (
          <div key={circuit.id} className={feed && at !== PANEL ? 'mb-3 flex flex-col gap-2' : ''}>
            <label className="flex min-h-10 items-center gap-2.5">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={feed !== undefined}
                onChange={() =>
                  edit(
                    feed
                      ? withoutFeed(job, feed.id)
                      : addFeed(job, { id: fresh<FeedId>('feed'), circuit: circuit.id, at }),
                    `power of ${circuit.name} at ${name}`,
                  )
                }
              />
              {circuit.name}
              {last ? <span className="text-[12.5px] text-quiet">its only feed</span> : null}
            </label>
            {no && (feed || !['others', 'none'].includes(no.why)) ? (
              <p
                className={`mb-1 ml-7.5 text-[13px] ${feed ? 'font-semibold text-violation' : 'text-quiet'}`}
              >
                {sayNoPower(job, no)}
              </p>
            ) : null}
            {feed && at !== PANEL && tapTold(job, feed) !== null ? (
              <p className="mb-1 ml-7.5 text-[13px] text-quiet">
                {TAPS[tapOf(job, feed)]}, as the box is told on the bench
              </p>
            ) : feed && at !== PANEL ? (
              <WordSelect
                aria-label={`What is tapped for ${circuit.name}`}
                words={TAPS}
                value={feed.tap}
                onPick={(tap) =>
                  tap &&
                  edit(
                    { ...job, feeds: job.feeds.map((one) => (one.id === feed.id ? { ...one, tap } : one)) },
                    `tap of ${circuit.name} at ${name}`,
                  )
                }
              />
            ) : null}
            {feed && at !== PANEL && tapOf(job, feed) === 'receptacle' ? (
              <SourceField
                label={`The receptacle for ${circuit.name} is`}
                source={tappedBy(feed)}
                onPick={(source) =>
                  edit(
                    {
                      ...job,
                      feeds: job.feeds.map((one) => (one === feed ? withTapped(one, source) : one)),
                    },
                    `what is tapped for ${circuit.name} at ${name}`,
                  )
                }
              />
            ) : null}
          </div>
        );
      })}
    </fieldset>
  );
};
