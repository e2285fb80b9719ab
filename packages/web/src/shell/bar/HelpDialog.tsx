import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';
import { Button } from '../../parts/ui.js';
import { HelpWords } from './HelpWords.js';

/** The help beside the page, until it is closed. */
export const HelpDialog = ({ onClose }: { onClose: () => void }) => (
  <Dialog open onClose={onClose}>
    <div className="fixed inset-0 z-40 bg-ink/40" aria-hidden="true" />
    <div className="fixed inset-0 z-50 flex justify-end">
      <DialogPanel className="flex h-full w-[min(34rem,100vw)] flex-col overflow-y-auto bg-paper shadow-xl">
        <div className="sticky top-0 flex items-center gap-3 border-b border-line bg-sheet px-5 py-2">
          <DialogTitle className="flex-1 text-lg font-bold">Help</DialogTitle>
          <Button look="bare" aria-label="Close the help" onClick={onClose}>
            <X size={19} />
          </Button>
        </div>
        <HelpWords onClose={onClose} />
      </DialogPanel>
    </div>
  </Dialog>
);
