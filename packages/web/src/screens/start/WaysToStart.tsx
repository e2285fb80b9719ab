import { Radio, RadioGroup } from '@headlessui/react';
import type { NamedWay } from '@amber/core';
import { priceOf } from '../../panels/ways/choosePlan.js';
import { RunMini } from '../../parts/RunMini.js';

/** The ways by name, drawn small, with what speaks for and against each; one of them is picked. */
export const WaysToStart = ({
  ways,
  picked,
  isRough = false,
  onPick,
}: {
  ways: readonly NamedWay[];
  picked: NamedWay['id'];
  /** Nobody has measured the place yet: no price of it is more than about so. */
  isRough?: boolean;
  onPick: (id: NamedWay['id']) => void;
}) => (
  <RadioGroup
    aria-label="How it runs"
    value={picked}
    onChange={onPick}
    className={`grid gap-3 ${ways.length > 1 ? 'md:grid-cols-2' : ''}`}
  >
    {ways.map(({ id, title, plan, pro, con }) => (
      <Radio
        key={id}
        value={id}
        aria-label={title}
        className="flex cursor-pointer flex-col gap-1.5 rounded-lg border border-line bg-sheet p-3 data-checked:border-ink data-checked:bg-white data-checked:shadow-[inset_5px_0_0_var(--color-ink)] data-focus:outline-2 data-focus:outline-ink"
      >
        <span className="flex items-baseline justify-between gap-3">
          <strong className="text-[14px]">{title}</strong>
          <span className="shrink-0 text-[14px] font-bold">
            {isRough && plan.measures.guessed + plan.measures.rough.length === 0 ? 'about ' : ''}
            {priceOf(plan)}
          </span>
        </span>
        {plan.sketch ? (
          <span className="max-w-full overflow-x-auto">
            <RunMini run={plan.sketch} label={`Run of: ${title}`} />
          </span>
        ) : null}
        <span className="text-[13px]">
          {pro === '' ? null : (
            <>
              <strong>For:</strong> {pro}.{' '}
            </>
          )}
          {con === '' ? null : (
            <>
              <strong>Against:</strong> {con}.
            </>
          )}
        </span>
      </Radio>
    ))}
  </RadioGroup>
);
