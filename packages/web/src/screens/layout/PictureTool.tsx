import { ImageUp } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import {
  addPicture,
  changePicture,
  feetInches,
  scalePicture,
  type Job,
  type Picture,
  type PictureId,
  type Spot,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { keepPicture } from '../../server/pictures.js';
import { LengthInput, NameInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import type { Placed } from './placing.js';
import { fresh } from '../../parts/fresh.js';
import type { Pointing } from './selection.js';

const TYPES: Record<string, string> = {
  svg: 'image/svg+xml',
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
};

const typeOf = (file: File): string | undefined => TYPES[file.name.split('.').at(-1)?.toLowerCase() ?? ''];

/** Pixels of a picture; null where the browser cannot read it. An SVG that tells no size is taken as it is drawn. */
const sizeOf = (file: Blob): Promise<{ width: number; height: number } | null> =>
  new Promise((resolve) => {
    const url = URL.createObjectURL(file);
    const image = new Image();
    const done = (size: { width: number; height: number } | null) => {
      URL.revokeObjectURL(url);
      resolve(size);
    };
    image.onload = () => done({ width: image.naturalWidth || 1000, height: image.naturalHeight || 1000 });
    image.onerror = () => done(null);
    image.src = url;
  });

/** What is wrong with a file, in a sentence, or the picture that it is. */
const readPicture = async (
  file: File,
): Promise<string | Pick<Picture, 'name' | 'hash' | 'width' | 'height'>> => {
  const type = typeOf(file);
  if (!type) return `${file.name} is no SVG, PNG or JPEG. Save it as one of these.`;
  const size = await sizeOf(new Blob([file], { type }));
  if (!size) return `${file.name} cannot be read as a picture. Save it again.`;
  if (Math.max(size.width, size.height) > 20_000)
    return `${file.name} is over 20,000 pixels wide. Save it smaller.`;
  const kept = await keepPicture(file, type);
  if (!kept.ok) return kept.said;
  return {
    name: file.name.replace(/\.\w+$/, '').slice(0, 200) || 'Picture',
    hash: kept.hash,
    ...size,
  };
};

const Upload = ({ onRead }: { onRead: (picture: Awaited<ReturnType<typeof readPicture>>) => void }) => {
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    onRead(await readPicture(file));
    setBusy(false);
  };
  return (
    <div className="flex flex-col gap-2">
      <p className="text-[14px]">
        A drawing or a photograph of one: SVG, PNG or JPEG, up to 8 MB. It lies under the plan; rooms are
        drawn over it.
      </p>
      <input
        ref={input}
        id={id}
        type="file"
        accept=".svg,.png,.jpg,.jpeg"
        aria-label="Picture of the house"
        className="sr-only"
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Button look="main" disabled={busy} onClick={() => input.current?.click()}>
        <ImageUp size={17} /> {busy ? 'Reading ...' : 'Choose a picture'}
      </Button>
    </div>
  );
};

/** By two points whose distance is known: both are tapped on the plan, and the distance is typed. */
const ScaleByPoints = ({ job, picture, pointing }: { job: Job; picture: Picture; pointing: Pointing }) => {
  const edit = useEdit();
  const [length, setLength] = useState<number | null>(null);
  const [from, to] = pointing.marks;
  const scaled = from && to && length ? scalePicture(job, picture.id, [from, to], length) : job;
  const isRefused = length !== null && scaled === job;
  return (
    <fieldset className="flex flex-col gap-2 rounded-md border border-line p-3">
      <legend className="px-1 text-[13px] font-semibold">Scale it by a known length</legend>
      <p className="text-[13.5px]">
        {!from
          ? 'Tap one end of something you have measured, a wall of the picture.'
          : !to
            ? 'Tap its other end.'
            : 'How long is it from the first to the second?'}
      </p>
      {from && to ? (
        <>
          <LengthInput value={length} onChange={setLength} label="Length between the two points" />
          {isRefused ? (
            <p role="alert" className="text-[13.5px] text-violation">
              By that length the picture would be too small or too large to lie under a plan. Look at the
              length, or tap two points that are farther apart.
            </p>
          ) : null}
          <div className="flex gap-2">
            <Button
              look="main"
              disabled={scaled === job}
              onClick={() => {
                edit(scaled, `scale ${picture.name}`);
                pointing.setMarks([]);
                setLength(null);
              }}
            >
              Scale
            </Button>
            <Button onClick={() => pointing.setMarks([])}>Other points</Button>
          </div>
        </>
      ) : null}
    </fieldset>
  );
};

/** A picture of the house under the plan: laid there, scaled, taken away. */
export const PictureTool = ({
  job,
  seen,
  pointing,
  inView,
  onPlaced,
}: {
  job: Job;
  /** The job as the level sees it. */
  seen: Job;
  pointing: Pointing;
  /** Where a picture goes so that it is seen whole, about. */
  inView: () => { at: Spot; wide: number };
  onPlaced: (placed: Placed | null) => void;
}) => {
  const [fault, setFault] = useState<string | null>(null);
  const [picture] = seen.pictures;
  if (picture) return <ScaleByPoints job={job} picture={picture} pointing={pointing} />;
  return (
    <>
      <Upload
        onRead={(read) => {
          if (typeof read === 'string') return setFault(read);
          setFault(null);
          const id = fresh<PictureId>('picture');
          onPlaced({
            job: addPicture(seen, { id, ...read, ...inView() }),
            label: `lay ${read.name} under the plan`,
            selected: { kind: 'picture', id },
          });
        }}
      />
      {fault ? (
        <p role="alert" className="text-[13.5px] text-violation">
          {fault}
        </p>
      ) : null}
    </>
  );
};

export const PictureForm = ({ job, picture }: { job: Job; picture: Picture }) => {
  const edit = useEdit();
  const set = (change: Partial<Picture>, what: string) =>
    edit(changePicture(job, picture.id, change), `${what} of ${picture.name}`);
  const wide = Math.round(picture.width * picture.inchesPerPixel * 16) / 16;
  return (
    <>
      <h2 className="text-[15px] font-bold">Picture under the plan</h2>
      <Field label="Name">
        <NameInput value={picture.name} onChange={(name) => set({ name }, 'name')} />
      </Field>
      <Field
        label="It shows, from left to right"
        hint={`${feetInches((wide * picture.height) / picture.width)} from top to bottom.`}
      >
        <LengthInput
          value={wide}
          onChange={(inches) =>
            inches && set({ inchesPerPixel: Math.max(0.001, inches / picture.width) }, 'scale')
          }
        />
      </Field>
      <label className="block">
        <span className="mb-1 block text-[13px] font-semibold">Strength</span>
        <input
          type="range"
          min={5}
          max={100}
          step={5}
          value={picture.strength}
          onChange={(event) => set({ strength: Number(event.target.value) }, 'strength')}
          className="h-10 w-full accent-ink"
        />
      </label>
      <p className="text-[13px] text-quiet">
        Drag it by the handle at its corner, or move it with the arrow keys.
      </p>
    </>
  );
};
