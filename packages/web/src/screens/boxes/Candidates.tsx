import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { Check, ChevronRight } from 'lucide-react';
import {
  boxCandidates,
  cubicInches,
  dollars,
  findBox,
  setBoxArticles,
  type BoxCandidate,
  type BoxId,
  type Job,
  type Wiring,
} from '@amber/core';
import { useState, type ReactNode } from 'react';
import { SmallerBox } from './SmallerBox.js';
import { useEdit } from '../../store/review.js';
import { Button } from '../../parts/ui.js';

const keyOf = ({ articles }: BoxCandidate): string => articles.join('+');

const Line = ({
  one,
  onTake,
  more = null,
}: {
  one: BoxCandidate;
  onTake: (() => void) | null;
  /** What would make it do, where it is too small and that can be asked. */
  more?: (() => ReactNode) | null;
}) => {
  const [asked, setAsked] = useState(false);
  return (
    <li
      className={`flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1.5 text-[14px] ${one.verdict === 'fits' ? '' : 'text-quiet'}`}
    >
      <span className="min-w-0 flex-1 basis-52">
        <span className={`block break-words ${one.here ? 'font-bold' : ''}`}>
          {one.name}
          {one.here && one.verdict !== 'fits' ? ', here' : ''}
        </span>
        <span className="block text-[13px]">
          {one.verdict === 'fits'
            ? `${cubicInches(one.volume)}, ${cubicInches(one.left)} left${one.why === '' ? '' : `, ${one.why}`}`
            : one.why}
        </span>
      </span>
      <span className="shrink-0">{dollars(one.price)}</span>
      {one.here && one.verdict === 'fits' ? (
        <span className="inline-flex min-h-10 w-24 items-center gap-1 font-semibold text-ink">
          <Check size={16} aria-hidden="true" /> here
        </span>
      ) : onTake && one.verdict === 'fits' ? (
        <Button className="w-24" aria-label={`Take ${one.name}`} onClick={onTake}>
          Take it
        </Button>
      ) : more ? (
        <Button
          look="bare"
          className="w-24 text-ink underline underline-offset-3"
          aria-expanded={asked}
          aria-label={`What would make ${one.name} do`}
          onClick={() => setAsked(!asked)}
        >
          Would do if
        </Button>
      ) : (
        <span className="w-24" />
      )}
      {asked && more ? <div className="basis-full text-ink">{more()}</div> : null}
    </li>
  );
};

const Folded = ({ words, lines }: { words: string; lines: ReactNode[] }) =>
  lines.length === 0 ? null : (
    <Disclosure>
      <DisclosureButton className="group flex min-h-11 items-center gap-2 text-[14px] font-semibold">
        <ChevronRight size={16} className="group-data-open:rotate-90" aria-hidden="true" />
        {words}
      </DisclosureButton>
      <DisclosurePanel as="ul">{lines}</DisclosurePanel>
    </Disclosure>
  );

/** Boxes of the stock for a place from small to large, with what each costs and leaves; those that do not suit, with the reason. */
export const Candidates = ({ job, wiring, id }: { job: Job; wiring: Wiring; id: BoxId }) => {
  const edit = useEdit();
  const box = findBox(job, id);
  const all = boxCandidates(job, wiring, id);
  if (!box || all.length === 0) return null;
  const suited = all.filter(({ verdict }) => verdict !== 'unsuited');
  const least = Math.min(...suited.map(({ gangs }) => gangs));
  // Nobody looks for a wider box than its devices ask for before the others.
  const [plain, wider] = [true, false].map((is) =>
    suited.filter((one) => (one.gangs === least || one.here) === is),
  ) as [BoxCandidate[], BoxCandidate[]];
  const others = all.filter(({ verdict }) => verdict === 'unsuited');
  const line = (one: BoxCandidate) => (
    <Line
      key={keyOf(one)}
      one={one}
      onTake={() => take(one.articles)}
      more={one.verdict === 'tooSmall' ? () => <SmallerBox job={job} box={id} candidate={one} /> : null}
    />
  );
  const take = (articles: BoxCandidate['articles'] | null) =>
    edit(setBoxArticles(job, id, articles), `box of ${box.name}`);
  return (
    <section aria-label={`Boxes for ${box.name}`}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 className="text-[15px] font-bold">From the stock, small to large</h3>
        {box.article === null ? (
          <span className="text-[13px] text-quiet">chosen by the program</span>
        ) : (
          <Button onClick={() => take(null)}>Let the program choose</Button>
        )}
      </div>
      <ul>{plain.map(line)}</ul>
      <Folded
        words={`${wider.length} with more gangs than devices, behind a blank`}
        lines={wider.map(line)}
      />
      <Folded
        words={`${others.length} that do not suit here, and why`}
        lines={others.map((one) => (
          <Line key={keyOf(one)} one={one} onTake={null} />
        ))}
      />
    </section>
  );
};
