import type { Preferences } from '@amber/core';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { HABITS } from './habits.js';

/** Where good electricians differ: one of the schools for each, of a job or of the shop. */
export const HabitsForm = ({
  preferences,
  explained = false,
  onSet,
}: {
  preferences: Preferences;
  /** With what speaks for each school. */
  explained?: boolean;
  /** What is chosen, and what it is about, in words. */
  onSet: (more: Partial<Preferences>, what: string) => void;
}) => (
  <>
    {(
      Object.entries(HABITS) as [
        keyof Preferences,
        { label: string; why: string; words: Record<string, string> },
      ][]
    ).map(([key, { label, why, words }]) => (
      <Field key={key} label={label} hint={explained ? why : undefined}>
        <WordSelect
          words={words}
          value={String(preferences[key])}
          onPick={(value) => value !== null && onSet({ [key]: value }, label.toLowerCase())}
        />
      </Field>
    ))}
    <Field label="Free conductor past the sheath">
      <WordSelect
        words={{ 6: '6 in, the least', 8: '8 in' }}
        value={String(preferences.freeConductor)}
        onPick={(value) => onSet({ freeConductor: value === '8' ? 8 : 6 }, 'free conductor')}
      />
    </Field>
    <Field label="Room left free in new boxes">
      <WordSelect
        words={{
          0: 'none: as small as the code allows',
          1: 'for one more two-wire cable',
          2: 'for two more two-wire cables',
        }}
        value={String(preferences.roomToSpare)}
        onPick={(value) =>
          onSet({ roomToSpare: value === '0' ? 0 : value === '2' ? 2 : 1 }, 'room left free')
        }
      />
    </Field>
    <label className="flex min-h-10 items-center gap-2.5">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        checked={preferences.sparePort}
        onChange={() => onSet({ sparePort: !preferences.sparePort }, 'a port left free')}
      />
      A port left free in each lever or push-in connector
    </label>
  </>
);
