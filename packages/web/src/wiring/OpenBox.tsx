import { memo, useCallback, useLayoutEffect, useRef, type SVGAttributes } from 'react';
import {
  cableWord,
  findBox,
  findCable,
  ofId,
  ROLE_WORDS,
  STATE_WORDS,
  type BoxDrawing,
  type DeviceId,
  type DrawnWire,
  type NetState,
  type Positions,
  lookOf,
} from '@amber/core';
import { CableArt } from './box/CableArt.js';
import { CaseArt } from './box/CaseArt.js';
import { ConnectorArt } from './box/ConnectorArt.js';
import { FixtureArt } from './box/FixtureArt.js';
import { JumperArt, WireArt } from './box/WireArt.js';
import type { Seen } from './lenses.js';
import type { Subject } from './useSubject.js';

/** What a wire is that comes from no cable. */
const PIECE: Record<DrawnWire['kind'], string> = { conductor: '', tail: ' tail', lead: ' lead' };

const isLive = (state: NetState) => state === 'live' || state === 'backfed';

/** One box opened up as it is seen from the front, drawn from its geometry; what is live glows. */
export const OpenBox = memo(
  ({
    subject,
    drawing,
    positions,
    seen,
    followed,
    inHand = null,
    onFlip,
    onFollow,
    ...frame
  }: {
    subject: Pick<Subject, 'job' | 'wiring' | 'compiled' | 'state' | 'usualRole'>;
    drawing: BoxDrawing;
    positions: Positions;
    /** What the lens makes of each wire. */
    seen: (wire: DrawnWire) => Seen;
    /** Keys of the conductor that is followed; null where none is. */
    followed: ReadonlySet<string> | null;
    /** Key of the wire that is in hand here: it stands out, and everything that it may be put on stays to be seen. */
    inHand?: string | null;
    onFlip: (id: DeviceId) => void;
    onFollow: (key: string) => void;
  } & Pick<SVGAttributes<SVGSVGElement>, 'viewBox' | 'className' | 'style'>) => {
    const { job, wiring, compiled, state } = subject;
    // The same function for every state, so that a wire that did not change is not painted again.
    const latest = useRef(onFollow);
    useLayoutEffect(() => {
      latest.current = onFollow;
    });
    const follow = useCallback((key: string) => latest.current(key), []);
    // What is in no net is in nothing that anybody knows of; it is not called dead for that.
    const stateOf = (key: string) => ({ now: state.nets[compiled.netOf(key) ?? -1] ?? ('unknown' as const) });
    const titleOf = (wire: DrawnWire, words: string | null) => {
      const { now } = stateOf(wire.key);
      const role = subject.usualRole(wire.key);
      const marked = wire.mark ? `, marked ${lookOf(wire.mark).word}` : '';
      const what = words === null ? ROLE_WORDS[role] : `${ROLE_WORDS[role]}, ${words}`;
      return `${lookOf(wire.colour).word}${PIECE[wire.kind]}${marked}: ${what}, ${STATE_WORDS[now]}`;
    };
    const name = findBox(job, drawing.box)?.name ?? drawing.box;
    return (
      <svg
        viewBox={`0 0 ${drawing.width} ${drawing.height}`}
        width={drawing.width}
        height={drawing.height}
        {...frame}
        className={`drawing ${frame.className ?? ''}`}
        role="group"
        aria-label={`Wires in ${name}`}
        data-width={drawing.width}
        data-height={drawing.height}
      >
        <CaseArt drawing={drawing} />
        {drawing.jumpers.map((jumper, i) => {
          const { now } = stateOf(jumper.key);
          return <JumperArt key={i} jumper={jumper} live={isLive(now)} unknown={now === 'unknown'} />;
        })}
        {drawing.wires.map((wire) => {
          const { now } = stateOf(wire.key);
          const look = seen(wire);
          const isFollowed = inHand ? wire.key === inHand : followed?.has(wire.key) === true;
          return (
            <WireArt
              key={wire.id}
              wire={wire}
              live={isLive(now)}
              unknown={now === 'unknown'}
              faint={followed === null || inHand ? look.faint : !isFollowed}
              followed={isFollowed}
              words={look.label}
              title={titleOf(wire, look.label)}
              onFollow={follow}
            />
          );
        })}
        {drawing.cables.map((cable) => {
          const real = findCable(wiring, cable.cable);
          const told = real ? cableWord(job, wiring, real, cable.end) : cable.lines.join(' ');
          return (
            <CableArt
              key={`${cable.cable} ${cable.end}`}
              cable={cable}
              told={`${told}${cable.existing ? ', existing' : ''}`}
            />
          );
        })}
        {drawing.connectors.map((connector) => (
          <ConnectorArt
            key={connector.id}
            connector={connector}
            followed={!inHand && followed?.has(connector.key) === true}
            onFollow={() => onFollow(connector.key)}
          />
        ))}
        {drawing.fixtures.map((fixture) => (
          <FixtureArt
            key={fixture.id}
            fixture={fixture}
            position={fixture.item.kind === 'device' ? (ofId(positions, fixture.item.device) ?? 0) : 0}
            lightOf={(id) => state.luminaires.find((one) => one.id === id)?.light ?? 'dark'}
            onFlip={onFlip}
            onFollow={onFollow}
          />
        ))}
      </svg>
    );
  },
);
