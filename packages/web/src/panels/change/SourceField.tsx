import { sourceCaution, type TappedSource } from '@amber/core';
import { Field, SeverityMark } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

const SOURCE_WORDS: Record<TappedSource, string> = {
  unknown: 'nobody has tested it',
  live: 'always live, both halves',
  halfSwitched: 'one half is switched',
  loadSide: 'behind a ground-fault device',
  multiwire: 'its halves on two breakers',
};

/** What the receptacle is that something is to be taken off, and what to heed then. */
export const SourceField = ({
  label = 'The receptacle in it is',
  source,
  onPick,
}: {
  label?: string;
  source: TappedSource;
  onPick: (source: TappedSource) => void;
}) => {
  const caution = sourceCaution(source);
  return (
    <>
      <Field label={label}>
        <WordSelect words={SOURCE_WORDS} value={source} onPick={(one) => one && onPick(one)} />
      </Field>
      {caution ? (
        <p role="note" className="flex gap-2 text-[14px]">
          <SeverityMark severity={source === 'unknown' ? 'verify' : 'caution'} />
          <span className="min-w-0">
            {caution.text}
            {caution.section ? <span className="text-quiet"> {caution.section}</span> : null}
          </span>
        </p>
      ) : null}
    </>
  );
};
