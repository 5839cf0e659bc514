import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';
import { aheadOf, isPage } from '@keypost/api/page';

/** The built files, put in when this is built. */
declare const FILES: { url: string; revision: string | null }[];

/** What was built anew takes the place of what there was at once; pages that are open are told (`src/data/kept.ts`). */
self.addEventListener('install', () => void (self as unknown as { skipWaiting: () => void }).skipWaiting());

precacheAndRoute(FILES, { directoryIndex: '', cleanURLs: false });
cleanupOutdatedCaches();

/**
 * One page stands for all, and is of one make with the files that it asks for. It is shown as it is kept: a browser asks
 * for a newer make of this file by itself whenever a page is opened, and the page takes up what came.
 */
const page = createHandlerBoundToURL('/index.html');
registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === 'navigate' && isPage(url.pathname),
  async (given) => {
    const kept = await page(given);
    const headers = new Headers(kept.headers);
    headers.delete('content-encoding');
    const ahead = aheadOf(given.url.pathname);
    if (ahead === undefined) headers.delete('link');
    else headers.set('link', ahead);
    return new Response(kept.body, { status: kept.status, headers });
  },
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
