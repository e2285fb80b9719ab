import { ofId, type Positions, type SheetGroup } from '@amber/core';
import { moment } from '../../parts/format.js';
import { Handle } from '../../wiring/Handle.js';
import { lastLeft } from './handlesLeft.js';
import type { ProveView } from './useTried.js';

/** The handles as they are now: they are set as they are found, and moved as the sheet or the finder asks. */
export const HandlesNow = ({
  view,
  handles,
  positions,
  onPositions,
}: {
  view: Pick<ProveView, 'left'>;
  handles: SheetGroup['handles'];
  positions: Positions;
  onPositions: (positions: Positions) => void;
}) => {
  const last = lastLeft(
    view.left,
    handles.map(({ device }) => device),
  );
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold">The handles as they are now</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-2">
        {handles.map(({ device, name, positions: words }) => (
          <span key={device} className="flex items-center gap-2 text-[14px]">
            <Handle
              label={name}
              shortcut={null}
              position={ofId(positions, device) ?? 0}
              positions={words}
              onFlip={() =>
                onPositions({
                  ...positions,
                  [device]: ((ofId(positions, device) ?? 0) + 1) % Math.max(1, words.length),
                })
              }
            />
            <span className="max-w-36 break-words">{name}</span>
          </span>
        ))}
      </div>
      {last ? (
        <p className="mt-1 text-[13px] text-quiet">
          As the last answer left them ({last.by === '' ? '' : `${last.by}, `}
          {moment(last.at)}), or as you set them since. Tap any that stands otherwise.
        </p>
      ) : null}
    </fieldset>
  );
};
