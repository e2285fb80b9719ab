import { useState } from 'react';
import { findTerms } from '@amber/core';
import { TextInput } from '../../parts/ui.js';

/** What a word means, by whatever name it is asked for. */
export const FoundTerms = () => {
  const [asked, setAsked] = useState('');
  const terms = findTerms(asked);
  return (
    <>
      <TextInput
        aria-label="Find a word"
        placeholder="two-way, fixture, tail …"
        value={asked}
        onChange={(event) => setAsked(event.target.value)}
      />
      {terms.length === 0 ? (
        <p className="text-[13px] text-quiet">No word like “{asked}” is explained here.</p>
      ) : (
        <dl className="flex flex-col gap-2 text-[13.5px]">
          {terms.map(({ word, meaning, heard }) => (
            <div key={word}>
              <dt className="font-bold">{word}</dt>
              <dd>
                {meaning} <span className="text-quiet">Also heard: {heard.join(', ')}.</span>
              </dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
};

/** The same, folded. */
export const Words = () => (
  <details className="rounded-md border border-line">
    <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">Words of the trade</summary>
    <div className="flex flex-col gap-2 px-3 pb-3">
      <FoundTerms />
    </div>
  </details>
);
