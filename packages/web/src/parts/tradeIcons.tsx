import type { ReactNode } from 'react';

export interface IconProps {
  size: number;
  strokeWidth?: number;
}
/** An icon as it stands beside a word; decoration alone, the word says it. */
export type Icon = (props: IconProps) => ReactNode;

/** Drawn on 24 by 24 in lines, as the trade draws on a wall. */
const lines =
  (drawn: ReactNode): Icon =>
  ({ size, strokeWidth = 1.8 }) => (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth={strokeWidth}
      strokeLinejoin="round"
      strokeLinecap="round"
      aria-hidden="true"
    >
      {drawn}
    </svg>
  );

/** Two rooms with a way between them: the places that are worked in. */
export const PlacesIcon = lines(<path d="M3 4H21V20H3ZM12 4V9M12 15V20" />);

/** A corner of a room with the swing of its door. */
export const PlanIcon = lines(<path d="M5.5 20H3V4H21V20H16M5.5 20V9.5M5.5 9.5A10.5 10.5 0 0 1 16 20" />);

/** Two boxes and the cable between them, with three wires in it. */
export const RunIcon = lines(
  <path d="M2.5 7.5H8.5V16.5H2.5ZM15.5 7.5H21.5V16.5H15.5ZM8.5 9.7H15.5M8.5 12H15.5M8.5 14.3H15.5" />,
);

/** A switch as it comes out of its carton: yoke, toggle, screws at its side. */
export const DeviceIcon = lines(
  <>
    <path d="M9 2.5H15V21.5H9ZM11 9.5H13V14.5H11ZM9 8.5H6.5M9 15.5H6.5" />
    <circle cx="4.8" cy="8.5" r="1.7" />
    <circle cx="4.8" cy="15.5" r="1.7" />
  </>,
);

/** An empty box from the front, with its knockouts. */
export const BoxIcon = lines(
  <>
    <rect x="3.5" y="3.5" width="17" height="17" rx="1.5" />
    <circle cx="8.5" cy="8.5" r="2" />
    <circle cx="15.5" cy="8.5" r="2" />
    <circle cx="8.5" cy="15.5" r="2" />
    <circle cx="15.5" cy="15.5" r="2" />
  </>,
);

/** The tag that an inspector leaves. */
export const TagIcon = lines(
  <>
    <path d="M8 2.5H16L19.5 7V21.5H4.5V7ZM8.5 14.2L11 16.8L15.7 11.6" />
    <circle cx="12" cy="6.6" r="1.3" />
  </>,
);

/** A coil of cable with its end. */
export const CoilIcon = lines(
  <>
    <circle cx="11" cy="11" r="8.5" />
    <circle cx="11" cy="11" r="5.6" />
    <circle cx="11" cy="11" r="2.7" />
    <path d="M19.5 11V18.5A2 2 0 0 0 21.5 20.5" />
  </>,
);

/** A two-pole tester with its probes. */
export const TesterIcon = lines(
  <path d="M4 3H9V14A2.5 2.5 0 0 1 4 14ZM6.5 16.5V21.5M6.5 6V9M9 8C14 8 12 19 17.5 19M17.5 19V12M17.5 12V3.5M15.7 12H19.3" />,
);

/** Shelves with what is on them. */
export const ShelfIcon = lines(
  <path d="M3 3V21M21 3V21M3 10H21M3 18H21M6.5 10V6H11V10M14.5 18V13H18.5V18M6.5 18V15H10V18" />,
);

/** A room between its walls. */
export const RoomIcon = lines(<path d="M3 5H21V19H3ZM6 8H18V16H6Z" />);

/** A doorway with its leaf and swing. */
export const DoorIcon = lines(<path d="M2 20H5M19 20H22M5 20V6M5 6A14 14 0 0 1 19 20" />);

/** A switch as a drawing has it. */
export const SwitchIcon = lines(
  <>
    <rect x="3.5" y="3.5" width="17" height="17" rx="3" />
    <path d="M15 8.6C14 7.2 9.2 7 9.2 9.7C9.2 12.3 15 11.5 15 14.3C15 17.2 10 16.9 8.8 15.2" />
  </>,
);

/** A luminaire: a circle crossed. */
export const LuminaireIcon = lines(
  <>
    <circle cx="12" cy="12" r="8.5" />
    <path d="M6 6L18 18M6 18L18 6" />
  </>,
);

/** A receptacle: a circle with two bars. */
export const ReceptacleIcon = lines(
  <>
    <circle cx="12" cy="12" r="7.5" />
    <path d="M9.5 2.5V21.5M14.5 2.5V21.5" />
  </>,
);

/** A feed that goes on. */
export const OnwardIcon = lines(<path d="M3 6H14L21.5 12L14 18H3ZM7 12H14M11.5 9.5L14 12L11.5 14.5" />);

/** A box that is there: its edge broken, a stroke through it. */
export const ExistingBoxIcon = lines(
  <>
    <rect x="4" y="4" width="16" height="16" strokeDasharray="3.2 2.4" />
    <path d="M6.5 6.5L17.5 17.5" />
  </>,
);

/** The panel: its breakers in two rows, one of them set apart. */
export const PanelIcon = lines(
  <path d="M5 2.5H19V21.5H5ZM8 7H11M13 7H16M8 11H11M13 11H16M8 15H11M13 15H16" />,
);

/** A sheath with its wires hanging loose. */
export const LooseWiresIcon = lines(
  <path d="M9.5 2.5H14.5V9H9.5ZM10.5 9C10.5 13 6 13.5 5.5 19M12 9V21.5M13.5 9C13.5 13.5 18 13.5 18.5 19" />,
);
