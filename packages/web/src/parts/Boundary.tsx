import { Suspense, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Failure } from './Failure.js';

/** Said while a whole page is on its way: it is the page until then, with a name and a landmark of its own. */
export const Opening = () => (
  <main className="p-8 text-quiet">
    <h1>Opening …</h1>
  </main>
);

/** Holds what fails within: the rest of the page goes on. Another `of` is tried anew. */
export const Boundary = ({
  what,
  of,
  isPage = false,
  children,
}: {
  what: string;
  of: string;
  /** What stands within is the page, not a piece of one. */
  isPage?: boolean;
  children: ReactNode;
}) => (
  <ErrorBoundary resetKeys={[of]} fallbackRender={({ error }) => <Failure what={what} error={error} />}>
    <Suspense fallback={isPage ? <Opening /> : <p className="p-8 text-quiet">Opening …</p>}>
      {children}
    </Suspense>
  </ErrorBoundary>
);
