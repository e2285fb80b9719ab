import { cubicInches, sayFillLine, UNKNOWN_FILL, type BoxFill } from '@amber/core';

type FillLine = BoxFill['lines'][number];

const isSame = (a: FillLine, b: FillLine | null): boolean =>
  b !== null && a.what === b.what && a.awg === b.awg;

const plain = (volume: number): string => cubicInches(volume).replace(' in³', '');

/** What has to be told before the fill is known; nothing where all is. */
export const NotTold = ({ unknown }: Pick<BoxFill, 'unknown'>) =>
  unknown.length > 0 ? (
    <p className="mt-1.5 text-[13.5px] font-semibold text-caution">
      Not told: {unknown.map((one) => UNKNOWN_FILL[one]).join('; ')}.
    </p>
  ) : null;

/** Every allowance of a box with its section, what they come to, and what holds them where that is asked. */
export const FillLines = ({
  fill,
  caption,
  held,
  pointed = null,
  onPoint,
}: {
  fill: BoxFill;
  caption: string;
  held?: string;
  /** The line whose wires are shown; null for none. */
  pointed?: FillLine | null;
  /** Asked for where the drawn box can show what a line counts. */
  onPoint?: (line: FillLine | null) => void;
}) => (
  <table className="w-full text-[13.5px]">
    <caption className="mb-1 text-left text-[13px] text-quiet">{caption}</caption>
    <thead className="text-left text-[13px] text-quiet">
      <tr>
        <th className="font-normal">Counts</th>
        <th className="pl-2 text-right font-normal">in³ each</th>
        <th className="pl-2 text-right font-normal">in³</th>
      </tr>
    </thead>
    <tbody>
      {fill.lines.map((line) => (
        <tr
          key={`${line.what} ${line.awg}`}
          className={`border-t border-line align-top ${onPoint && isSame(line, pointed) ? 'bg-rail' : ''}`}
          onPointerEnter={(event) => event.pointerType === 'mouse' && onPoint?.(line)}
          onPointerLeave={(event) => event.pointerType === 'mouse' && onPoint?.(null)}
        >
          <td className="py-1">
            {onPoint ? (
              <button
                type="button"
                aria-pressed={isSame(line, pointed)}
                onClick={() => onPoint(line)}
                className="min-h-10 text-left underline decoration-line underline-offset-3"
              >
                {sayFillLine(line)}
              </button>
            ) : (
              sayFillLine(line)
            )}
            <span className="block text-[12px] text-quiet">{line.section}</span>
          </td>
          <td className="py-1 pl-2 text-right">{plain(line.each)}</td>
          <td className="py-1 pl-2 text-right">{plain(line.total)}</td>
        </tr>
      ))}
      <tr className="border-t-2 border-ink font-bold">
        <td className="py-1">{fill.unknown.some((one) => one !== 'box') ? 'Needed, at least' : 'Needed'}</td>
        <td />
        <td className="py-1 pl-2 text-right">{plain(fill.needed)}</td>
      </tr>
      {held === undefined ? null : (
        <tr>
          <td className="py-1">Held by {held}</td>
          <td />
          <td className="py-1 pl-2 text-right">{fill.available === null ? '–' : plain(fill.available)}</td>
        </tr>
      )}
    </tbody>
  </table>
);
