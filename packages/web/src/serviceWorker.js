/**
 * Keeps the application itself on the device, so that it opens while the server is away. What the shop knows is not kept
 * here but by the page (`keptQueries`). The build puts the version and the list of files in.
 */
const CACHE = 'low-quarry-__VERSION__';
const FILES = __FILES__;
const PAGE = '/';
/** A server that is only slow is waited for so long before the kept page is opened, ms. */
const PATIENCE_MS = 4000;

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll([PAGE, ...FILES]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((name) => name !== CACHE).map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return;
  if (request.mode === 'navigate') event.respondWith(openPage(request));
  else if (FILES.includes(url.pathname)) event.respondWith(fromCache(request));
});

async function openPage(request) {
  try {
    return await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
  } catch (error) {
    const kept = await caches.match(PAGE);
    if (kept) return kept;
    throw error;
  }
}

async function fromCache(request) {
  return (await caches.match(request)) ?? fetch(request);
}
