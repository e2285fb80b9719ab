import { signedHash, signOffsOf, STAGE_WORDS, type CircuitId } from '@amber/core';
import { when } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import type { ProveView } from './useTried.js';

/** Signed for the boxes as they are; what changes after that falls open. */
export const SignOffs = ({
  view,
  circuit,
}: {
  view: ProveView;
  circuit: { id: CircuitId; name: string } | null;
}) => {
  const { review, records, who, sheet, stateOf } = view;
  const rows = sheet.groups.flatMap((group) => group.rows);
  const open = rows.filter((row) => stateOf(row).state !== 'met').length;
  const about = {
    kind: circuit ? ('circuit' as const) : ('job' as const),
    id: circuit?.id ?? review.job.id,
    hash: signedHash(review, circuit?.id ?? null),
  };
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      <p className="text-[14px] text-quiet">
        Whoever signs answers for {circuit ? circuit.name : 'the whole job'} as it is now. It passes nothing:
        the authority inspects.
      </p>
      {open > 0 ? (
        <p className="text-[14px] font-semibold text-caution">
          {open} of {rows.length} sets of handle positions are not tried, or not as expected.
        </p>
      ) : null}
      <ul className="divide-y divide-line border-y border-line">
        {signOffsOf(review, records, circuit?.id ?? null).map(({ stage, state, initials, at, record }) => (
          <li key={stage} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <strong className="w-28">{STAGE_WORDS[stage]}</strong>
            <span className="min-w-0 flex-1 basis-48 text-[14px]">
              {state === 'open' ? 'not signed' : `${initials}, ${when(at)}`}
              {state === 'changed' ? (
                <strong className="block text-caution">Changed since: look again, and sign anew.</strong>
              ) : null}
            </span>
            {state === 'signed' ? (
              <Button
                look="bare"
                aria-label={`Take back: ${STAGE_WORDS[stage]}`}
                onClick={() => record && view.takeBack({ state: 'met', saw: '', by: '', at, record })}
              >
                Take back
              </Button>
            ) : (
              <Button
                disabled={who.electrician !== true}
                title={
                  who.electrician === true ? undefined : 'An electrician signs: say above who works here'
                }
                aria-label={`Sign: ${STAGE_WORDS[stage]}`}
                onClick={() => view.sign(about, stage)}
              >
                Sign
              </Button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
};
