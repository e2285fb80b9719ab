import {
  findBox,
  findLuminaire,
  LIGHT_WORDS,
  ofId,
  PANEL,
  type Circuit,
  UNKNOWN_PLACE,
  type DeviceId,
  type Positions,
  type StripNode,
} from '@amber/core';
import { Handle } from './Handle.js';
import { LAMP, SMALL_LAMP, type StripPlan } from './stripGeometry.js';
import { StripLoad, StripReceptacle } from './StripSymbols.js';
import type { Subject } from './useSubject.js';

/** A place of the strip: the panel, or a box with its handles and luminaires as they are now. */
export const StripPlace = ({
  subject,
  circuit,
  plan,
  node,
  positions,
  onFlip,
}: {
  subject: Subject;
  plan: StripPlan;
  circuit: Circuit;
  node: StripNode;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const { x, y, column } = plan.at(node);
  const box = findBox(subject.job, node.place);
  const nowhere = node.place === UNKNOWN_PLACE;
  // A box of what is there into which nobody has looked is not called a junction.
  const unlooked =
    subject.kind === 'existing' && node.place !== PANEL && !nowhere && !subject.certainty.has(node.place);
  const name = node.place === PANEL ? 'Panel' : nowhere ? 'Not known' : (box?.name ?? '');
  const lights = node.luminaires.map((id) => subject.state.luminaires.find((one) => one.id === id));
  const all = node.devices.map((id) => subject.devices.findIndex((one) => one.id === id));
  const devices = all.filter((i) => i >= 0);
  const receptacles = all.length - devices.length;
  const letters = [
    ...devices.map((i) => subject.devices[i]?.letter),
    ...Array.from({ length: receptacles }, () => 'receptacle'),
  ];
  const vas = subject.job.luminaires
    .filter((one) => node.luminaires.includes(one.id))
    .map((one) => `${one.va} VA`);
  const light = lights[0]?.light;
  const unit = findLuminaire(subject.job, lights[0]?.id)?.unit ?? 'luminaire';
  const under = [
    ...letters,
    ...vas,
    ...(light ? [LIGHT_WORDS[unit][light]] : []),
    ...(node.place === PANEL ? [`${circuit.breaker} A breaker`] : []),
    ...(node.place !== PANEL && letters.length + vas.length === 0
      ? [nowhere ? 'nobody has followed it' : unlooked ? 'not looked into' : 'junction']
      : []),
  ];
  return (
    <div
      className="absolute flex flex-col items-center"
      style={{ left: x - column / 2, top: y - 50, width: column }}
    >
      <div className={`flex h-26 items-center justify-center ${lights.length > 1 ? 'gap-0.5' : 'gap-1.5'}`}>
        {node.place === PANEL ? (
          <svg width="60" height="66" viewBox="0 0 60 66" aria-hidden="true">
            <rect x="1.5" y="1.5" width="57" height="63" rx="6" fill="var(--color-ink)" />
            <rect x="13" y="14" width="34" height="38" rx="3" fill="none" stroke="#f5f2ea" strokeWidth="2" />
            <path
              d="M24 33h12M30 22v22"
              stroke="var(--color-amber-live)"
              strokeWidth="4"
              strokeLinecap="round"
            />
          </svg>
        ) : null}
        {devices.map((i) => {
          const device = subject.devices[i];
          return device ? (
            <div key={device.id} className="relative">
              <span className="absolute -top-5 w-full text-center text-[11px] text-quiet">key {i + 1}</span>
              <Handle
                label={`${name}, ${device.letter}`}
                shortcut={i < 9 ? i + 1 : null}
                position={ofId(positions, device.id) ?? 0}
                positions={device.positions}
                onFlip={() => onFlip(device.id)}
              />
            </div>
          ) : null;
        })}
        {Array.from({ length: receptacles }, (_, i) => (
          <StripReceptacle key={i} />
        ))}
        {lights.map((one) =>
          one ? (
            <StripLoad
              key={one.id}
              unit={findLuminaire(subject.job, one.id)?.unit ?? 'luminaire'}
              light={one.light}
              size={lights.length > 1 ? SMALL_LAMP : LAMP}
            />
          ) : null,
        )}
        {node.place !== PANEL && all.length + lights.length === 0 ? (
          <span className="grid size-10 place-items-center rounded-full border-2 border-ink bg-white font-bold">
            {nowhere || unlooked ? '?' : 'J'}
          </span>
        ) : null}
      </div>
      <div className="-mt-3 w-full px-1 text-center leading-tight">
        <div className="line-clamp-2 font-bold break-words" title={name}>
          {name}
        </div>
        <div
          className="truncate text-[12px] text-quiet"
          data-testid={light ? `light-${node.place}` : undefined}
        >
          {under.join(' · ')}
        </div>
      </div>
    </div>
  );
};
