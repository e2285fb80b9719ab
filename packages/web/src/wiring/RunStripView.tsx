import { useMemo, useRef, useState } from 'react';
import { leadsBack, type Circuit, type DeviceId, type Positions, type RunStrip } from '@amber/core';
import { Button } from '../parts/ui.js';
import { useSize } from '../parts/useSize.js';
import { runInWords } from './runInWords.js';
import { planStrip } from './stripGeometry.js';
import { StripPlace } from './StripPlace.js';
import { StripRun } from './StripRun.js';
import type { Subject } from './useSubject.js';

/** Pixels that the strip may take in height, and the scale below which its names cannot be read. */
const MOST_HEIGHT = 236;
const LEAST_SCALE = 0.8;

/** The run of one circuit at a glance: every place, every cable, handles that flip, what is live now. */
export const RunStripView = ({
  subject,
  circuit,
  strip,
  positions,
  onFlip,
}: {
  subject: Subject;
  circuit: Circuit;
  strip: RunStrip;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const frame = useRef<HTMLElement>(null);
  const room = useSize(frame)?.width ?? null;
  const [whole, setWhole] = useState(false);
  const nodeAt = (id: string) => strip.nodes.find((node) => node.id === id);
  const plan = useMemo(() => planStrip(strip), [strip]);
  const { width, height } = plan;
  // The whole run is seen as long as its names can be read; beyond that it is moved.
  const fit = room === null ? 1 : Math.min(1, room / width, MOST_HEIGHT / height);
  const scale = whole ? fit : Math.max(LEAST_SCALE, fit);
  return (
    <section
      ref={frame}
      aria-label={subject.circuit ? 'The run' : `The run of ${circuit.name}`}
      className="relative max-h-[max(11rem,29dvh)] shrink-0 overflow-auto border-b border-line bg-sheet px-2"
    >
      <div className="sticky left-0 flex min-h-7 items-center gap-3 text-[12.5px] text-quiet">
        <h2>
          {subject.circuit ? null : <strong className="text-ink">{circuit.name} · </strong>}
          The run as a scheme: its order, not its places
        </h2>
        {fit < LEAST_SCALE ? (
          <Button
            look="bare"
            className="text-ink underline"
            aria-pressed={whole}
            onClick={() => setWhole(!whole)}
          >
            {whole ? 'Larger' : 'Whole run'}
          </Button>
        ) : null}
      </div>
      <ul aria-label="The run in words" className="sr-only">
        {runInWords(subject, strip).map((words, i) => (
          <li key={i}>{words}</li>
        ))}
      </ul>
      <div className="drawn mx-auto" style={{ width: width * scale, height: height * scale }}>
        <div className="relative origin-top-left" style={{ width, height, transform: `scale(${scale})` }}>
          <svg width={width} height={height} className="drawing absolute inset-0" aria-hidden="true">
            {strip.edges.map((edge) => {
              const [from, to] = [nodeAt(edge.from), nodeAt(edge.to)];
              return from && to ? (
                <StripRun
                  key={edge.cable}
                  subject={subject}
                  plan={plan}
                  edge={edge}
                  from={from}
                  to={to}
                  back={leadsBack(from, to)}
                />
              ) : null;
            })}
          </svg>
          {strip.nodes.map((node) => (
            <StripPlace
              key={node.id}
              subject={subject}
              circuit={circuit}
              plan={plan}
              node={node}
              positions={positions}
              onFlip={onFlip}
            />
          ))}
        </div>
      </div>
    </section>
  );
};
