import { useEffect, useRef, useState } from 'react';
import {
  LAID,
  sayWireQuestion,
  type InsulatedColour,
  type WireLink,
  type WireQuestion,
  type WireReading,
  type WireReply,
  type WiresSubject,
} from '@amber/core';
import { Cautions } from '../../../parts/Cautions.js';
import { Button } from '../../../parts/ui.js';
import { WirePicture } from './WirePicture.js';

const key = ({ number, pair }: WireLink): string => `${number} ${pair.join()}`;

/** What shows, where more than one thing may: nothing, or those that are marked. */
const Picks = ({
  picks,
  none,
  can,
  onAnswer,
}: {
  picks: readonly { label: string; link: WireLink }[];
  none: string;
  can: boolean;
  onAnswer: (links: WireLink[]) => void;
}) => {
  const [shown, setShown] = useState<string[]>([]);
  return (
    <div className="flex flex-col gap-2">
      <Button
        look={shown.length > 0 ? 'main' : 'plain'}
        className="min-h-14 self-start text-[15px]"
        disabled={!can}
        onClick={() =>
          onAnswer(picks.filter(({ link }) => shown.includes(key(link))).map(({ link }) => link))
        }
      >
        {shown.length > 0 ? 'Those that are marked, no other' : none}
      </Button>
      <ul className="flex flex-wrap gap-2">
        {picks.map(({ label, link }) => (
          <li key={label}>
            <button
              type="button"
              aria-pressed={shown.includes(key(link))}
              onClick={() =>
                setShown(
                  shown.includes(key(link))
                    ? shown.filter((one) => one !== key(link))
                    : [...shown, key(link)],
                )
              }
              className="min-h-12 rounded-md border border-line px-3 text-[14px] font-semibold first-letter:uppercase aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
            >
              {label}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
};

/** One reading: what endangers, what is joined and where the tester goes, what shows, and what each answer means. */
export const WireAsk = ({
  subject,
  question,
  readings,
  can,
  onAnswer,
}: {
  subject: WiresSubject;
  question: WireQuestion;
  readings: readonly WireReading[];
  can: boolean;
  onAnswer: (answer: WireReply) => void;
}) => {
  const words = sayWireQuestion(subject, question, readings);
  const card = useRef<HTMLDivElement>(null);
  // The next question begins where the last one was answered: its first line is brought back into sight.
  useEffect(() => {
    const top = card.current?.getBoundingClientRect().top ?? 0;
    if (readings.length > 0 && top < 0) card.current?.scrollIntoView();
  }, [readings.length]);
  return (
    <div ref={card} className="scroll-mt-2 rounded-lg border-2 border-ink bg-white p-4">
      <Cautions cautions={words.cautions} className="mb-3" />
      <div className="flex flex-col gap-1">
        {words.steps.map((one) => (
          <p key={one} className="text-[17px] leading-snug font-bold">
            {one}
          </p>
        ))}
      </div>
      <WirePicture subject={subject} question={question} pairs={words.pairs} />
      <p className="mt-2 mb-3 text-[16px]">{words.ask}</p>
      {words.picks.length > 0 || words.options.length === 0 ? (
        <Picks
          picks={words.picks}
          none={question.kind === 'live' ? 'No wire does' : 'None does'}
          can={can}
          onAnswer={(links) =>
            onAnswer(
              question.kind === 'live'
                ? {
                    kind: 'hot',
                    wires: links.flatMap(({ pair: [wire] }) =>
                      wire === LAID ? [] : [wire as InsulatedColour],
                    ),
                  }
                : { kind: 'pairs', shown: links },
            )
          }
        />
      ) : (
        <div className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
          {words.options.map(({ label, reply }) => (
            <Button
              key={label}
              className="min-h-14 text-[15px] first-letter:uppercase"
              disabled={!can}
              onClick={() => onAnswer(reply)}
            >
              <span className="inline-block first-letter:uppercase">{label}</span>
            </Button>
          ))}
        </div>
      )}
      <Button look="bare" className="mt-2" disabled={!can} onClick={() => onAnswer({ kind: 'cannot' })}>
        It cannot be read
      </Button>
      <details className="mt-1 text-[14px]">
        <summary className="min-h-10 cursor-pointer py-2 font-semibold">What each answer means</summary>
        <p>{words.why}</p>
      </details>
    </div>
  );
};
