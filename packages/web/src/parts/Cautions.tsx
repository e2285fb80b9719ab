import { SeverityMark } from './ui.js';

/** What endangers here, each in a line of its own. */
export const Cautions = ({
  cautions,
  className = '',
}: {
  cautions: readonly string[];
  className?: string;
}) => (
  <ul className={`flex flex-col gap-1.5 ${className}`}>
    {cautions.map((words) => (
      <li key={words} className="flex gap-2 text-[13.5px]">
        <SeverityMark severity="caution" />
        <span>{words}</span>
      </li>
    ))}
  </ul>
);
