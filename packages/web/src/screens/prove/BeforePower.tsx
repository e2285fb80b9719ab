import { Check, X } from 'lucide-react';
import { useState } from 'react';
import { findCircuit, type BeforePower as Told, type CircuitId, type DeadReading } from '@amber/core';
import { Button, SeverityMark } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useBeforePower } from '../../worker/useChecked.js';
import { CircuitPick } from './CircuitPick.js';
import type { ProveView } from './useTried.js';

const EXPECT: Record<DeadReading['expect'], string> = { continuity: 'continuity', none: 'no continuity' };
const OTHERWISE: Record<DeadReading['expect'], string> = { continuity: 'none', none: 'continuity' };

/** One reading with what is expected, answered by a thumb. */
const Reading = ({ view, reading }: { view: ProveView; reading: DeadReading }) => {
  const answer = view.stateOf(reading);
  const open = answer.state === 'open' || answer.state === 'changed';
  const can = view.who.electrician !== null;
  // The same step comes under several link wires.
  const named = reading.link === null ? reading.step : `${reading.link} ${reading.step}`;
  const say = (met: boolean) =>
    view.answer({ ...reading, expect: EXPECT[reading.expect] }, met, met ? '' : OTHERWISE[reading.expect]);
  return (
    <li className="py-2.5 text-[14.5px]">
      <p>
        {reading.step} Expect <strong>{EXPECT[reading.expect]}</strong>.
      </p>
      {open ? (
        <div className="mt-1.5 grid max-w-md grid-cols-2 gap-2">
          <Button
            className="min-h-12"
            disabled={!can}
            aria-label={`As expected: ${named}`}
            onClick={() => say(true)}
          >
            <Check size={18} /> As expected
          </Button>
          <Button
            className="min-h-12"
            disabled={!can}
            aria-label={`Not so: ${named}`}
            onClick={() => say(false)}
          >
            <X size={18} /> Not so
          </Button>
          {answer.state === 'changed' ? (
            <p className="col-span-2 text-[13px] font-semibold text-caution">
              Read before something changed: read it again.
            </p>
          ) : null}
        </div>
      ) : (
        <p className="flex flex-wrap items-center gap-3">
          <strong className={answer.state === 'met' ? 'text-pass' : 'text-violation'}>
            {answer.state === 'met' ? 'As expected' : `Not so: ${answer.saw}`}
          </strong>
          {answer.by}
          <Button look="bare" aria-label={`Take back: ${named}`} onClick={() => view.takeBack(answer)}>
            Take back
          </Button>
        </p>
      )}
    </li>
  );
};

/** What would come out so: the mistakes of which every reading that was answered is what they give. */
const Mistakes = ({ view, told }: { view: ProveView; told: Told }) => {
  const answers = told.readings.map((one) => view.stateOf(one).state);
  if (!answers.includes('otherwise')) return null;
  const fits = told.mistakes.filter(({ shows }) =>
    shows.every((shown, i) => (answers[i] === 'otherwise' ? shown : answers[i] === 'met' ? !shown : true)),
  );
  return (
    <div role="alert" className="rounded-md border-2 border-violation p-3 text-[14px]">
      <p className="flex gap-2 font-semibold">
        <SeverityMark severity="violation" />
        {fits.length === 0
          ? 'No single mistake gives this: more than one is there, or a reading went wrong. Read again.'
          : fits.length === 1
            ? 'One mistake gives this:'
            : `${fits.length} mistakes give this; each reading more leaves fewer${fits.length > 8 ? '. Some of them:' : ':'}`}
      </p>
      <ul className="mt-1 list-disc pl-9">
        {fits.slice(0, fits.length > 8 ? 3 : 8).map(({ where, what }) => (
          <li key={`${where} ${what}`} className="break-words">
            <strong>{where}</strong>: {what}.
          </li>
        ))}
      </ul>
    </div>
  );
};

const WHY_NOT = {
  thereAlready:
    'Part of this circuit is there already and may be live. It is not read dead as a whole: prove each old box dead before a hand goes in, and walk the test sheet when power is on.',
  nothingMadeUp: 'Nothing of it is made up so that two boxes can be read against each other.',
} as const;

/** The fewest dead readings that prove the make-up while no device is in and no power is there, and what they cannot see. */
export const BeforePower = ({ view, circuit }: { view: ProveView; circuit: CircuitId | null }) => {
  const { job } = view.review;
  const [picked, setPicked] = useState<CircuitId | null>(null);
  const at = circuit ?? picked ?? job.circuits[0]?.id ?? null;
  const asked = useBeforePower(job, at);
  if (at === null) return <p className="text-[15px]">Plan a circuit, and its readings stand here.</p>;
  const told = asked?.kind === 'known' ? asked.answer.told : null;
  const links = typeof told === 'object' && told ? [...new Set(told.readings.map(({ link }) => link))] : [];
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      <p className="flex gap-2 rounded-md border border-caution p-2.5 text-[13.5px]">
        <SeverityMark severity="caution" />
        <span>
          Before power is there: no device in, no luminaire hung, nothing landed at the panel, and nobody goes
          into the panel for it. Look for foreign voltage first, between every two conductors: a tester lies,
          or is lost, on what is live. Every link wire comes off again at the end.
        </span>
      </p>
      {circuit === null && job.circuits.length > 1 ? (
        <CircuitPick label="Circuit" circuits={job.circuits} value={at} onPick={setPicked} />
      ) : null}
      {asked?.kind !== 'known' ? (
        <NotYet asked={asked} words="Each mistake is tried …" />
      ) : told === null || typeof told === 'string' ? (
        <p className="rounded-md border border-line p-3 text-[14.5px]">{WHY_NOT[told ?? 'nothingMadeUp']}</p>
      ) : (
        <>
          <p className="text-[14px] text-quiet">
            {told.readings.length} readings show {told.mistakes.length} of {told.tried} single mistakes in the
            splices of {findCircuit(job, at)?.name ?? 'it'}.
          </p>
          <Mistakes view={view} told={told} />
          {links.map((link) => (
            <section key={link ?? ''} aria-label={link ?? 'Without a link wire'}>
              <h2 className="border-b border-ink pb-1 text-[15px] font-bold break-words">
                {link ?? 'Without a link wire'}
              </h2>
              <ul className="divide-y divide-line">
                {told.readings
                  .filter((one) => one.link === link)
                  .map((one) => (
                    <Reading key={one.id} view={view} reading={one} />
                  ))}
              </ul>
            </section>
          ))}
          <section aria-label="What they cannot see" className="text-[14px]">
            <h2 className="text-[15px] font-bold">What they cannot see</h2>
            <ul className="mt-1 list-disc pl-5">
              <li>Anything at a screw: no device is in yet. The test sheet shows that.</li>
              <li>The cable to the panel, and what is landed there.</li>
              {told.blind.count > 0 ? (
                <li>
                  {told.blind.count} of the mistakes that were tried, as: {told.blind.examples.join('; ')}.
                </li>
              ) : null}
              <li>
                Two mistakes at once that hide each other, and a splice that holds only while nobody pulls:
                tug each wire.
              </li>
            </ul>
          </section>
        </>
      )}
    </div>
  );
};
