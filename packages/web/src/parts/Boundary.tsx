import { Suspense, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Failure } from './Failure.js';

/** Holds what fails within: the rest of the page goes on. Another `of` is tried anew. */
export const Boundary = ({ what, of, children }: { what: string; of: string; children: ReactNode }) => (
  <ErrorBoundary resetKeys={[of]} fallbackRender={({ error }) => <Failure what={what} error={error} />}>
    <Suspense fallback={<p className="p-8 text-quiet">Opening …</p>}>{children}</Suspense>
  </ErrorBoundary>
);
