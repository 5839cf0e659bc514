import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

/** The built files, put in when this is built. */
declare const FILES: { url: string; revision: string | null }[];

/** A page that is open takes up what was built anew when it is loaded the next time. */
self.addEventListener('install', () => void (self as unknown as { skipWaiting: () => void }).skipWaiting());

precacheAndRoute(FILES);
cleanupOutdatedCaches();

/** So long the network is waited for before what is kept is shown, s. */
const PATIENCE = 4;

/** One page stands for all: it is asked for by its own address, with which comes what it needs beside it. */
const page = new NetworkFirst({
  cacheName: 'keypost-page',
  networkTimeoutSeconds: PATIENCE,
  plugins: [{ cacheKeyWillBeUsed: async () => '/' }],
});
registerRoute(
  new NavigationRoute(async (given) => {
    try {
      const request = new Request(given.request.url, { headers: { accept: 'text/html' } });
      return await page.handle({ ...given, request });
    } catch {
      return (await matchPrecache('/index.html')) ?? Response.error();
    }
  }),
);

/** Says on an answer that it is not of now, but as it was kept, and from when. */
const marked = {
  cachedResponseWillBeUsed: async ({ cachedResponse }: { cachedResponse?: Response }) => {
    if (!cachedResponse) return cachedResponse;
    const headers = new Headers(cachedResponse.headers);
    headers.set('x-keypost-kept', headers.get('date') ?? '');
    headers.delete('content-encoding');
    return new Response(await cachedResponse.blob(), { status: cachedResponse.status, headers });
  },
};

/** What is read of jobs, as it was read last: the list, a job, its board. What is measured or sent is never kept. */
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && /^\/api\/jobs(?:\/[^/]+(?:\/board)?)?$/.test(url.pathname),
  new NetworkFirst({
    cacheName: 'keypost-read',
    plugins: [marked, new ExpirationPlugin({ maxEntries: 60, purgeOnQuotaError: true })],
  }),
);

/** Pictures of photos that were looked at: what one is called by is what is in it, so it never changes. One that is removed is gone a week later. */
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && /^\/api\/jobs\/[^/]+\/photos\/[0-9a-f]{64}$/.test(url.pathname),
  new CacheFirst({
    cacheName: 'keypost-pictures',
    plugins: [new ExpirationPlugin({ maxEntries: 80, maxAgeSeconds: 604_800, purgeOnQuotaError: true })],
  }),
);
