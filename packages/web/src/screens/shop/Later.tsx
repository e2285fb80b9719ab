import { useEffect, useState } from 'react';
import { controlLook } from '../../parts/ui.js';

/** A number that is taken when it is left or confirmed, not while it is typed: every taken one is sent. Empty where it may be. */
export const Later = ({
  label,
  value,
  onTake,
  whole = false,
  money = false,
  most = 10_000_000,
  empty = null,
}: {
  label: string;
  value: number | null;
  onTake: (value: number | null) => void;
  /** Whole numbers of 2 and more alone. */
  whole?: boolean;
  most?: number;
  /** Written with its cents. */
  money?: boolean;
  /** What an empty one means; null where it may not be empty. */
  empty?: string | null;
}) => {
  const cents = value?.toFixed(2) ?? '';
  const written = value === null ? '' : money && Number(cents) === value ? cents : String(value);
  const [text, setText] = useState(written);
  useEffect(() => setText(written), [written]);
  const isEmpty = text.trim() === '';
  const number = Number(text);
  const good = isEmpty
    ? empty !== null
    : whole
      ? Number.isInteger(number) && number >= 2 && number <= 10_000
      : number >= 0 && number <= most;
  const take = () => {
    if (!good) return;
    if (isEmpty ? value !== null : number !== value) onTake(isEmpty ? null : number);
    else setText(written);
  };
  return (
    <>
      <input
        inputMode="decimal"
        aria-label={label}
        value={text}
        placeholder={empty ?? undefined}
        aria-invalid={!good}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
        className={`${controlLook} ${good ? '' : 'border-2 border-violation!'}`}
      />
      {good ? null : (
        <span role="alert" className="block text-[12.5px] text-violation">
          {whole ? 'A whole number from 2, or empty' : `From 0 to ${most.toLocaleString('en-US')}`}
        </span>
      )}
    </>
  );
};
