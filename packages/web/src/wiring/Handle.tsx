/** A toggle handle: up or down, and what the position is called. It flips on a click. */
export const Handle = ({
  label,
  shortcut,
  position,
  positions,
  onFlip,
}: {
  label: string;
  shortcut: number | null;
  position: number;
  positions: readonly string[];
  onFlip: () => void;
}) => {
  const word = positions[position] ?? '';
  const up = position === 0;
  return (
    <button
      type="button"
      aria-label={`${label}: ${word}. Flip.`}
      aria-keyshortcuts={shortcut === null ? undefined : String(shortcut)}
      onClick={onFlip}
      className="group relative grid h-17 w-11 place-items-center rounded-lg border-2 border-ink bg-white active:bg-rail"
    >
      <span className="relative -mt-2.5 block h-11 w-5 rounded bg-line">
        <span
          className={`absolute left-0 block h-6 w-5 rounded border border-ink bg-ink shadow transition-[top] duration-75 ${up ? 'top-0' : 'top-5'}`}
        />
      </span>
      <span className="absolute inset-x-0 bottom-px text-center text-[11px] leading-none font-bold uppercase">
        {word}
      </span>
    </button>
  );
};
