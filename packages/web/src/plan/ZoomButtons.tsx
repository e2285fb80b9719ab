import { Maximize, Minus, Plus } from 'lucide-react';
import type { useView } from './useView.js';

const zoomButton = 'grid size-10 place-items-center bg-sheet hover:bg-rail';

export const ZoomButtons = ({
  closer,
  further,
  fit,
}: Pick<ReturnType<typeof useView>, 'closer' | 'further' | 'fit'>) => (
  <div className="absolute bottom-3 left-3 flex divide-x divide-line overflow-hidden rounded-md border border-edge print:hidden">
    <button type="button" className={zoomButton} aria-label="Closer" onClick={closer}>
      <Plus size={18} />
    </button>
    <button type="button" className={zoomButton} aria-label="Further" onClick={further}>
      <Minus size={18} />
    </button>
    <button type="button" className={zoomButton} aria-label="Show the whole plan" onClick={fit}>
      <Maximize size={17} />
    </button>
  </div>
);
