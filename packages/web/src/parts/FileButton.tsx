import { FileUp } from 'lucide-react';
import { useRef } from 'react';
import { Button } from './ui.js';

/** Asks for a JSON file; the same one may be chosen again. `label` names the field for those who do not see the button. */
export const FileButton = ({
  words,
  label,
  onFile,
}: {
  words: string;
  label: string;
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
        accept=".json,application/json"
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
