import type { Asked } from './useWork.js';

/** What stands where an answer is still worked out, or could not be. */
export const NotYet = ({
  asked,
  words,
}: {
  asked: Exclude<Asked<unknown>, { kind: 'known' }> | null;
  words: string;
}) =>
  asked?.kind === 'failed' ? (
    <p role="alert" className="text-[13.5px] text-violation">
      This could not be worked out: {asked.message}
    </p>
  ) : (
    <p className="text-[13.5px] text-quiet">{words}</p>
  );
