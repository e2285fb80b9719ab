const keyOf = (name: string) => `amber-junction.habit.${name}`;

/** How this browser likes to see something; null where it has not said, or keeps nothing. */
export const habitOf = (name: string): string | null => {
  try {
    return localStorage.getItem(keyOf(name));
  } catch {
    return null;
  }
};

/** Keeps it for the next time. A browser that keeps nothing asks again: nothing hangs on it. */
export const keepHabit = (name: string, value: string): void => {
  try {
    localStorage.setItem(keyOf(name), value);
  } catch {
    // It holds as long as the page does.
  }
};
