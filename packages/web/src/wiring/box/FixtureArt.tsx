import type { DeviceId, DrawnFixture, LuminaireId, LuminaireState } from '@amber/core';
import { DeviceArt, Pin } from './DeviceArt.js';
import { LuminaireArt } from './LuminaireArt.js';

const STATE_OF_LIGHT: Record<LuminaireState['light'], string> = {
  lit: 'lit',
  dim: 'dim',
  dark: 'dark',
  unknown: 'not known whether it is lit',
};

/** A device or a luminaire in its box, under the name of what it controls; a tap flips its handle. */
export const FixtureArt = ({
  fixture,
  position,
  lightOf,
  onFlip,
  onFollow,
}: {
  fixture: DrawnFixture;
  position: number;
  lightOf: (id: LuminaireId) => LuminaireState['light'];
  onFlip: (id: DeviceId) => void;
  onFollow: (key: string) => void;
}) => {
  const { item, x, y, width, height, title, pins } = fixture;
  return (
    <g data-fixture={fixture.id}>
      {title.map((line, i) => (
        <text
          key={i}
          x={x + width / 2}
          y={y - 11 - (title.length - 1 - i) * 14}
          textAnchor="middle"
          fontSize="13.5"
          fontWeight="720"
        >
          {line}
        </text>
      ))}
      {item.kind === 'device' ? (
        <g
          onClick={item.article.letter === null ? undefined : () => onFlip(item.device)}
          className={item.article.letter === null ? undefined : 'cursor-pointer'}
        >
          <title>{item.article.name}</title>
          <DeviceArt article={item.article} frame={{ x, y, width, height }} position={position} />
        </g>
      ) : (
        <g>
          <title>{`${title.join(' ')}: ${STATE_OF_LIGHT[lightOf(item.lights[0] ?? item.luminaire)]}`}</title>
          <LuminaireArt
            form={item.form}
            frame={{ x, y, width, height }}
            light={lightOf(item.lights[0] ?? item.luminaire)}
            hasLight={item.lights.length > 0}
          />
        </g>
      )}
      {pins.map((pin) => (
        <Pin key={pin.key} pin={pin} onFollow={onFollow} />
      ))}
    </g>
  );
};
