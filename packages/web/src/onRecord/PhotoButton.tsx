import { useRef, useState } from 'react';
import { Camera } from 'lucide-react';
import { Button } from '../parts/ui.js';
import { keepPicture } from '../server/pictures.js';

/** Takes a photograph with the camera of the tablet, or one from a file, and keeps it by what it is. */
export const PhotoButton = ({
  words,
  label,
  onKept,
}: {
  words: string;
  /** Names the field for those who do not see the button. */
  label: string;
  /** The key that the picture is shown by. */
  onKept: (hash: string) => void;
}) => {
  const picker = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (file: File | undefined) => {
    if (!file) return;
    setTrouble(null);
    if (!['image/png', 'image/jpeg'].includes(file.type))
      return setTrouble(`${file.name} is no PNG or JPEG. Take it again, or save it as one of these.`);
    const kept = await keepPicture(file, file.type);
    if (kept.ok) onKept(kept.hash);
    else setTrouble(kept.said);
  };
  return (
    <>
      <input
        ref={picker}
        type="file"
        accept="image/png,image/jpeg"
        capture="environment"
        aria-label={label}
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          void keep(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Button className="self-start" onClick={() => picker.current?.click()}>
        <Camera size={17} /> {words}
      </Button>
      {trouble === null ? null : (
        <p role="alert" className="text-[13px] font-semibold text-violation">
          {trouble}
        </p>
      )}
    </>
  );
};
