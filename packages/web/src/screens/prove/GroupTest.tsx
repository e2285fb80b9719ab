import { RotateCcw, Search } from 'lucide-react';
import { Link } from 'react-router';
import { listed, nextMoves, sayBeside, sayPositions, type Positions, type SheetGroup } from '@amber/core';
import { benchPath } from '../../parts/paths.js';
import { Button, SeverityMark } from '../../parts/ui.js';
import { Answer } from './Answer.js';
import { HandlesNow } from './HandlesNow.js';
import type { ProveView } from './useTried.js';

const WORDS = {
  met: 'as expected',
  otherwise: 'not as expected',
  changed: 'changed since, try again',
  open: '',
};

/** One group: what is moved next and what is to be seen, answered; what was answered stands below. */
export const GroupTest = ({
  view,
  group,
  positions,
  onPositions,
  onFind,
}: {
  view: ProveView;
  group: SheetGroup;
  /** The handles as they are. */
  positions: Positions;
  onPositions: (positions: Positions) => void;
  /** To what looks for the fault. */
  onFind: () => void;
}) => {
  const { review, stateOf, who } = view;
  const tried = group.rows.map((row) => ({ row, answer: stateOf(row) }));
  const isOpen = (state: string) => state === 'open' || state === 'changed';
  const wrong = tried.filter(({ answer }) => answer.state === 'otherwise');
  const tripped = view.trippedAt(group.circuit);
  const left = tried.filter(({ answer }) => isOpen(answer.state)).length;
  const [next] = nextMoves(review, group, positions, (row) => isOpen(stateOf(row).state));
  const can = who.electrician !== null;
  const beside = sayBeside(group);
  return (
    <section
      aria-label={`Test of ${group.name}`}
      className="grid items-start gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]"
    >
      <div className="flex flex-col gap-3">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h2 className="min-w-0 flex-1 text-[17px] font-bold break-words">{group.name}</h2>
          <p role="status" className="text-[14px] text-quiet">
            {left === 0 ? 'all tried' : `${group.rows.length - left} of ${group.rows.length} tried`}
          </p>
        </div>
        {group.rows.length < group.of ? (
          <p className="text-[13px] text-quiet">
            {group.rows.length} of {group.of} sets of positions: a sample.
          </p>
        ) : null}
        {wrong.length > 0 ? (
          <div role="alert" className="rounded-md border-2 border-violation p-3 text-[14px]">
            <p className="flex gap-2 font-semibold">
              <SeverityMark severity="violation" /> It does not do what it should: stop here.
            </p>
            <p className="mt-1">
              Breaker off, and proved dead before a box is opened. A position that tripped it is not tried
              again with power. Look at{' '}
              <Link className="font-semibold underline" to={benchPath(review.job.id, group.circuit)}>
                the bench
              </Link>{' '}
              and mend it.
            </p>
            <Button look="main" className="mt-2 mr-2" onClick={onFind}>
              <Search size={16} /> Find what is wrong
            </Button>
            <Button className="mt-2" onClick={() => wrong.forEach(({ answer }) => view.takeBack(answer))}>
              <RotateCcw size={16} /> It is mended: try these again
            </Button>
          </div>
        ) : tripped.length > 0 ? (
          <p
            role="alert"
            className="flex gap-2 rounded-md border-2 border-violation p-3 text-[14px] font-semibold"
          >
            <SeverityMark severity="violation" /> The breaker of this circuit tripped at {listed(tripped)}:
            leave it off until that is mended.
          </p>
        ) : next ? (
          <>
            {beside === null ? null : <p className="text-[14.5px]">{beside}</p>}
            <HandlesNow view={view} handles={group.handles} positions={positions} onPositions={onPositions} />
            <div className="rounded-lg border-2 border-ink bg-white p-4">
              {next.moves.length === 0 ? (
                <p className="text-[18px] leading-snug font-bold">Move nothing: look at it as it is.</p>
              ) : (
                next.moves.map(({ device, name, to }) => (
                  <p key={device} className="text-[18px] leading-snug font-bold">
                    Move the handle at {name} to {to}.
                  </p>
                ))
              )}
              <p className="mt-1 mb-3 text-[16px]">
                {next.row.expect === 'not known' ? (
                  'Nobody has looked into it, so nothing is expected: say what you see.'
                ) : (
                  <>
                    Expect: <strong>{next.row.expect}</strong>.
                  </>
                )}
              </p>
              <Answer
                key={next.row.id}
                expect={next.row.expect}
                can={can}
                onAnswer={(met, saw) => {
                  onPositions({ ...positions, ...next.row.positions });
                  view.answer(next.row, met, saw);
                }}
              />
              {can ? null : (
                <p className="mt-2 text-[13px] text-quiet">Say above who works here today; then answer.</p>
              )}
            </div>
          </>
        ) : (
          <p className="flex gap-2 rounded-md border border-pass p-3 text-[14px] text-pass">
            Every set of positions was tried, and each was as expected or is told below.
          </p>
        )}
      </div>
      {tried.every(({ answer }) => answer.state === 'open') ? null : (
        <div>
          <h3 className="mb-1 text-[13px] font-semibold">Answered</h3>
          <ol
            aria-label={`Answers of ${group.name}`}
            className="divide-y divide-line border-y border-line text-[13.5px]"
          >
            {tried
              .filter(({ answer }) => answer.state !== 'open')
              .map(({ row, answer }) => (
                <li key={row.id} className="flex flex-wrap items-center gap-x-3 py-1.5">
                  <span className="min-w-0 flex-1 basis-56">
                    {sayPositions(review, group, row.positions)}: expected {row.expect};{' '}
                    <strong className={answer.state === 'met' ? '' : 'text-violation'}>
                      {answer.saw === '' ? WORDS[answer.state] : `seen: ${answer.saw}`}
                      {answer.state === 'changed' ? ` (${WORDS.changed})` : ''}
                    </strong>
                    <span className="text-quiet"> {answer.by}</span>
                  </span>
                  <Button
                    look="bare"
                    aria-label={`Take back: ${sayPositions(review, group, row.positions)}`}
                    onClick={() => view.takeBack(answer)}
                  >
                    Take back
                  </Button>
                </li>
              ))}
          </ol>
        </div>
      )}
    </section>
  );
};
