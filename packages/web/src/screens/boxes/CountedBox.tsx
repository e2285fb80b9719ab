import { useMemo } from 'react';
import {
  countedWires,
  drawBox,
  evaluate,
  rolesOf,
  type BoxFill,
  type BoxId,
  type JobReview,
} from '@amber/core';
import { OpenBox } from '../../wiring/OpenBox.js';

type FillLine = BoxFill['lines'][number];

const NOTHING = () => undefined;

/** The opened box, in which the wires that a line of its fill counts stand out. */
export const CountedBox = ({ review, id, line }: { review: JobReview; id: BoxId; line: FillLine | null }) => {
  const { job, wiring, compiled, drawn } = review;
  const drawing = useMemo(() => drawBox(job, wiring, id, { compiled: drawn }), [job, wiring, id, drawn]);
  const subject = useMemo(() => {
    const roles = rolesOf(drawn);
    return {
      ...{ job, wiring, compiled, state: evaluate(compiled, {}) },
      usualRole: (key: string) => roles[drawn.netOf(key) ?? -1] ?? ('spare' as const),
    };
  }, [job, wiring, compiled, drawn]);
  const counted = line && countedWires(job, wiring, drawing, line);
  const pictured = counted === null ? '' : sayPictured(line, counted.drawn, counted.devices.size);
  return (
    <div className="rounded-md border border-line bg-board p-2">
      {/* To be looked at: handles are flipped and wires are followed on the bench. */}
      <div inert>
        <OpenBox
          subject={subject}
          drawing={drawing}
          positions={{}}
          seen={({ key }) => ({ faint: counted !== null && !counted.wires.has(key), label: null })}
          followed={null}
          onFlip={NOTHING}
          onFollow={NOTHING}
          style={{ width: '100%', height: 'auto', maxHeight: '22rem' }}
        />
      </div>
      <p role="status" className="mt-1 min-h-5 rounded bg-sheet px-2 text-[13px]">
        {line === null ? 'Point at a line below: what it counts stands out.' : pictured}
      </p>
    </div>
  );
};

/** What of a line stands out in the picture, in a sentence: pieces that come from no cable never count, and what is not drawn is said. */
const sayPictured = (line: FillLine | null, wires: number, devices: number): string => {
  if (line === null) return '';
  if (line.what === 'devices')
    return `The ${devices === 1 ? 'device' : `${devices} devices`} of this box; tails to them come from no cable and do not count.`;
  if (wires === 0)
    return 'It is not drawn: it is part of the box, or was told of what is in it beside this plan.';
  if (line.what === 'grounds' || line.what === 'extraGrounds')
    return `${wires === 1 ? 'One ground comes' : `${wires} grounds come`} in with the cables or from a luminaire.`;
  return wires === line.count
    ? `${wires === 1 ? 'It stands' : `These ${wires} stand`} out. Tails come from no cable and do not count.`
    : `${wires} of ${line.count} are drawn; the rest was told of what is in it beside this plan.`;
};
