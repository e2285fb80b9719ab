import type { ReactNode } from 'react';
import {
  findStub,
  linksOf,
  placeName,
  type WirePair,
  type WireQuestion,
  type WiresSubject,
} from '@amber/core';
import { StubArt } from '../../../wiring/StubArt.js';

const At = ({ title, children }: { title: string; children: ReactNode }) => (
  <figure className="min-w-0">
    <figcaption className="mb-1 text-[13px] font-semibold">{title}</figcaption>
    <div className="flex flex-col items-start gap-2">{children}</div>
  </figure>
);

/** A reading as a scheme: the links at one box, the tester at the other. */
export const WirePicture = ({
  subject: { job, found },
  question,
  pairs,
}: {
  subject: WiresSubject;
  question: WireQuestion;
  /** Pairs that the tester is put on, in their order. */
  pairs: readonly WirePair[];
}) => {
  const name = (box: string) => placeName(job, box as never);
  if (question.kind === 'rest')
    return (
      <div className="my-3">
        <At title={`Every cable of ${name(question.box)}, no link on`}>
          <div className="flex flex-wrap gap-2">
            {found.stubs
              .filter(({ box }) => box === question.box)
              .map((stub) => (
                <StubArt key={stub.number} stub={stub} link={null} read={[]} />
              ))}
          </div>
        </At>
      </div>
    );
  if (question.kind === 'live') {
    const stub = findStub(found, question.at);
    const ground = stub && stub.ground !== 'none' ? stub.ground : null;
    return stub ? (
      <div className="my-3">
        <At title={`Two-pole tester at ${name(stub.box)}, each end in a connector of its own`}>
          <StubArt
            stub={stub}
            link={null}
            read={ground === null ? [] : stub.wires.map((wire): WirePair => [wire, ground])}
          />
        </At>
      </div>
    ) : null;
  }
  const on = linksOf(question);
  const at = question.kind === 'panel' ? undefined : findStub(found, question.at);
  if (!on) return null;
  return (
    <div className="my-3 flex flex-wrap items-start gap-x-8 gap-y-3">
      <At title={`Links at ${name(on.box)}`}>
        {on.links.map(({ number, pair }) => {
          const stub = findStub(found, { box: on.box, number });
          return stub ? <StubArt key={number} stub={stub} link={pair} read={[]} /> : null;
        })}
      </At>
      {at ? (
        <At title={`Tester at ${name(at.box)}`}>
          <StubArt stub={at} link={null} read={pairs} />
        </At>
      ) : null}
    </div>
  );
};
