import { useCallback, useState } from 'react';
import { keepInitials, keptInitials } from '../server/initials.js';
import { controlLook } from '../parts/ui.js';

/** Who works at this screen: typed once, and kept in this browser when something is signed. */
export const useInitials = () => {
  const [initials, setInitials] = useState(keptInitials);
  const keep = useCallback(() => keepInitials(initials), [initials]);
  return { initials, setInitials, keep };
};

export const InitialsField = ({
  initials,
  onChange,
}: {
  initials: string;
  onChange: (initials: string) => void;
}) => (
  <label className="block w-24">
    <span className="mb-1 block text-[13px] font-semibold">Initials</span>
    <input
      value={initials}
      maxLength={12}
      autoComplete="off"
      onChange={(event) => onChange(event.target.value)}
      className={controlLook}
    />
  </label>
);
