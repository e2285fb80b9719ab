/* Runs before anything is drawn or read. */

// Schemas are checked as they stand: to make functions of text is forbidden here, and each try would be told.
globalThis.__zod_globalConfig = { jitless: true };

// Whoever likes it dark is not dazzled first; src/shell/look.ts goes on from here.
try {
  const look = localStorage.getItem('amber-junction.habit.look');
  const isDark = look === 'dark' || (look === 'device' && matchMedia('(prefers-color-scheme: dark)').matches);
  document.documentElement.dataset.look = isDark ? 'dark' : 'light';
} catch {
  // A browser that keeps nothing is shown the light one.
}
