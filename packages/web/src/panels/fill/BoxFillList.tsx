import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { eraWord, findBox, cubicInches, fillOf, sayFill, type ArticleId, type BoxId } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { BoxSelect } from '../../parts/BoxSelect.js';
import { FillLines, NotTold } from './FillLines.js';
import { SeverityMark } from '../../parts/ui.js';
import type { Subject } from '../../wiring/useSubject.js';

const plain = (volume: number) => cubicInches(volume).replace(' in³', '');

const OneBox = ({ subject, id }: { subject: Subject; id: BoxId }) => {
  const edit = useEdit();
  const { job, wiring } = subject;
  const box = findBox(job, id);
  if (!box) return null;
  const fill = fillOf(job, wiring, id);
  const share = fill.available === null ? 0 : Math.min(1, fill.needed / fill.available);
  const change = (article: ArticleId | null) =>
    edit(
      {
        ...job,
        boxes: job.boxes.map((one) => (one.id === id ? { ...one, article } : one)),
      },
      `box of ${box.name}`,
    );
  return (
    <li className="border-b border-line pb-3">
      <Disclosure>
        <DisclosureButton className="group flex min-h-11 w-full items-center gap-3 text-left">
          <SeverityMark
            severity={{ fits: 'pass', over: 'violation', unknown: 'verify' }[fill.verdict] as 'pass'}
          />
          <span className="min-w-0 flex-1 truncate font-bold" title={box.name}>
            {box.name}
          </span>
          <span className={fill.verdict === 'over' ? 'font-bold text-violation' : ''}>{sayFill(fill)}</span>
          <ChevronDown size={17} className="shrink-0 group-data-open:rotate-180" aria-hidden="true" />
        </DisclosureButton>
        <div className="h-1.5 rounded bg-line" aria-hidden="true">
          <div
            className={`h-1.5 rounded ${{ fits: 'bg-pass', over: 'bg-violation', unknown: 'bg-quiet' }[fill.verdict]}`}
            style={{ width: `${share * 100}%` }}
          />
        </div>
        {fill.verdict === 'over' ? (
          <p className="mt-1.5 text-[13px] font-semibold text-violation">
            Would not pass: {plain(fill.needed - (fill.available ?? 0))} in³ over.
          </p>
        ) : null}
        <NotTold unknown={fill.unknown} />
        <DisclosurePanel className="mt-2 flex flex-col gap-3">
          <FillLines fill={fill} caption={`Allowances of ${box.name}`} />
          {subject.readOnly ? null : (
            <BoxSelect
              job={job}
              box={id}
              article={box.article}
              withDevices={wiring.devices.some((device) => device.box === id)}
              onChange={change}
            />
          )}
        </DisclosurePanel>
      </Disclosure>
    </li>
  );
};

/** Does it fit? The answer for each box; the arithmetic on request. */
export const BoxFillList = ({ subject }: { subject: Subject }) => (
  <>
    <p className="mb-2 text-[13px] text-quiet">
      By 314.16 of {eraWord(subject.job.edition)}. Pigtails do not count. Open a box for its arithmetic.
    </p>
    <ul className="flex flex-col gap-2">
      {subject.drawings.map((drawing) => (
        <OneBox key={drawing.box} subject={subject} id={drawing.box} />
      ))}
    </ul>
  </>
);
