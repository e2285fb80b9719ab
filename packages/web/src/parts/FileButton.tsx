import { FileUp } from 'lucide-react';
import { useRef } from 'react';
import { Button } from './ui.js';

/** Asks for a file, JSON where nothing else is said; the same one may be chosen again. `label` names the field for those who do not see the button. */
export const FileButton = ({
  words,
  label,
  accept = '.json,application/json',
  onFile,
}: {
  words: string;
  label: string;
  accept?: string;
  onFile: (file: File | undefined) => void;
}) => {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => picker.current?.click()}>
        <FileUp size={18} /> {words}
      </Button>
      <input
        ref={picker}
        type="file"
        accept={accept}
        className="hidden"
        aria-label={label}
        onChange={(event) => {
          onFile(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </>
  );
};
