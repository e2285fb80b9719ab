import { useCallback, useState } from 'react';
import { OneOf } from '../parts/OneOf.js';
import { Button } from '../parts/ui.js';
import { InitialsField, useInitials } from './Initials.js';

const KEY = 'amber-works';

/** Tablets are shared: who works is asked for each person and day. */
interface Working {
  initials: string;
  electrician: boolean;
  day: string;
}

const today = (): string => new Date().toDateString();

const kept = (): Working | null => {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as Working | null;
  } catch {
    return null;
  }
};

/** Who works at this screen today, and whether they are an electrician; null while that was not said for these initials and this day. */
export const useWhoWorks = () => {
  const { initials, setInitials, keep } = useInitials();
  const [said, setSaid] = useState(kept);
  const name = initials.trim();
  const holds = said !== null && said.day === today() && said.initials === name && name !== '';
  const say = useCallback(
    (electrician: boolean) => {
      const working = { initials: name, electrician, day: today() };
      localStorage.setItem(KEY, JSON.stringify(working));
      keep();
      setSaid(working);
    },
    [name, keep],
  );
  return { initials, setInitials, electrician: holds ? said.electrician : null, say };
};

export type WhoWorks = ReturnType<typeof useWhoWorks>;

const WHO = { yes: 'An electrician', no: 'Somebody else' } as const;

/** Asked once for each person and day, then one line; live readings are shown to electricians alone. */
export const WhoWorksBar = ({ who }: { who: WhoWorks }) => {
  const [asked, setAsked] = useState(false);
  const { initials, electrician } = who;
  if (electrician !== null && !asked)
    return (
      <p className="flex items-center gap-2 text-[14px]">
        <span>
          <strong>{initials.trim()}</strong>, {electrician ? 'an electrician' : 'no electrician'}, works here
          today
        </span>
        <Button look="bare" className="underline" onClick={() => setAsked(true)}>
          Change
        </Button>
      </p>
    );
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2 print:hidden">
      <InitialsField initials={initials} onChange={who.setInitials} />
      <fieldset disabled={initials.trim() === ''} className="min-w-56 flex-1 sm:max-w-80">
        <legend className="mb-1 text-[13px] font-semibold">Who works here today</legend>
        <OneOf
          label="Who works here today"
          options={(['yes', 'no'] as const).map((value) => ({ value, words: WHO[value] }))}
          value={electrician === null ? null : electrician ? 'yes' : 'no'}
          onPick={(value) => {
            who.say(value === 'yes');
            setAsked(false);
          }}
        />
      </fieldset>
    </div>
  );
};
