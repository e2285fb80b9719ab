import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Boundary } from '../../parts/Boundary.js';
import { Button } from '../../parts/ui.js';

const HelpWords = lazy(async () => ({ default: (await import('./HelpWords.js')).HelpWords }));

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
      <Dialog open={open} onClose={() => setOpen(false)}>
        <div className="fixed inset-0 z-40 bg-ink/40" aria-hidden="true" />
        <div className="fixed inset-0 z-50 flex justify-end">
          <DialogPanel className="flex h-full w-[min(34rem,100vw)] flex-col overflow-y-auto bg-paper shadow-xl">
            <div className="sticky top-0 flex items-center gap-3 border-b border-line bg-sheet px-5 py-2">
              <DialogTitle className="flex-1 text-lg font-bold">Help</DialogTitle>
              <Button look="bare" aria-label="Close the help" onClick={() => setOpen(false)}>
                <X size={19} />
              </Button>
            </div>
            <Boundary what="The help" of="help">
              <Suspense fallback={<p className="p-5 text-quiet">Reading …</p>}>
                <HelpWords />
              </Suspense>
            </Boundary>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
};
