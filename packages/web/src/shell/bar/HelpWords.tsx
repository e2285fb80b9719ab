import { useState } from 'react';
import { Link } from 'react-router';
import { pathOfStop, walkedTo } from '../../store/walk.js';
import { OneOf } from '../../parts/OneOf.js';
import { LOOKS, lookNow, takeLook, type Look } from '../look.js';
import { FoundTerms } from '../../panels/steps/Words.js';
import { SafetyNote } from '../../parts/ui.js';

/** Keys by where they do something. */
const KEYS: readonly { where: string; keys: readonly (readonly [keys: string, does: string])[] }[] = [
  {
    where: 'Everywhere in a job',
    keys: [
      ['?', 'This help'],
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z, Ctrl Y', 'Redo'],
      ['Tab, Enter, Space', 'To the next control, and press it'],
    ],
  },
  {
    where: 'Bench',
    keys: [
      ['1 to 9', 'Flip that handle of the run'],
      ['W', 'Walk: one handle further through all positions'],
      ['N, B', 'Next box, box before'],
      ['V', 'One box large, or all beside each other'],
      ['F, Shift F', 'Follow the next wire of the box, or the one before'],
      ['+, −, 0', 'Nearer, further, the whole box'],
      ['Esc', 'Put the wire down'],
    ],
  },
  {
    where: 'Layout',
    keys: [
      ['V, R, D, S, L', 'Select, room, door, switch, luminaire'],
      ['E, P, I', 'Existing box, panel, picture'],
      ['Arrows, Shift with them', 'Move what is selected by an inch, by a foot'],
      ['Delete', 'Take away what is selected'],
      ['Esc', 'Put the tool down'],
    ],
  },
];

/** What the program rests on, in the order in which one asks. */
const REASONS: readonly (readonly [asks: string, answer: string])[] = [
  [
    'Why is that way first?',
    'Every sensible way is searched and priced: cable, boxes, devices, time. To that comes what a master would pay to avoid, each with its price under Shop, Judgement. Proved means that no other way comes to less, but for what is said beside it to be left out.',
  ],
  [
    'What is amber?',
    'What is live now, by the wiring as it is drawn. Brown and hatched is what nobody has looked at: take it for live. No picture replaces a tester.',
  ],
  [
    'How long is a cable?',
    'From box to box over, through or under, as the layout says, with what is added for bends and in the boxes. What nobody has measured is a guess, is called one, and can be typed in.',
  ],
  [
    'Which code holds?',
    'The edition above, with the amendments told under Check. What only somebody on site can answer is asked, and counts as not answered until it is.',
  ],
  [
    'Is it saved?',
    'By itself, a moment after each change; offline it is kept here and sent later. History holds every save, and the way back to it.',
  ],
];

const LookPick = () => {
  const [look, setLook] = useState(lookNow);
  return (
    <OneOf
      label="How it looks"
      options={(Object.keys(LOOKS) as Look[]).map((value) => ({ value, words: LOOKS[value] }))}
      value={look}
      onPick={(next) => {
        takeLook(next);
        setLook(next);
      }}
    />
  );
};

/** How it looks, keys, words and reasons. */
export const HelpWords = ({ onClose }: { onClose: () => void }) => (
  <div className="flex flex-col gap-6 p-5">
    <section aria-label="Look">
      <h3 className="mb-2 text-[15px] font-bold">How it looks</h3>
      <LookPick />
      <p className="mt-1.5 text-[13px] text-quiet">
        What is drawn stays on its light ground in either: there the wires have their own colours.
      </p>
    </section>
    <section aria-label="A walk">
      <h3 className="mb-2 text-[15px] font-bold">A walk through Heron Yard</h3>
      <Link
        to={pathOfStop(walkedTo() ?? 0)}
        onClick={onClose}
        className="inline-flex min-h-10 items-center rounded-md border border-edge bg-sheet px-3 font-semibold hover:bg-rail"
      >
        {walkedTo() === null
          ? 'Five stops, in the order of the work'
          : `Go on at stop ${(walkedTo() ?? 0) + 1}`}
      </Link>
    </section>
    <section aria-label="Reasons">
      <h3 className="mb-2 text-[15px] font-bold">Why</h3>
      <dl className="flex flex-col gap-2.5 text-[14px]">
        {REASONS.map(([asks, answer]) => (
          <div key={asks}>
            <dt className="font-semibold">{asks}</dt>
            <dd>{answer}</dd>
          </div>
        ))}
      </dl>
    </section>
    <section aria-label="Keys">
      <h3 className="mb-2 text-[15px] font-bold">Keys</h3>
      {KEYS.map(({ where, keys }) => (
        <table key={where} className="mb-3 w-full text-[14px]">
          <caption className="py-1 text-left font-semibold">{where}</caption>
          <tbody>
            {keys.map(([key, does]) => (
              <tr key={key} className="border-t border-line align-baseline">
                <th scope="row" className="w-44 py-1.5 pr-3 text-left font-bold">
                  {key}
                </th>
                <td className="py-1.5">{does}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </section>
    <section aria-label="Words of the trade" className="flex flex-col gap-2">
      <h3 className="text-[15px] font-bold">Words of the trade</h3>
      <FoundTerms />
    </section>
    <SafetyNote className="border-t border-line pt-4" />
  </div>
);
