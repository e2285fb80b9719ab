import type { SVGProps } from 'react';

type Line = Pick<SVGProps<SVGElement>, 'stroke' | 'strokeWidth' | 'strokeDasharray'>;

/** The drafting signs of the trade, drawn about their own middle, 26 pixels high; the same on every screen. */

/** A receptacle: a circle with two bars through it. */
export const ReceptacleSign = (line: Line) => (
  <>
    <circle r="11" fill="#fff" {...line} />
    <path d="M-3.5 -15V15M3.5 -15V15" stroke="#20262d" strokeWidth="1.6" />
  </>
);

/** Something that goes on beyond the plan. */
export const OnwardSign = (line: Line) => (
  <>
    <path d="M-12 -9H4L13 0L4 9H-12Z" fill="#fff" {...line} />
    <path d="M-7 0H6M2 -4L6 0L2 4" fill="none" stroke="#20262d" strokeWidth="1.5" />
  </>
);

/** A luminaire: a circle crossed. */
export const LuminaireSign = (line: Line) => (
  <>
    <circle r="12" fill="#fff" {...line} />
    <path d="M-8 -8L8 8M-8 8L8 -8" stroke="#20262d" strokeWidth="1.5" />
  </>
);

/** A box of splices, or one of which nobody has said what is in it: a square with a stroke through it. */
export const BoxSign = (line: Line) => (
  <>
    <rect x="-10" y="-10" width="20" height="20" fill="#fff" {...line} />
    <path d="M-10 -10L10 10" stroke="#20262d" strokeWidth="1.3" />
  </>
);
