import { Users } from 'lucide-react';
import type { Present } from '@amber/core';
import { browserName } from '../../server/events.js';
import { isBehind } from '../../store/jobSlice.js';
import { useAppSelector } from '../../store/store.js';

const NONE: readonly Present[] = [];

/** Who else has the job open, in words: by initials, as somebody, or as another tab of this browser. */
export const sayOthers = (others: readonly Present[], browser: string): string => {
  const tabs = others.filter((one) => one.browser === browser).length;
  const names = others
    .filter((one) => one.browser !== browser)
    .map(({ called }) => called)
    .sort();
  const unnamed = names.filter((name) => name === '').length;
  const people = [
    ...new Set(names.filter((name) => name !== '')),
    ...(unnamed === 0 ? [] : [unnamed === 1 ? 'somebody' : `${unnamed} others`]),
    ...(tabs === 0 ? [] : [tabs === 1 ? 'another tab' : `${tabs} other tabs`]),
  ];
  return people.join(', ');
};

/** That somebody else has the job open, and that what they saved comes in. */
export const Others = () => {
  const open = useAppSelector((state) => state.job.open);
  const others = open?.others ?? NONE;
  if (!open || others.length === 0) return null;
  const who = sayOthers(others, browserName());
  return (
    <span
      role="status"
      title={`Also open: ${who}. What is saved there comes in here by itself.`}
      className="flex min-w-0 items-center gap-1.5 text-[13px]"
    >
      <Users size={16} aria-hidden="true" className="shrink-0" />
      <span className="max-w-56 truncate">
        <span className="max-lg:sr-only">Also open: </span>
        {who}
        {isBehind(open) ? ': saved, comes in when you pause' : ''}
      </span>
    </span>
  );
};
