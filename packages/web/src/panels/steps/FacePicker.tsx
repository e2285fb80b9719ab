import {
  facesOf,
  findDevice,
  findGroup,
  findSlot,
  screwWord,
  withFace,
  type BoxId,
  type DeviceArticle,
  type Slot,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { DeviceArt, Pin } from '../../wiring/box/DeviceArt.js';
import type { Subject } from '../../wiring/useSubject.js';

/** Size of the body in the small picture, in units of the drawing; around it there is room for screws and strap. */
const BODY = { x: 14, y: 10, width: 80, height: 132 };

/** A device from the front as a small picture. */
const FacePicture = ({ article }: { article: DeviceArticle }) => (
  <svg viewBox="0 0 108 152" className="drawing h-30 w-auto" aria-hidden="true">
    <DeviceArt article={article} frame={BODY} position={0} />
    {article.terminals.map(({ name, face }) => (
      <Pin
        key={name}
        pin={{
          ...{ key: name, name, part: face, y: BODY.y + (BODY.height * face.height) / 100 },
          x: face.side === 'left' ? BODY.x : BODY.x + BODY.width,
        }}
      />
    ))}
  </svg>
);

const FaceRow = ({
  name,
  article,
  faces,
  onPick,
}: {
  name: string;
  article: string;
  faces: readonly DeviceArticle[];
  onPick: (article: DeviceArticle) => void;
}) => (
  <fieldset>
    <legend className="pb-1 text-[13px] font-semibold">{name}</legend>
    <div className="flex gap-2 overflow-x-auto pb-1">
      {faces.map((face) => (
        <button
          key={face.id}
          type="button"
          aria-pressed={face.id === article}
          aria-label={`${face.name}: ${face.terminals.map(screwWord).join('; ')}`}
          title={face.name}
          onClick={() => onPick(face)}
          className="shrink-0 rounded-lg border-2 border-line bg-rail p-1 hover:border-quiet aria-pressed:border-ink aria-pressed:bg-white"
        >
          <FacePicture article={face} />
        </button>
      ))}
    </div>
  </fieldset>
);

/**
 * Which of these is the device in hand? Devices differ from one to the next in where their screws sit; the picture of the box and
 * every step follow the one that is picked.
 */
export const FacePicker = ({ subject, box }: { subject: Subject; box: BoxId }) => {
  const edit = useEdit();
  const { job, wiring } = subject;
  const rows = subject.devices.flatMap((device) => {
    const fitted = findDevice(wiring, device.id);
    const slot = findSlot(job, fitted?.slot);
    if (device.box !== box || !fitted || !slot) return [];
    const faces = facesOf(job, fitted.article);
    return faces.length > 1 ? [{ slot, article: fitted.article, faces, letter: device.letter }] : [];
  });
  const nameOf = ({ slot, letter }: { slot: Slot; letter: string }) =>
    `The ${letter} of ${findGroup(job, slot.group)?.name ?? 'this box'}`;
  if (rows.length === 0) return null;
  return (
    <section aria-label="Device in hand" className="flex flex-col gap-2">
      <h3 className="text-[13px] font-bold text-quiet">Which is the device in your hand?</h3>
      {rows.map((row) => (
        <FaceRow
          key={row.slot.id}
          name={nameOf(row)}
          article={row.article}
          faces={row.faces}
          onPick={({ id }) => edit(withFace(job, row.slot.id, id), 'device in hand')}
        />
      ))}
    </section>
  );
};
