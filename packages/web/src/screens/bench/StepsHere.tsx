import { lazy } from 'react';
import { Link } from 'react-router';
import { Boundary } from '../../parts/Boundary.js';
import { practisePath } from '../../parts/paths.js';
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
    {subject.kind === 'planned' && subject.circuit && !brief ? (
      <Link
        to={practisePath(subject.job.id, subject.circuit.id)}
        className="mt-4 inline-flex min-h-10 items-center text-[14px] font-semibold underline underline-offset-3 print:hidden"
      >
        Practise making it up, without changing the job
      </Link>
    ) : null}
  </Boundary>
);
