import { useMemo } from 'react';
import {
  colourWord,
  placeName,
  sayEnd,
  sayUsual,
  tagOfWire,
  tapeKey,
  tapeWord,
  usualDuties,
  type WiresSubject,
  type WiresTold,
} from '@amber/core';

/** What is told of each cable's end, box by box, and what is written on its tape. */
export const EndsTold = ({ subject, told }: { subject: WiresSubject; told: WiresTold }) => {
  const usual = useMemo(
    () => usualDuties(subject.job, subject.circuit, subject.found, told),
    [subject, told],
  );
  const boxes = [...new Set(told.ends.map(({ stub }) => stub.box))];
  const hot = told.feed.feed?.hot ?? [];
  return (
    <section aria-label="What is told" className="flex min-w-0 flex-col gap-3">
      <h2 className="text-[15px] font-bold">What is told</h2>
      {usual.size > 0 ? (
        <p className="text-[13px] text-quiet">
          “As a rule” is how such cables are made up for what the circuit is to do: a proposal, no fact.
        </p>
      ) : null}
      {boxes.map((box) => (
        <div key={box}>
          <h3 className="mb-1 text-[14px] font-semibold">{placeName(subject.job, box)}</h3>
          <ul className="divide-y divide-line border-y border-line">
            {told.ends
              .filter(({ stub }) => stub.box === box)
              .map(({ stub, told: end }) => (
                <li key={stub.number} className="flex gap-3 py-2 text-[14px]">
                  <strong className="w-5 shrink-0 text-right text-[16px]">{stub.number}</strong>
                  <div className="min-w-0 break-words">
                    <p className="text-[13px] text-quiet">
                      {tapeWord(stub)}: {stub.wires.map(colourWord).join(', ')}
                    </p>
                    <p>{sayEnd(subject, stub, end, hot)}.</p>
                    {usual.has(tapeKey(stub)) ? (
                      <p className="text-[13px] text-quiet">
                        As a rule: {sayUsual(usual.get(tapeKey(stub)) ?? [])}
                      </p>
                    ) : null}
                    <p className="mt-0.5">
                      <span className="text-[12.5px] text-quiet">On its tape: </span>
                      <strong className="rounded-sm border border-ink px-1.5 py-px text-[13px]">
                        {tagOfWire(subject, end)}
                      </strong>
                    </p>
                  </div>
                </li>
              ))}
          </ul>
        </div>
      ))}
    </section>
  );
};
