import { SAW_TRIPPED } from '@amber/core';
import { Check, X } from 'lucide-react';
import { useState } from 'react';
import { Button, TextInput } from '../../parts/ui.js';

/** What is commonly seen instead, by what is looked at or touched with. */
const SEEN = {
  light: ['lit', 'dark', 'some of them', 'dim', 'flickers', 'hums', SAW_TRIPPED],
  receptacle: [
    'wired right',
    'nothing',
    'hot and neutral exchanged',
    'ground open',
    'neutral open',
    SAW_TRIPPED,
  ],
  reading: ['as it should be', 'nothing', 'hot to ground only', 'neutral live to ground', SAW_TRIPPED],
} as const;

/** Answered by a thumb: as expected, not, and then what was seen. Where nobody knows what to expect, what is seen is all that is asked. */
export const Answer = ({
  expect,
  kind = 'light',
  can,
  onAnswer,
}: {
  expect: string;
  kind?: keyof typeof SEEN;
  can: boolean;
  onAnswer: (met: boolean, saw: string) => void;
}) => {
  const open = expect === 'not known';
  const [asked, setAsked] = useState(open);
  const [other, setOther] = useState('');
  const say = (saw: string) => onAnswer(open && saw !== SAW_TRIPPED, saw);
  if (!asked)
    return (
      <div className="grid grid-cols-2 gap-3">
        <Button
          look="main"
          className="min-h-16 text-[16px]"
          disabled={!can}
          onClick={() => onAnswer(true, '')}
        >
          <Check size={20} /> As expected
        </Button>
        <Button className="min-h-16 text-[16px]" disabled={!can} onClick={() => setAsked(true)}>
          <X size={20} /> Not so
        </Button>
      </div>
    );
  return (
    <div className="flex flex-col gap-2">
      <p className="text-[14px] font-semibold">What was seen?</p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {SEEN[kind]
          .filter((saw) => saw !== expect)
          .map((saw) => (
            <Button key={saw} className="min-h-12" disabled={!can} onClick={() => say(saw)}>
              {saw}
            </Button>
          ))}
      </div>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          say(other.trim());
        }}
      >
        <TextInput
          aria-label="Something else that was seen"
          placeholder="Something else"
          value={other}
          maxLength={200}
          onChange={(event) => setOther(event.target.value)}
        />
        <Button type="submit" disabled={!can || other.trim() === ''}>
          Say it
        </Button>
      </form>
      {open ? null : (
        <Button look="bare" className="self-start" onClick={() => setAsked(false)}>
          Back
        </Button>
      )}
    </div>
  );
};
