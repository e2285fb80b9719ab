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

// What the address will need comes all at once, and not one after the other as each is found to need the next.
{
  /** Files by what needs them, in the order in which they are wanted; the build tells (build/early.ts), and without it nothing is hurried. */
  const FILES = {};
  const [, job, word = 'bench'] =
    /^\/jobs\/([^/]+)(?:\/circuits\/[^/]+)?(?:\/([^/]+))?\/?$/.exec(location.pathname) ?? [];
  const screen = job ? word : location.pathname.slice(1) || 'jobs';
  const wanted = (rel, href, more) =>
    document.head.append(Object.assign(document.createElement('link'), { rel, href, ...more }));
  if (job || screen === 'jobs') {
    // As the pages ask for it, to the letter: else it would come twice.
    const answer = job ? `/api/jobs/${job}` : '/api/jobs?search=&from=0&count=30';
    wanted('preload', answer, { as: 'fetch', crossOrigin: 'anonymous' });
  }
  const files = [...(job ? ['job'] : []), screen].flatMap((of) =>
    Object.hasOwn(FILES, of) ? FILES[of] : [],
  );
  for (const file of new Set(files)) wanted('modulepreload', file);
  for (const file of FILES.fonts ?? [])
    wanted('preload', file, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' });
}
