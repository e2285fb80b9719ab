import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Download } from 'lucide-react';
import { Button } from '../../parts/ui.js';
import { useSavePicture, type Drawn } from '../../wiring/useSavePicture.js';

/** Saves what is drawn, as lines or as pixels. */
export const SaveMenu = ({ title, drawn }: { title: string; drawn: () => Drawn[] }) => {
  const save = useSavePicture();
  return (
    <Menu>
      <MenuButton as={Button} className="ml-auto">
        <Download size={16} /> <span className="max-sm:sr-only">Save</span>
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-20 mt-1 w-52 rounded-md border border-line bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {(['svg', 'png'] as const).map((kind) => (
          <MenuItem key={kind}>
            <button
              type="button"
              onClick={() => void save(drawn(), title, kind)}
              className="flex min-h-10 w-full items-center rounded px-3 text-left font-semibold data-focus:bg-rail"
            >
              {kind === 'svg' ? 'As SVG, to print' : 'As PNG, to send'}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
};
