import { Maximize, ZoomIn, ZoomOut } from 'lucide-react';
import type { ComponentProps, ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { OpenBox } from './OpenBox.js';
import type { Subject } from './useSubject.js';
import { BoxNotes } from './BoxNotes.js';
import { useZoom } from './useZoom.js';

/** Pixels that an arrow key moves a picture of which not all is seen. */
const STEP = 40;

const button = 'grid size-10 place-items-center bg-sheet hover:bg-rail';

/** One box as large as there is room, to be looked at from nearer. */
export const LargeBox = ({
  children,
  ...props
}: ComponentProps<typeof OpenBox> & { subject: Subject; children: ReactNode }) => {
  const { frame, viewBox, hidden, closer, further, whole, pan } = useZoom(props.drawing);
  const near = hidden.across || hidden.down;
  useHotkeys('plus,equal,shift+equal,add', closer);
  useHotkeys('minus,subtract', further);
  useHotkeys('0', whole);
  useHotkeys('left', () => pan(-STEP, 0), { enabled: near, preventDefault: true });
  useHotkeys('right', () => pan(STEP, 0), { enabled: near, preventDefault: true });
  useHotkeys('up', () => pan(0, -STEP), { enabled: near, preventDefault: true });
  useHotkeys('down', () => pan(0, STEP), { enabled: near, preventDefault: true });
  return (
    <>
      <div className="flex shrink-0 items-center gap-2">
        {children}
        <div
          role="group"
          aria-label="How near"
          className="flex shrink-0 divide-x divide-line overflow-hidden rounded-md border border-edge"
        >
          <button type="button" className={button} aria-label="Nearer" title="Nearer (+)" onClick={closer}>
            <ZoomIn size={18} />
          </button>
          <button type="button" className={button} aria-label="Further" title="Further (−)" onClick={further}>
            <ZoomOut size={18} />
          </button>
          <button
            type="button"
            className={button}
            aria-label="The whole box"
            title="The whole box (0)"
            onClick={whole}
          >
            <Maximize size={18} />
          </button>
        </div>
      </div>
      <BoxNotes subject={props.subject} box={props.drawing.box} />
      <div
        ref={frame}
        className={`relative min-h-72 flex-1 max-lg:min-h-[62dvh] ${near ? 'cursor-grab' : ''} ${hidden.down ? 'touch-none' : 'touch-pan-y'}`}
      >
        <OpenBox {...props} viewBox={viewBox} className="absolute inset-0 size-full" />
      </div>
    </>
  );
};
