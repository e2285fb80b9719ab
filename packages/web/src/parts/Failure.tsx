import { Button } from './ui.js';

/** What went wrong, as somebody who has to mend it can read it. */
const textOf = (error: unknown): string =>
  error instanceof Error ? (error.stack ?? `${error.name}: ${error.message}`) : String(error);

/** A chunk that does not load is no fault of the program: the server was renewed meanwhile, or is away. */
const didNotLoad = (error: unknown): boolean =>
  error instanceof Error &&
  /dynamically imported module|module script|Failed to fetch|Loading chunk/i.test(error.message);

/** Stands where something failed: what it was, that the work is kept, and the way on. */
export const Failure = ({ what, error }: { what: string; error: unknown }) => {
  const text = textOf(error);
  return (
    <div role="alert" className="m-6 max-w-2xl rounded-lg border border-violation bg-sheet p-6">
      <h1 className="text-xl font-bold">{didNotLoad(error) ? `${what} did not load` : `${what} failed`}</h1>
      <p className="mt-2">
        {didNotLoad(error)
          ? 'The server does not answer, or a newer version of the program came in the meantime. Load the page anew.'
          : 'This is a fault of the program, not of your job. Load the page anew; if it comes again, pass on what stands below.'}
      </p>
      <p className="mt-2 font-semibold">
        The job is kept as it was: what you changed is saved, or waits in this browser.
      </p>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button look="main" onClick={() => location.reload()}>
          Load the page anew
        </Button>
        <Button onClick={() => void navigator.clipboard.writeText(text)}>Copy the error</Button>
      </div>
      <pre
        tabIndex={0}
        aria-label="The error"
        className="mt-4 max-h-60 overflow-auto rounded bg-rail p-3 text-[12px] whitespace-pre-wrap select-all"
      >
        {text}
      </pre>
    </div>
  );
};
