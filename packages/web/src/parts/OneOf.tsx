/** One of a few, side by side. */
export const OneOf = <T extends string | number>({
  label,
  options,
  value,
  onPick,
}: {
  label: string;
  options: readonly { value: T; words: string }[];
  /** Null while none is picked. */
  value: T | null;
  onPick: (value: T) => void;
}) => (
  <div
    role="group"
    aria-label={label}
    className="grid auto-cols-fr grid-flow-col overflow-hidden rounded-md border border-edge"
  >
    {options.map((one) => (
      <button
        key={one.value}
        type="button"
        aria-pressed={value === one.value}
        onClick={() => onPick(one.value)}
        className="min-h-10 text-[13px] font-semibold hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet"
      >
        {one.words}
      </button>
    ))}
  </div>
);
