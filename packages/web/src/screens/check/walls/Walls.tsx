import { useState } from 'react';
import {
  liveRecords,
  sideOf,
  wallFace,
  wallsOf,
  type Job,
  type SiteRecord,
  type WallFace,
  type Wiring,
} from '@amber/core';
import { plural } from '../../../parts/format.js';
import { Select } from '../../../parts/ui.js';
import { PhotoButton } from '../../../onRecord/PhotoButton.js';
import { InitialsField } from '../../../onRecord/Initials.js';
import type { Site } from '../useSite.js';
import { LaidPhoto } from './LaidPhoto.js';
import { PointPicker } from './PointPicker.js';
import { usePictureSize } from './usePictureSize.js';

const photosOn = (
  records: readonly SiteRecord[],
  { room, wall }: Pick<WallFace, 'room' | 'wall'>,
): SiteRecord[] =>
  liveRecords(records).filter(
    ({ kind, about, body }) => kind === 'wallPhoto' && about.id === room && body['wall'] === wall,
  );

/** Every wall of the measured rooms, those with boxes or photographs first. */
const wallsThere = (job: Job, wiring: Wiring, records: readonly SiteRecord[]) =>
  job.rooms
    .flatMap((room) =>
      wallsOf(room).flatMap((wall) => {
        const face = wallFace(job, wiring, room.id, wall.index);
        return face
          ? [{ face, words: `${room.name}, ${sideOf(wall)} wall`, photos: photosOn(records, face).length }]
          : [];
      }),
    )
    .sort((a, b) => Number(b.face.boxes.length + b.photos > 0) - Number(a.face.boxes.length + a.photos > 0));

const NewPhoto = ({ face, site }: { face: WallFace; site: Site }) => {
  const [hash, setHash] = useState<string | null>(null);
  const { size, failed } = usePictureSize(hash);
  if (hash !== null && size)
    return (
      <PointPicker
        {...{ face, hash, size }}
        onLeave={() => setHash(null)}
        onKeep={(placed) => {
          site.put(
            'wallPhoto',
            { kind: 'room', id: face.room },
            {
              ...{ hash, words: '', wall: face.wall },
              points: placed.map(({ known, at }) => ({ ...at, along: known.at.x, height: known.at.y })),
            },
          );
          setHash(null);
        }}
      />
    );
  return (
    <div className="flex flex-col items-start gap-2">
      <PhotoButton words="Photograph this wall" label={`Photograph of ${face.name}`} onKept={setHash} />
      {failed ? (
        <p role="alert" className="text-[13px] font-semibold text-violation">
          The photograph cannot be shown. Take it again.
        </p>
      ) : null}
    </div>
  );
};

/** Photographs of the open walls, each laid on the wall it shows: for the day when it is closed. */
export const Walls = ({ job, wiring, site }: { job: Job; wiring: Wiring; site: Site }) => {
  const walls = wallsThere(job, wiring, site.records);
  const [picked, setPicked] = useState(0);
  const shown = walls[Math.min(picked, walls.length - 1)];
  if (!shown)
    return (
      <p className="py-6 text-center text-[15px]">
        No room is measured yet. Once one is, its walls stand here, and photographs of them lie on the plan.
      </p>
    );
  const photos = photosOn(site.records, shown.face);
  return (
    <div className="flex flex-col gap-4">
      <p className="text-[13.5px]">
        A photograph of the open wall, with four points tapped that the plan knows, tells for good where
        boxes, runs and framing are.
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <InitialsField initials={site.initials} onChange={site.setInitials} />
        <label className="block w-80 max-w-full">
          <span className="mb-1 block text-[13px] font-semibold">Wall, as seen from its room</span>
          <Select
            value={String(walls.indexOf(shown))}
            onChange={(event) => setPicked(Number(event.target.value))}
          >
            {walls.map(({ face, words, photos: count }, i) => (
              <option key={`${face.room} ${face.wall}`} value={i}>
                {words} · {plural(face.boxes.length, 'box', 'boxes')}
                {count > 0 ? ` · ${plural(count, 'photograph')}` : ''}
              </option>
            ))}
          </Select>
        </label>
      </div>
      {photos.map((record) => (
        <LaidPhoto
          key={record.id}
          face={shown.face}
          record={record}
          onTakeBack={() => site.takeBack(record)}
        />
      ))}
      <NewPhoto key={`${shown.face.room} ${shown.face.wall}`} face={shown.face} site={site} />
    </div>
  );
};
