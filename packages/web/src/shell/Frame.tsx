import { CircleHelp, TabletSmartphone } from 'lucide-react';
import type { ComponentType } from 'react';
import { Link, Outlet, useLocation } from 'react-router';
import { Boundary } from '../parts/Boundary.js';
import { DEVICES_PATH, jobIn, jobPath, JOBS_PATH, PRACTICE_PATH, SHOP_PATH } from '../parts/paths.js';
import { LooseWiresIcon, PlacesIcon, ShelfIcon, type IconProps } from '../parts/tradeIcons.js';
import { useMe } from '../store/useFieldView.js';
import { HelpButton } from './bar/Help.js';
import { NoticeBar } from './NoticeBar.js';
import { screenAt, SCREENS } from './screens.js';
import { useHeading } from './useHeading.js';

const look = (active: boolean) =>
  `flex min-h-14 flex-1 flex-col items-center justify-center gap-1 border-transparent text-[12.5px] max-sm:border-t-4 sm:w-full sm:flex-none sm:border-l-4 sm:pr-1 ${
    active ? 'border-ink! bg-sheet font-bold' : 'text-quiet hover:bg-line/60'
  }`;

const Stage = ({
  to,
  active,
  icon: Icon,
  label,
  onOpen,
}: {
  to: string;
  active: boolean;
  icon: ComponentType<IconProps>;
  label: string;
  onOpen: () => void;
}) => (
  <Link to={to} onClick={onOpen} aria-current={active ? 'page' : undefined} className={look(active)}>
    <Icon size={21} strokeWidth={1.7} aria-hidden="true" />
    {label}
  </Link>
);

/** The rail shows the screens of the job in the order of the work; those of one circuit once there is one. */
export const Frame = () => {
  const { pathname } = useLocation();
  const jobId = jobIn(pathname);
  const found = screenAt(pathname);
  const circuit = found?.circuitId ?? null;
  const me = useMe();
  const onOpen = useHeading(pathname);
  return (
    <div className="flex h-full flex-col-reverse sm:flex-row">
      <button
        type="button"
        className="sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:z-40 focus:rounded-md focus:bg-ink focus:px-4 focus:py-3 focus:font-semibold focus:text-sheet print:hidden"
        onClick={() => document.getElementById('page')?.focus()}
      >
        Skip to the page
      </button>
      <nav
        aria-label="Stages"
        className="flex shrink-0 border-line bg-rail max-sm:border-t sm:w-19 sm:flex-col sm:border-r print:hidden"
      >
        <Link
          to={JOBS_PATH}
          aria-label="Amber Junction, jobs"
          className="hidden h-13 items-center justify-center border-b border-line sm:flex"
        >
          <img src="/icon.svg" alt="" width="32" height="32" />
        </Link>
        <Stage
          to={JOBS_PATH}
          active={pathname === JOBS_PATH}
          icon={PlacesIcon}
          label="Jobs"
          onOpen={onOpen}
        />
        {jobId === null
          ? null
          : SCREENS.filter(
              ({ rail, scope, word }) => rail && (scope === 'job' || word === '' || circuit !== null),
            ).map((screen) => (
              <Stage
                key={screen.word}
                to={jobPath(jobId, { screen: screen.word, circuit })}
                active={found?.screen === screen}
                icon={screen.icon}
                label={screen.label}
                onOpen={onOpen}
              />
            ))}
        {/* On a narrow screen the stages of the job take all of the bar. */}
        <span
          className={`flex flex-1 sm:mt-auto sm:flex-none sm:flex-col ${jobId === null ? '' : 'max-sm:hidden'}`}
        >
          <HelpButton className={`${look(false)} cursor-pointer ${jobId === null ? '' : 'max-sm:hidden'}`}>
            <CircleHelp size={21} strokeWidth={1.7} aria-hidden="true" />
            Help
          </HelpButton>
          {me?.shared && me.role === 'full' ? (
            <Stage
              to={DEVICES_PATH}
              active={pathname === DEVICES_PATH}
              icon={TabletSmartphone}
              label="Devices"
              onOpen={onOpen}
            />
          ) : null}
          <Stage
            to={PRACTICE_PATH}
            active={pathname === PRACTICE_PATH}
            icon={LooseWiresIcon}
            label="Practice"
            onOpen={onOpen}
          />
          <Stage
            to={SHOP_PATH}
            active={pathname === SHOP_PATH}
            icon={ShelfIcon}
            label="Shop"
            onOpen={onOpen}
          />
        </span>
      </nav>
      <div
        id="page"
        tabIndex={-1}
        className="flex min-h-0 min-w-0 flex-1 flex-col focus-visible:outline-none"
      >
        <Boundary isPage what="The page" of={pathname}>
          <Outlet />
        </Boundary>
      </div>
      <NoticeBar />
    </div>
  );
};
