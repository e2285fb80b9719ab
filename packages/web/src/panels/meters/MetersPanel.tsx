import { useEffect, useRef, useState } from 'react';
import {
  deviceWord,
  findBox,
  findDevice,
  keyWord,
  readMeters,
  readOutlets,
  type OutletReading,
  type Positions,
  type Readings,
  type Volts,
} from '@amber/core';
import { OneOf } from '../../parts/OneOf.js';
import { Button } from '../../parts/ui.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { wireFollowed } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';

const voltsWord = (volts: Volts | null): string =>
  volts === null ? 'two points' : volts.volts === null ? 'nobody can know' : `${Math.round(volts.volts)} V`;

const CONTINUITY: Record<NonNullable<Readings['continuity']>, string> = {
  yes: 'continuity',
  no: 'none',
  refused: 'not on what is live: off first',
  notKnown: 'nobody can know',
};
const GLOW: Record<NonNullable<Readings['nonContact']>, string> = {
  glows: 'glows',
  silent: 'stays dark',
  either: 'nobody can know',
};
const OUTLETS: Record<OutletReading, string> = {
  right: 'wired right, as far as it can tell',
  noHot: 'dead, or hot open',
  noNeutral: 'neutral open',
  noGround: 'ground open',
  hotNeutralExchanged: 'hot and neutral exchanged',
  hotGroundExchanged: 'hot and ground exchanged',
  otherwise: 'something that it has no word for',
};

const Row = ({ name, says, why }: { name: string; says: string; why: string }) => (
  <div className="py-2">
    <dt className="text-[13.5px] font-semibold">{name}</dt>
    <dd>
      <strong className="block text-[16px]">{says}</strong>
      <span className="text-[13px] text-quiet">{why}</span>
    </dd>
  </div>
);

/** Whether a two-pole tester and one of high impedance disagree, as they do on what hangs in the air. */
const isGhost = ({ twoPole, highImpedance }: Readings): boolean =>
  Math.abs((twoPole?.volts ?? 0) - (highImpedance?.volts ?? 0)) > 10;

/**
 * Meters put on the drawn wiring: the first wire that is tapped on the board takes one probe, the second the other, the next begins anew. They
 * read the drawing, never the house.
 */
export const MetersPanel = ({
  subject,
  positions,
  breaker = null,
  onRead,
}: {
  subject: Subject;
  positions: Positions;
  /** Where the breaker is thrown elsewhere: as it stands. Else it is thrown here. */
  breaker?: 'on' | 'off' | null;
  /** Both probes are on. */
  onRead?: () => void;
}) => {
  const { job, wiring, compiled } = subject;
  const dispatch = useAppDispatch();
  const followed = useAppSelector((state) => state.wiring.followed);
  const [power, setPower] = useState<'on' | 'off'>('on');
  const [[a, b], setProbes] = useState<[string | null, string | null]>([null, null]);
  const last = useRef(followed);
  useEffect(() => {
    if (followed === null || followed === last.current) {
      last.current = followed;
      return;
    }
    last.current = followed;
    const isSecond = a !== null && b === null;
    setProbes(isSecond ? [a, followed] : [followed, null]);
    if (isSecond) onRead?.();
  }, [followed, a, b, onRead]);
  const on = (breaker ?? power) === 'on';
  const readings = a === null ? null : readMeters({ wiring, parts: job, compiled }, positions, on, [a, b]);
  const shown = new Set<string>(subject.drawings.map(({ box }) => box));
  const outlets = readOutlets(compiled, wiring, job, positions, on).filter(({ device }) =>
    shown.has(findDevice(wiring, device)?.box ?? ''),
  );
  return (
    <section aria-label="Meters" className="flex flex-col gap-3">
      <p className="text-[14px]">
        Tap a wire or a screw on the board for one probe, another for the second. Flip handles, and see what
        each meter makes of it.
      </p>
      {breaker === null ? (
        <OneOf
          label="Breakers"
          options={[
            { value: 'on' as const, words: 'Breakers on' },
            { value: 'off' as const, words: 'Breakers off' },
          ]}
          value={power}
          onPick={setPower}
        />
      ) : null}
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1 rounded-md border border-line bg-white p-3 text-[14px]">
        <dt className="font-semibold">First probe</dt>
        <dd className="break-words">{a === null ? 'tap a wire' : keyWord(job, wiring, a)}</dd>
        <dt className="font-semibold">Second probe</dt>
        <dd className="break-words">
          {b === null ? (a === null ? '' : 'tap another') : keyWord(job, wiring, b)}
        </dd>
      </dl>
      {readings ? (
        <dl aria-label="What each meter says" className="divide-y divide-line border-y border-line">
          <Row
            name="Two-pole tester"
            says={voltsWord(readings.twoPole)}
            why="It loads what it touches: what hangs in the air reads nothing. Dead is proved with this one."
          />
          <Row
            name="Meter of high impedance"
            says={voltsWord(readings.highImpedance)}
            why={
              isGhost(readings)
                ? 'Ghost volts: one of the two hangs in the air beside a live wire, and next to nothing is drawn from it.'
                : 'It draws next to nothing, so it shows ghost volts on a wire that hangs in the air beside a live one.'
            }
          />
          <Row
            name="Continuity tester"
            says={readings.continuity === null ? 'two points' : CONTINUITY[readings.continuity]}
            why="Dead, lamps out, loads unplugged. Whites and grounds meet at the service."
          />
          <Row
            name="Non-contact tester, at the first"
            says={readings.nonContact === null ? 'it is held to a conductor' : GLOW[readings.nonContact]}
            why="A hint, never a proof: it glows at a dead wire beside a live one, and may miss a live one."
          />
        </dl>
      ) : null}
      {outlets.length > 0 ? (
        <dl aria-label="Receptacle tester" className="divide-y divide-line border-y border-line">
          {outlets.map(({ device, reading }) => (
            <Row
              key={device}
              name={`Receptacle tester at ${findBox(job, findDevice(wiring, device)?.box ?? '')?.name ?? deviceWord(job, wiring, device)}`}
              says={OUTLETS[reading]}
              why="Blind to neutral and ground exchanged or joined."
            />
          ))}
        </dl>
      ) : null}
      {a === null ? null : (
        <Button
          look="bare"
          className="self-start"
          onClick={() => {
            setProbes([null, null]);
            dispatch(wireFollowed(null));
          }}
        >
          Take the probes off
        </Button>
      )}
      <p className="text-[13px] text-quiet">
        These read the drawing, not the house: nothing here says that a wire in your hand is dead. Volts of
        ghosts are made up; real ones vary.
      </p>
    </section>
  );
};
