/** Answers that the program wants again when it is opened without a connection. */
const ANSWERS = /\/api\/(jobs|catalog|truck|records)/;

/**
 * Keeps the program and what it was told at hand for when there is no connection. It waits until the page is loaded. Where the browser has no means
 * for it, as on a page that is not its own machine's and comes without TLS, the program works with a connection alone.
 */
export const keepAtHand = (): void => {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const register = async () => {
    await navigator.serviceWorker.register('/serviceWorker.js', { type: 'module' });
    const { active } = await navigator.serviceWorker.ready;
    // What came before the worker was there is asked for once more, and kept.
    const urlsToCache = performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => ANSWERS.test(name));
    active?.postMessage({ type: 'CACHE_URLS', payload: { urlsToCache: [...new Set(urlsToCache)] } });
  };
  const start = () =>
    void register().catch((error: unknown) =>
      console.warn('It is not kept for without a connection:', error),
    );
  if (document.readyState === 'complete') start();
  else addEventListener('load', start, { once: true });
};
