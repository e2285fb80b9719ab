import { lazy } from 'react';
import { Boundary } from '../../parts/Boundary.js';
import type { Subject } from '../../wiring/useSubject.js';

const BoxBites = lazy(async () => ({
  default: (await import('../../panels/bites/BoxBites.js')).BoxBites,
}));
const StepsPanel = lazy(async () => ({
  default: (await import('../../panels/steps/StepsPanel.js')).StepsPanel,
}));

/** The steps of the box in view, with where it bites beside them. */
export const StepsHere = ({ subject, brief = false }: { subject: Subject; brief?: boolean }) => (
  <Boundary what="The steps" of={subject.wiringId}>
    <StepsPanel
      subject={subject}
      brief={brief}
      beside={(box) =>
        subject.kind === 'planned' ? <BoxBites key={box} job={subject.job} box={box} /> : null
      }
    />
  </Boundary>
);
