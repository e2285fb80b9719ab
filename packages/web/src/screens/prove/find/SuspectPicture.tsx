import { useMemo } from 'react';
import {
  asItLooks,
  compile,
  compileKnown,
  drawBox,
  evaluate,
  rolesOf,
  wiresOfFault,
  withFault,
  type BoxId,
  type ReviewedWiring,
  type Positions,
  type Trouble,
  type Wiring,
} from '@amber/core';
import { OpenBox } from '../../../wiring/OpenBox.js';

const NOTHING = () => undefined;
const PLAIN = () => ({ faint: false, label: null });

/** A box of a wiring, opened up; wires that are spoken of stand out. */
export const BoxPicture = ({
  review,
  wiring,
  box,
  positions,
  title,
  told = null,
}: {
  review: ReviewedWiring;
  wiring: Wiring;
  box: BoxId;
  positions: Positions;
  title: string;
  /** Keys of the wires that are spoken of. */
  told?: ReadonlySet<string> | null;
}) => {
  const { job } = review;
  const shown = useMemo(() => {
    const compiled = compileKnown(job, wiring);
    return {
      ...{ compiled, state: evaluate(compiled, positions) },
      drawing: drawBox(job, wiring, box, { compiled: compile(wiring, job) }),
    };
  }, [job, wiring, box, positions]);
  const roles = useMemo(() => rolesOf(review.drawn), [review]);
  return (
    <figure className="min-w-0">
      <figcaption className="mb-1 text-[13px] font-semibold">{title}</figcaption>
      <div className="rounded-md bg-board p-2">
        <OpenBox
          subject={{
            ...{ job, wiring, compiled: shown.compiled, state: shown.state },
            usualRole: (key) => roles[review.drawn.netOf(key) ?? -1] ?? 'spare',
          }}
          drawing={shown.drawing}
          positions={positions}
          seen={PLAIN}
          followed={told}
          onFlip={NOTHING}
          onFollow={NOTHING}
          className="mx-auto h-auto max-h-[46vh] w-full"
        />
      </div>
    </figure>
  );
};

/** A box as it would be with the fault in it, and as it should be. Nothing is drawn of what is wrong with a device, a lamp or the breaker: it does not show. */
export const SuspectPicture = ({
  review,
  trouble,
  positions,
}: {
  review: ReviewedWiring;
  trouble: Trouble;
  positions: Positions;
}) => {
  const { wiring } = review;
  const broken = useMemo(() => {
    if (trouble.kind !== 'wires' || !('box' in trouble.at)) return null;
    const made = withFault(wiring, trouble.fault);
    return made.ok
      ? {
          wiring: asItLooks(wiring, made.value, review.job.stock),
          box: trouble.at.box,
          told: new Set(wiresOfFault(wiring, trouble.fault)),
        }
      : null;
  }, [wiring, trouble, review.job.stock]);
  if (!broken) return null;
  const { box, told } = broken;
  return (
    <div className="flex flex-col gap-1.5">
      <div className="grid gap-3 sm:grid-cols-2">
        <BoxPicture
          {...{ review, box, positions, told }}
          wiring={broken.wiring}
          title="As it would be with this fault"
        />
        <BoxPicture {...{ review, box, positions, told }} wiring={wiring} title="As it should be" />
      </div>
      <p className="text-[13px] text-quiet">
        Drawn from the plan, as with the breaker on and the handles as they are: what glows would be live
        then. What is in the box is what counts.
      </p>
    </div>
  );
};
