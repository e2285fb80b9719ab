const INITIALS = 'amber-initials';

/** The initials of whoever works at this screen, as they were typed last; empty where nobody said any. */
export const keptInitials = (): string => {
  try {
    return localStorage.getItem(INITIALS) ?? '';
  } catch {
    return '';
  }
};

export const keepInitials = (initials: string): void => localStorage.setItem(INITIALS, initials.trim());
