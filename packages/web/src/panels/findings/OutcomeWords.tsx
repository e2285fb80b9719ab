import { dollars, findBox, findingKey, listed, type Finding, type Job, type Outcome } from '@amber/core';
import { plural } from '../../parts/format.js';
import { SEVERITY_WORD } from '../../parts/ui.js';

/** "no cost", "$1.20 more, 4 minutes less", or why no price is told. */
export const sayCost = ({ cost, unknown, about, minutes }: Outcome): string => {
  if (cost === null) return `Price not known. ${unknown}`;
  const money =
    cost === 0
      ? 'No cost'
      : `${about ? 'About ' : ''}${dollars(Math.abs(cost))} ${cost > 0 ? 'more' : 'less'}`;
  const time = Math.round(minutes);
  return time === 0 ? money : `${money}, ${plural(Math.abs(time), 'minute')} ${time > 0 ? 'more' : 'less'}`;
};

const said = ({ severity, title, questions }: Finding): string =>
  `${questions.length > 0 ? 'Question' : SEVERITY_WORD[severity]}: ${title}`;

/** More findings than these are counted. */
const MOST_SAID = 4;

const Findings = ({ words, findings }: { words: string; findings: readonly Finding[] }) =>
  findings.length === 0 ? null : (
    <div>
      <p className="font-semibold">{words}</p>
      <ul className="list-disc pl-5">
        {findings.slice(0, MOST_SAID).map((one, i) => (
          <li key={`${findingKey(one)} ${i}`} className="break-words">
            {said(one)}
          </li>
        ))}
        {findings.length > MOST_SAID ? <li>and {findings.length - MOST_SAID} more</li> : null}
      </ul>
    </div>
  );

/** More boxes than these are counted. */
const MOST_NAMED = 5;

const boxesOf = (job: Job, after: Job, { boxes }: Outcome): string =>
  boxes.length > MOST_NAMED
    ? plural(boxes.length, 'box', 'boxes')
    : listed(boxes.map((id) => (findBox(job, id) ?? findBox(after, id))?.name ?? id));

/** What a change would come to, before it is made: what it settles, what comes with it, what is bought, which boxes are otherwise. */
export const OutcomeWords = ({
  job,
  after = job,
  outcome,
}: {
  job: Job;
  /** Where it has boxes that the job has not. */
  after?: Job;
  outcome: Outcome;
}) => {
  const bought = outcome.takeOff.map(
    ({ name, quantity, unit }) =>
      `${quantity > 0 ? '+' : '−'}${Math.abs(quantity)}${unit === 'foot' ? ' ft' : ''} ${name}`,
  );
  const nothing = outcome.gone.length + outcome.come.length + bought.length + outcome.boxes.length === 0;
  return (
    <div className="flex flex-col gap-1 text-[13.5px]">
      <Findings words="Settles" findings={outcome.gone} />
      <Findings words="Brings" findings={outcome.come} />
      {outcome.boxes.length > 0 ? <p>Otherwise than now: {boxesOf(job, after, outcome)}.</p> : null}
      {bought.length > 0 ? <p className="break-words">To buy: {bought.join(' · ')}</p> : null}
      {nothing ? <p>Nothing else changes.</p> : null}
    </div>
  );
};
