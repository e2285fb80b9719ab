import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/ui.js';

/** What a beginning ends with: its actions, and the way back. It stays in sight. */
export const StartBar = ({ children }: { children: ReactNode }) => {
  const navigate = useNavigate();
  return (
    <div className="sticky -bottom-5 -mx-1 flex flex-wrap items-center gap-2 border-t border-line bg-paper px-1 py-3 sm:-bottom-6">
      {children}
      <Button onClick={() => void navigate(-1)}>Cancel</Button>
    </div>
  );
};
