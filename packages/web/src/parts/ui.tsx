import type { ButtonHTMLAttributes, InputHTMLAttributes, ReactNode, SelectHTMLAttributes } from 'react';

type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & { look?: 'main' | 'plain' | 'bare' };

const LOOKS = {
  main: 'bg-ink text-sheet hover:bg-black disabled:bg-quiet',
  plain: 'border border-edge bg-sheet hover:bg-rail disabled:text-quiet',
  bare: 'hover:bg-rail disabled:opacity-35',
};

/** A button big enough for a finger. */
export const Button = ({ look = 'plain', className = '', ...rest }: ButtonProps) => (
  <button
    type="button"
    className={`inline-flex min-h-10 items-center justify-center gap-2 rounded-md px-3 font-semibold disabled:cursor-default print:hidden ${LOOKS[look]} ${className}`}
    {...rest}
  />
);

/** A labelled control. */
export const Field = ({
  label,
  hint,
  children,
}: {
  label: string;
  hint?: ReactNode;
  children: ReactNode;
}) => (
  <label className="block">
    <span className="mb-1 block text-[13px] font-semibold">{label}</span>
    {children}
    {hint ? <span className="mt-1 block text-[12.5px] text-quiet">{hint}</span> : null}
  </label>
);

export const controlLook = 'min-h-10 w-full min-w-0 rounded-md border border-edge bg-white px-2.5 text-ink';

export const TextInput = ({ className = '', ...rest }: InputHTMLAttributes<HTMLInputElement>) => (
  <input className={`${controlLook} ${className}`} {...rest} />
);

export const Select = ({ className = '', ...rest }: SelectHTMLAttributes<HTMLSelectElement>) => (
  <select className={`${controlLook} ${className}`} {...rest} />
);

/** What a finding is, by shape and word as well as colour. */
export const SeverityMark = ({
  severity,
}: {
  severity: 'violation' | 'caution' | 'verify' | 'unfinished' | 'waived' | 'pass';
}) => {
  const paint = {
    violation: 'var(--color-violation)',
    unfinished: 'var(--color-violation)',
    caution: 'var(--color-caution)',
    verify: 'var(--color-ink)',
    waived: 'var(--color-quiet)',
    pass: 'var(--color-pass)',
  }[severity];
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" className="mt-px shrink-0" aria-hidden="true">
      {severity === 'violation' && (
        <path d="M3 3h14v14H3z M6.5 6.5l7 7 M13.5 6.5l-7 7" fill="none" stroke={paint} strokeWidth="2.2" />
      )}
      {severity === 'unfinished' && (
        <path
          d="M3 3h14v14H3z M6 10h8"
          fill="none"
          stroke={paint}
          strokeWidth="2.2"
          strokeDasharray="4 2.5"
        />
      )}
      {severity === 'caution' && (
        <path d="M10 2.5L18 17H2z M10 8v4.2 M10 14v1.4" fill="none" stroke={paint} strokeWidth="2" />
      )}
      {severity === 'verify' && (
        <>
          <circle cx="10" cy="10" r="7.5" fill="none" stroke={paint} strokeWidth="2" />
          <path
            d="M7.8 8a2.3 2.3 0 1 1 3 2.2c-.6.2-.8.6-.8 1.3 M10 13.4v1.2"
            fill="none"
            stroke={paint}
            strokeWidth="1.8"
          />
        </>
      )}
      {severity === 'waived' && (
        <path d="M3 10h14" fill="none" stroke={paint} strokeWidth="2.2" strokeDasharray="3 2.5" />
      )}
      {severity === 'pass' && (
        <path d="M3.5 10.5l4.3 4.5L16.5 5" fill="none" stroke={paint} strokeWidth="2.6" />
      )}
    </svg>
  );
};

export const SEVERITY_WORD = {
  violation: 'Violation',
  caution: 'Caution',
  verify: 'Verify on site',
  unfinished: 'Cannot be planned',
  waived: 'Waived locally',
} as const;

/** One line of the safety note, that opens; where the picture wants the room. */
export const SafetyLine = ({ className = '' }: { className?: string }) => (
  <details className={`text-[12.5px] ${className}`}>
    <summary className="min-h-8 cursor-pointer py-1.5">
      <strong>Work dead</strong>, and prove it dead before you touch. Local code comes first.
    </summary>
    <SafetyNote className="pb-2" />
  </details>
);

/** The safety note stands wherever wiring is shown. */
export const SafetyNote = ({ className = '' }: { className?: string }) => (
  <p className={`text-[12.5px] leading-snug text-quiet ${className}`}>
    <strong className="text-ink">Work dead:</strong> breaker off, locked or tagged, and proved dead with a
    two-pole tester that was itself proved before and after: hot to neutral, hot to ground, neutral to ground.
    This program plans and checks; local amendments and the authority come first. Permits and inspection as
    required. If you are not qualified, hire who is.
  </p>
);
