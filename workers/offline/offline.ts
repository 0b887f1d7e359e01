/// <reference lib="webworker" />
import { CacheFirst, ExpirationPlugin, NetworkFirst, Serwist, type SerwistPlugin } from 'serwist';
import { FILES, isFile, isKeptPage, PAGES, type OfflineMessage } from './kept';

declare const self: ServiceWorkerGlobalScope;

/** Seconds after which a page that does not come is taken from what is kept. */
const PATIENCE = 6;
/** A term of exercises, and what their pages are made of in a few versions. */
const [MOST_PAGES, MOST_FILES] = [40, 600];
const FOUR_WEEKS = 4 * 7 * 24 * 3600;

/** Only what came whole is kept: no refusal, and no way to the door. */
const wholeOnly: SerwistPlugin = {
  cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 ? response : null),
};

/**
 * All web workers are begun by one script, which reads from its own address what it is to load. An answer that comes out of
 * here has the address that it was first fetched by, and so would begin that one’s worker again; a new answer has none, and
 * the worker keeps the address that it was asked for by.
 */
const ownAddress: SerwistPlugin = {
  handlerWillRespond: ({ request, response }) =>
    Promise.resolve(
      request.destination === 'worker' && response.status === 200
        ? new Response(response.body, { status: response.status, headers: response.headers })
        : response,
    ),
};

/** A file's name says its version, so that one that is there is the right one. */
const files = new CacheFirst({
  cacheName: FILES,
  plugins: [wholeOnly, ownAddress, new ExpirationPlugin({ maxEntries: MOST_FILES, purgeOnQuotaError: true })],
});

/** A page is asked for first, so that a new version is never mixed with an old page; what was kept is for when nothing answers. */
const pages = new NetworkFirst({
  cacheName: PAGES,
  networkTimeoutSeconds: PATIENCE,
  plugins: [
    wholeOnly,
    new ExpirationPlugin({
      maxEntries: MOST_PAGES,
      maxAgeSeconds: FOUR_WEEKS,
      purgeOnQuotaError: true,
    }),
  ],
});

const serwist = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    { matcher: ({ url, sameOrigin }) => sameOrigin && isFile(url.pathname), handler: files },
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && isKeptPage(url.pathname),
      handler: pages,
    },
  ],
});
serwist.addEventListeners();

/** Keeps a page that was there before this was, with what it is made of. */
async function keep({ page, urls }: OfflineMessage): Promise<void> {
  const cache = await caches.open(FILES);
  for (const url of urls) if (!(await cache.match(url))) await cache.add(url).catch(() => undefined);
  const answer = await fetch(page, { credentials: 'same-origin' });
  if (answer.status === 200 && !answer.redirected) await (await caches.open(PAGES)).put(page, answer);
}

self.addEventListener('message', (event: ExtendableMessageEvent) => {
  const [port] = event.ports;
  event.waitUntil(
    keep(event.data as OfflineMessage).then(
      () => port?.postMessage('kept'),
      () => port?.postMessage('not kept'),
    ),
  );
});
