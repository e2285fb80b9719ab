import { listed } from '@amber/core';
import { Button, SeverityMark } from '../../parts/ui.js';
import { Answer } from './Answer.js';
import type { ProveView } from './useTried.js';

/** Points that are touched: receptacles by anybody, live readings by electricians alone. */
export const Points = ({ view }: { view: ProveView }) => {
  const { sheet, who, stateOf } = view;
  const shown = sheet.points.filter(({ kind }) => kind === 'receptacle' || who.electrician === true);
  const hidden = sheet.points.length - shown.length;
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      {hidden > 0 ? (
        <p className="rounded-md border border-line p-3 text-[14px]">
          {hidden} live {hidden === 1 ? 'reading is' : 'readings are'} for an electrician, and not shown
          {who.electrician === null ? ' before somebody says who works here' : ''}.
        </p>
      ) : null}
      {sheet.points.length === 0 ? (
        <p className="text-[15px]">Nothing of it is touched with a tester.</p>
      ) : null}
      {shown.map((point) => {
        const answer = stateOf(point);
        const tripped = view.trippedAt(point.circuit);
        const isOpen = answer.state === 'open' || answer.state === 'changed';
        return (
          <section
            key={point.id}
            aria-label={point.name}
            className="rounded-md border border-line bg-sheet p-3"
          >
            <h2 className="text-[15px] font-bold">{point.name}</h2>
            <p className="mt-1 flex gap-2 text-[13px]">
              <SeverityMark severity="caution" />
              <span>{point.caution}</span>
            </p>
            <p className="my-2 text-[15px]">
              {point.kind === 'receptacle' ? 'Receptacle tester' : 'Two-pole tester'}, expect:{' '}
              <strong>{point.expect}</strong>.
            </p>
            {isOpen && tripped.length > 0 ? (
              <p role="alert" className="text-[14px] font-semibold text-violation">
                The breaker of this circuit tripped at {listed(tripped)}: leave it off until that is mended.
              </p>
            ) : isOpen ? (
              <>
                {answer.state === 'changed' ? (
                  <p className="mb-1 text-[13px] font-semibold text-caution">
                    It was touched before something changed: touch it again.
                  </p>
                ) : null}
                <Answer
                  key={answer.record?.id ?? 'open'}
                  expect={point.expect}
                  kind={point.kind}
                  can={who.electrician !== null}
                  onAnswer={(met, saw) => view.answer(point, met, saw)}
                />
              </>
            ) : (
              <p className="flex flex-wrap items-center gap-3 text-[14px]">
                <strong className={answer.state === 'met' ? 'text-pass' : 'text-violation'}>
                  {answer.state !== 'met'
                    ? `Not so: ${answer.saw}`
                    : answer.saw === ''
                      ? 'As expected'
                      : `Seen: ${answer.saw}`}
                </strong>
                {answer.by}
                <Button
                  look="bare"
                  aria-label={`Take back: ${point.name}`}
                  onClick={() => view.takeBack(answer)}
                >
                  Take back
                </Button>
              </p>
            )}
          </section>
        );
      })}
    </div>
  );
};
