import { LuminaireSign } from '../../parts/signs.js';
import { Button } from '../../parts/ui.js';

/** A box with its cover on: what is in it is not known before it is opened. */
export const ClosedBox = ({
  name,
  isSwitch,
  onOpen,
}: {
  name: string;
  /** A plate with a handle; else what hangs there. */
  isSwitch: boolean;
  onOpen: () => void;
}) => (
  <article
    aria-label={`Closed box ${name}`}
    className="flex w-64 max-w-full flex-col items-center gap-3 rounded-xl border-2 border-ink bg-sheet p-4"
  >
    <h2 className="self-start text-[15px] font-bold break-words">{name}</h2>
    <svg width="90" height="120" viewBox="0 0 90 120" className="drawing" aria-hidden="true">
      {isSwitch ? (
        <>
          <rect x="4" y="4" width="82" height="112" rx="6" fill="#fff" stroke="#20262d" strokeWidth="2.4" />
          <rect x="35" y="42" width="20" height="36" rx="3" fill="none" stroke="#20262d" strokeWidth="2" />
          <circle cx="45" cy="26" r="4" fill="none" stroke="#20262d" strokeWidth="1.8" />
          <circle cx="45" cy="94" r="4" fill="none" stroke="#20262d" strokeWidth="1.8" />
        </>
      ) : (
        <g transform="translate(45 60) scale(2.6)">
          <LuminaireSign stroke="#20262d" strokeWidth={1.2} />
        </g>
      )}
    </svg>
    <Button onClick={onOpen}>Open it</Button>
  </article>
);
