import { levelsOf, type Job, type LevelId } from '@amber/core';

/** Which floor is looked at, the highest uppermost; nothing where the job has but one. */
export const LevelTabs = ({
  job,
  level,
  onShow,
}: {
  job: Job;
  level: LevelId | null;
  onShow: (level: LevelId) => void;
}) => {
  const levels = levelsOf(job).reverse();
  if (levels.length < 2) return null;
  return (
    <div
      role="group"
      aria-label="Levels"
      className="absolute top-3 left-3 flex max-w-44 flex-col divide-y divide-line overflow-hidden rounded-md border border-line"
    >
      {levels.map((one) => (
        <button
          key={one.id}
          type="button"
          aria-pressed={one.id === level}
          onClick={() => onShow(one.id)}
          className={`min-h-10 truncate px-3 text-left text-[13.5px] font-semibold ${
            one.id === level ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-rail'
          }`}
        >
          {one.name}
        </button>
      ))}
    </div>
  );
};
