import type { DeviceId, Positions } from '@amber/core';
import { RunStripView } from './RunStripView.js';
import type { Subject } from './useSubject.js';

/** The run of each circuit that is shown, one under the other. */
export const RunStrips = ({
  subject,
  positions,
  onFlip,
}: {
  subject: Subject;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) =>
  subject.strips.map(({ circuit, strip }) => (
    <RunStripView key={circuit.id} {...{ subject, circuit, strip, positions, onFlip }} />
  ));
