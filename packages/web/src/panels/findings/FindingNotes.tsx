import { eraWord, type Finding } from '@amber/core';

/** What stands beside a finding: that it was lawful as built, and what the local authority says of it. */
export const FindingNotes = ({ finding: { builtBy, amendment, kind } }: { finding: Finding }) => (
  <>
    {builtBy === null ? null : (
      <p className="mt-1 text-[13.5px]">
        As built it met {eraWord(builtBy)} and may stay; a change to it brings today’s rules.
      </p>
    )}
    {amendment === null || kind === 'local' ? null : (
      <p className="mt-1 text-[13.5px]">
        <strong>Local:</strong> {amendment}
      </p>
    )}
  </>
);
