import { Link } from 'react-router';
import { JOBS_PATH } from '../parts/paths.js';

export const NotFound = ({ what }: { what: string }) => (
  <main className="mx-auto max-w-md p-10">
    <h1 className="text-xl font-bold">{what}</h1>
    <p className="mt-2 text-quiet">It may have been deleted, or the address is wrong.</p>
    <Link
      to={JOBS_PATH}
      className="mt-5 inline-flex min-h-10 items-center rounded-md bg-ink px-4 font-semibold text-sheet"
    >
      Go to the jobs
    </Link>
  </main>
);
