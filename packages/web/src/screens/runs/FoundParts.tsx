import type { PlanSet, ProfileId } from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';

/** Why nothing meets what is asked, and what would. */
export const Refusals = ({ found }: { found: PlanSet }) => (
  <ul className="flex flex-col">
    {found.refusals.map((one) => (
      <li key={one.title} className="flex gap-3 border-b border-line p-4">
        <SeverityMark severity="unfinished" />
        <div className="min-w-0 break-words">
          <p className="font-bold">{one.title}</p>
          <p className="mt-0.5 text-[14px]">{one.reason}</p>
          <p className="mt-1 text-[14px]">
            <strong>Remedy:</strong> {one.remedy}
          </p>
          {found.relaxed.length > 0 ? (
            <ul className="mt-1 list-disc pl-4 text-[13.5px]">
              {found.relaxed.map((way) => (
                <li key={way.sentence}>{way.sentence}</li>
              ))}
            </ul>
          ) : null}
        </div>
      </li>
    ))}
  </ul>
);

const KIND_WORDS: Record<ProfileId, string> = {
  mastersChoice: 'Master’s choice',
  leastCost: 'Least cost',
  roomiest: 'Roomiest',
  neutrals: 'Neutrals',
  leastCable: 'Least cable',
  leastLabour: 'Least work',
  buyLeast: 'Buy least',
};

/** The best of each kind, to be looked at with one tap. What is still searched has its place: nothing below moves when it comes. */
export const Kinds = ({
  found,
  letter,
  onPick,
}: {
  found: PlanSet;
  letter: string | null;
  onPick: (letter: string) => void;
}) => {
  const kinds = [
    ...found.profiles.map(({ id, letter: best }) => ({ id, best, words: best ?? '–' })),
    ...found.toCome.map((id) => ({ id, best: null, words: '…' })),
  ];
  return (
    <div className="flex flex-wrap gap-1.5 px-4 py-3" role="group" aria-label="Best by">
      {kinds.map(({ id, best, words }) => (
        <button
          key={id}
          type="button"
          disabled={best === null}
          aria-pressed={best !== null && best === letter}
          onClick={() => best && onPick(best)}
          className="min-h-10 rounded-md border border-line bg-white px-2.5 text-[13.5px] font-semibold disabled:text-quiet aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
        >
          {KIND_WORDS[id]} <span className="font-normal">{words}</span>
        </button>
      ))}
    </div>
  );
};
