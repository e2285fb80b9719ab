import { Download } from 'lucide-react';
import { useAppDispatch } from '../store/store.js';
import { noticed } from '../store/noticeSlice.js';
import { Button } from '../parts/ui.js';
import type { Drawn } from './savePicture.js';

/** Saves what is drawn as SVG or PNG, readable in black and white by its labels. */
export const SaveButtons = ({
  what,
  title,
  drawn,
}: {
  /** "the box" or "the run". */
  what: string;
  title: string;
  drawn: () => Drawn[];
}) => {
  const dispatch = useAppDispatch();
  const save = async (kind: 'svg' | 'png') => {
    try {
      const { savePicture } = await import('./savePicture.js');
      await savePicture(drawn(), title, kind);
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      dispatch(noticed(`The picture could not be saved: ${why}`, { tone: 'problem' }));
    }
  };
  return (['svg', 'png'] as const).map((kind) => (
    <Button key={kind} onClick={() => void save(kind)} aria-label={`Save ${what} as ${kind.toUpperCase()}`}>
      <Download size={16} /> {kind.toUpperCase()}
    </Button>
  ));
};
