import { useMemo, useRef, useState } from 'react';
import { Camera, Check } from 'lucide-react';
import {
  boxDigest,
  findBox,
  liveRecords,
  ofId,
  type BoxId,
  type Job,
  type SiteRecord,
  type WiringDoc,
} from '@amber/core';
import { picturePath } from '../../parts/paths.js';
import { when } from '../../parts/format.js';
import { Button, controlLook } from '../../parts/ui.js';
import { useRecordsQuery } from '../../server/api.js';
import { keepPicture } from '../../server/pictures.js';
import { recorded, recordsHere } from '../../store/recordSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';

const SURE = {
  untold: 'Nobody has looked into this box, and nothing is assumed of it.',
  assumed: 'Assumed: nobody has looked into this box. It is drawn as is usual.',
  partlySeen: 'Partly seen: what is hatched or marked assumed nobody has looked at.',
  seen: 'Seen: all of it was looked at.',
} as const;

const INITIALS = 'amber-initials';

/** Photographs of a box: taken with the camera of the tablet, kept by what they are, and on record. */
const Photographs = ({ job, box, photos }: { job: Job; box: BoxId; photos: readonly SiteRecord[] }) => {
  const dispatch = useAppDispatch();
  const picker = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const name = findBox(job, box)?.name ?? box;
  const keep = async (file: File | undefined) => {
    if (!file) return;
    setTrouble(null);
    if (!['image/png', 'image/jpeg'].includes(file.type))
      return setTrouble(`${file.name} is no PNG or JPEG. Take it again, or save it as one of these.`);
    const kept = await keepPicture(file, file.type);
    if (!kept.ok) return setTrouble(kept.said);
    const about = { kind: 'box' as const, id: box, wiring: null, revision: null, hash: null };
    dispatch(recorded(job.id, 'photo', about, { hash: kept.hash, words: name }));
  };
  return (
    <div className="flex flex-col gap-2">
      <input
        ref={picker}
        type="file"
        accept="image/png,image/jpeg"
        capture="environment"
        aria-label={`Photograph of ${name}`}
        className="sr-only"
        onChange={(event) => {
          void keep(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Button onClick={() => picker.current?.click()}>
        <Camera size={17} /> Photograph it
      </Button>
      {trouble === null ? null : (
        <p role="alert" className="text-[13px] font-semibold text-violation">
          {trouble}
        </p>
      )}
      {photos.length > 0 ? (
        <ul className="flex flex-wrap gap-2" aria-label={`Photographs of ${name}`}>
          {photos.map((one) => (
            <li key={one.id}>
              <a href={picturePath(String(one.body['hash']))} target="_blank" rel="noreferrer">
                <img
                  src={picturePath(String(one.body['hash']))}
                  alt={`${name}, ${when(one.at)}`}
                  className="size-16 rounded border border-line object-cover"
                />
              </a>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
};

/** How sure a box is, and the way to sign it: initials and the hour are put on record, and hold as long as nothing is told otherwise. */
export const SeenBox = ({
  job,
  document,
  box,
  unseen,
  onSign,
}: {
  job: Job;
  document: WiringDoc;
  box: BoxId;
  /** Wires here that nobody has looked at. */
  unseen: number;
  onSign: (initials: string) => void;
}) => {
  const { data: known } = useRecordsQuery(job.id);
  const { pending } = useAppSelector((state) => state.records);
  const [initials, setInitials] = useState(() => localStorage.getItem(INITIALS) ?? '');
  const mine = useMemo(
    () => liveRecords(recordsHere(known ?? [], pending, job.id)).filter(({ about }) => about.id === box),
    [known, pending, job.id, box],
  );
  const last = mine.filter(({ kind, about }) => kind === 'seen' && about.wiring === document.id).at(-1);
  const holds = last?.about.hash === boxDigest(job, document, box);
  const sure = ofId(document.certainty, box) ?? (document.kind === 'existing' ? 'untold' : 'assumed');
  const sign = () => {
    localStorage.setItem(INITIALS, initials.trim());
    onSign(initials.trim());
  };
  return (
    <div className="flex flex-col gap-2">
      <p className={`text-[14px] ${sure === 'seen' ? '' : 'font-semibold text-caution'}`}>{SURE[sure]}</p>
      {last ? (
        <p className="text-[13px]">
          {last.by || 'Somebody'} looked at it {when(last.at)}.
          {holds ? '' : ' It has been told otherwise since: look again.'}
        </p>
      ) : null}
      {unseen > 0 ? (
        <p className="text-[13px]">
          {unseen === 1 ? 'One wire here is' : `${unseen} wires here are`} not looked at. Take{' '}
          {unseen === 1 ? 'it' : 'them'} for live.
        </p>
      ) : null}
      {sure === 'seen' && (last === undefined || holds) ? null : (
        <div className="flex items-end gap-2">
          <label className="block w-24">
            <span className="mb-1 block text-[13px] font-semibold">Initials</span>
            <input
              value={initials}
              maxLength={12}
              autoComplete="off"
              onChange={(event) => setInitials(event.target.value)}
              className={controlLook}
            />
          </label>
          <Button look="main" className="flex-1" disabled={initials.trim() === ''} onClick={sign}>
            <Check size={17} /> {unseen > 0 ? 'The rest is as drawn' : 'I looked: it is as drawn'}
          </Button>
        </div>
      )}
      <Photographs job={job} box={box} photos={mine.filter(({ kind }) => kind === 'photo')} />
    </div>
  );
};
