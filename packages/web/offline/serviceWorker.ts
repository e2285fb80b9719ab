/**
 * What keeps the program at hand without a connection: all files of this build, the page, and the last answers of the server. What is sent to the
 * server is not touched: the page keeps and repeats that itself.
 */
import { ExpirationPlugin } from 'workbox-expiration';
import { addPlugins, cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;
/** Put in by the build: every file of it. */
declare const __FILES__: PrecacheEntry[];

/** Every address of the program is the one page. */
const PAGE = '/';
const PAGES = 'amber-pages';
/** Seconds after which the last answer is shown instead of waiting for the server. */
const PATIENCE = 4;

// Only what came whole is kept.
addPlugins([
  { cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 ? response : null) },
]);
precacheAndRoute(__FILES__);
cleanupOutdatedCaches();

registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: PAGES,
      networkTimeoutSeconds: PATIENCE,
      plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve(PAGE) }],
    }),
  ),
);

// Pictures are kept by the sum of their bytes and never change.
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/api/pictures/'),
  new CacheFirst({ cacheName: 'amber-pictures' }),
);
/** So many answers are kept; those that were not asked for longest go. */
const ANSWERS = 300;

/** An answer of before says when it was given: a page must not pass it off as how things stand. */
const marked = ({ cachedResponse: kept }: { cachedResponse?: Response }): Promise<Response | null> => {
  if (!kept) return Promise.resolve(null);
  const headers = new Headers(kept.headers);
  headers.set('x-amber-kept', kept.headers.get('date') ?? 'before');
  return Promise.resolve(new Response(kept.body, { status: kept.status, headers }));
};

/** What is asked of the server itself: is it there, and what becomes of a job as long as a page listens. */
const LIVE = /^\/api\/(health$|jobs\/[^/]+\/events$)/;
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/api/') && !LIVE.test(url.pathname),
  new NetworkFirst({
    cacheName: 'amber-answers',
    networkTimeoutSeconds: PATIENCE,
    plugins: [{ cachedResponseWillBeUsed: marked }, new ExpirationPlugin({ maxEntries: ANSWERS })],
  }),
);

// The page is kept from the first time on, not from the second.
self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(PAGES).then((kept) => kept.add(PAGE)));
});
self.addEventListener('activate', (event) => {
  event.waitUntil(self.clients.claim());
});
