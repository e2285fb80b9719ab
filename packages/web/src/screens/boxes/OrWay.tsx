import { useState } from 'react';
import { cubicInches, type BoxAlternative, type BoxId, type Job } from '@amber/core';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { NotYet } from '../../worker/NotYet.js';
import { useBoxOrWay } from '../../worker/useChecked.js';

const KINDS: Record<BoxAlternative['kind'], string> = {
  box: 'box',
  way: 'other way',
  gangs: 'gangs',
};

const Row = ({ job, one, onTake }: { job: Job; one: BoxAlternative; onTake: () => void }) => (
  <tbody className="border-t border-line">
    <tr className="align-top">
      <td className="py-2 pr-2">
        <span className="block text-[12.5px] text-quiet">{KINDS[one.kind]}</span>
        <strong className="break-words">{one.words}</strong>
        <span className="block text-[13px]">
          {one.made}
          {one.left === null ? '' : `, ${cubicInches(one.left)} left`}
        </span>
      </td>
      <td className="py-2 text-right">
        <span className="block">{sayCost(one.outcome)}</span>
        <Button className="mt-1" aria-label={`Do it: ${one.words}`} onClick={onTake}>
          Do it
        </Button>
      </td>
    </tr>
    <tr>
      <td colSpan={2} className="pb-2">
        <OutcomeWords job={job} after={one.job} outcome={one.outcome} />
      </td>
    </tr>
  </tbody>
);

/** Larger box, another way or other gangs: each planned as a whole job, in one table by what it comes to against the box as it is. */
export const OrWay = ({ job, box, name }: { job: Job; box: BoxId; name: string }) => {
  const edit = useEdit();
  const [asked, setAsked] = useState(false);
  const found = useBoxOrWay(job, asked ? box : null);
  return (
    <section aria-label={`What ${name} could be instead`} className="border-t border-line pt-3">
      <h3 className="text-[15px] font-bold">Another box, way or gangs</h3>
      {!asked ? (
        <Button className="mt-2" onClick={() => setAsked(true)}>
          Plan and price them
        </Button>
      ) : found?.kind !== 'known' ? (
        <NotYet asked={found} words="Other boxes, ways and gangs are planned and priced …" />
      ) : found.answer.length === 0 ? (
        <p className="mt-1 text-[14px]">
          Nothing else holds what comes here without bringing something graver.
        </p>
      ) : (
        <table className="mt-1 w-full text-left text-[14px]">
          <caption className="text-left text-[13px] text-quiet">
            Against the box as it is now, material and labour.
          </caption>
          {found.answer.map((one) => (
            <Row
              key={`${one.kind} ${one.words}`}
              job={job}
              one={one}
              onTake={() => {
                edit(one.job, `${name}: ${one.words}`);
                setAsked(false);
              }}
            />
          ))}
        </table>
      )}
    </section>
  );
};
