import { Minus, Plus } from 'lucide-react';

const button =
  'grid size-12 shrink-0 place-items-center rounded-md border border-line bg-white hover:bg-rail disabled:opacity-30 print:hidden';

/** How many there are, with one less and one more as large as a thumb. */
export const Counter = ({
  label,
  count,
  onChange,
}: {
  label: string;
  count: number;
  onChange: (count: number) => void;
}) => (
  <div className="flex items-center gap-3 border-b border-line py-1.5" role="group" aria-label={label}>
    <span className="min-w-0 flex-1 text-[15px]">{label}</span>
    <button
      type="button"
      className={button}
      aria-label={`One less: ${label}`}
      disabled={count === 0}
      onClick={() => onChange(count - 1)}
    >
      <Minus size={20} />
    </button>
    <output className="w-8 text-center text-[18px] font-bold">{count}</output>
    <button
      type="button"
      className={button}
      aria-label={`One more: ${label}`}
      onClick={() => onChange(count + 1)}
    >
      <Plus size={20} />
    </button>
  </div>
);
