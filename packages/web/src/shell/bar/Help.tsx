import { lazy, Suspense, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Boundary } from '../../parts/Boundary.js';

const HelpDialog = lazy(async () => ({ default: (await import('./HelpDialog.js')).HelpDialog }));

/** Opens keys, words and reasons; so does the question mark. */
export const HelpButton = ({ className, children }: { className: string; children: ReactNode }) => {
  const [open, setOpen] = useState(false);
  useHotkeys('shift+slash, slash', () => setOpen(true), { preventDefault: true });
  return (
    <>
      <button
        type="button"
        aria-label="Help: keys, words, reasons"
        title="Help: keys, words, reasons (?)"
        onClick={() => setOpen(true)}
        className={className}
      >
        {children}
      </button>
      {open ? (
        <Boundary what="The help" of="help">
          <Suspense fallback={null}>
            <HelpDialog onClose={() => setOpen(false)} />
          </Suspense>
        </Boundary>
      ) : null}
    </>
  );
};
