import { FolderOpen, LayoutDashboard, ToggleRight, Waypoints, type LucideIcon } from 'lucide-react';
import { Link, NavLink, Outlet, useParams } from 'react-router';
import { NoticeBar } from './NoticeBar.js';

const look = (active: boolean) =>
  `flex min-h-14 flex-1 flex-col items-center justify-center gap-1 border-transparent text-[12.5px] max-sm:border-t-4 sm:w-full sm:flex-none sm:border-l-4 sm:pr-1 ${
    active ? 'border-ink! bg-sheet font-bold' : 'text-quiet hover:bg-line/60'
  }`;

const Stage = ({
  to,
  end,
  icon: Icon,
  label,
}: {
  to: string;
  end?: boolean;
  icon: LucideIcon;
  label: string;
}) => (
  <NavLink to={to} end={end ?? false} className={({ isActive }) => look(isActive)}>
    <Icon size={20} strokeWidth={1.8} aria-hidden="true" />
    {label}
  </NavLink>
);

/** The rail shows the stages that are built. */
export const Frame = () => {
  const { jobId, circuitId } = useParams();
  const bench = `/jobs/${jobId}${circuitId ? `/circuits/${encodeURIComponent(circuitId)}` : ''}`;
  return (
    <div className="flex h-full flex-col-reverse sm:flex-row">
      <nav
        aria-label="Stages"
        className="flex shrink-0 border-line bg-rail max-sm:border-t sm:w-19 sm:flex-col sm:border-r print:hidden"
      >
        <Link
          to="/"
          aria-label="Amber Junction, jobs"
          className="hidden h-13 items-center justify-center border-b border-line sm:flex"
        >
          <img src="/icon.svg" alt="" width="32" height="32" />
        </Link>
        <Stage to="/" end icon={FolderOpen} label="Jobs" />
        {jobId ? (
          <Stage
            to={`${circuitId === 'new' ? `/jobs/${jobId}` : bench}/layout`}
            icon={LayoutDashboard}
            label="Layout"
          />
        ) : null}
        {jobId && circuitId && circuitId !== 'new' ? (
          <Stage to={`${bench}/runs`} icon={Waypoints} label="Runs" />
        ) : null}
        {jobId ? <Stage to={bench} end icon={ToggleRight} label="Bench" /> : null}
      </nav>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <Outlet />
      </div>
      <NoticeBar />
    </div>
  );
};
