import { picturePath } from '../parts/paths.js';
import { useState } from 'react';
import type { Job, Picture } from '@amber/core';
import { toPixel, type View } from './view.js';

const Under = ({ picture, view }: { picture: Picture; view: View }) => {
  const [lost, setLost] = useState(false);
  const { x, y } = toPixel(view, picture.at);
  const scale = picture.inchesPerPixel * view.scale;
  const [width, height] = [picture.width * scale, picture.height * scale];
  if (lost)
    return (
      <g>
        <rect {...{ x, y, width, height }} fill="none" stroke="var(--color-quiet)" strokeDasharray="6 5" />
        <text x={x + 12} y={y + 24} fontSize="13" fill="var(--color-quiet)">
          {picture.name} is not kept on this server. Lay it under again.
        </text>
      </g>
    );
  return (
    <image
      href={picturePath(picture.hash)}
      {...{ x, y, width, height }}
      opacity={picture.strength / 100}
      preserveAspectRatio="none"
      onError={() => setLost(true)}
    />
  );
};

/** Pictures of the house, under everything that is drawn. */
export const PicturesUnder = ({ job, view }: { job: Job; view: View }) => (
  <g pointerEvents="none" aria-hidden="true">
    {job.pictures.map((picture) => (
      <Under key={`${picture.id} ${picture.hash}`} picture={picture} view={view} />
    ))}
  </g>
);
