// @ts-check
/// <reference lib="webworker" />

/**
 * Keeps the Bench and the Log of the briefs that were opened on this device, so that both open and work while the server is away. What is
 * done then waits in the outbox of the page; this only gives pages, files and pictures.
 */
const worker = /** @type {ServiceWorkerGlobalScope} */ (/** @type {unknown} */ (self));

const PAGES = 'pages';
const FILES = 'files';
const PICTURES = 'pictures';
/** Pictures that are kept at the most; the oldest go first. */
const MOST_PICTURES = 300;
/** A server that takes longer than this is away as far as an evening at the bench goes, ms. */
const PATIENCE = 4000;

worker.addEventListener('install', () => void worker.skipWaiting());
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));

worker.addEventListener('message', (event) => {
  const { pages } = /** @type {{ pages?: unknown }} */ (event.data ?? {});
  if (Array.isArray(pages)) event.waitUntil(keep(pages.filter((page) => typeof page === 'string')));
});

/**
 * Fetches pages, and all files of the application that are not here yet; files of an earlier build go.
 * @param {string[]} pages
 */
async function keep(pages) {
  const [kept, files] = await Promise.all([caches.open(PAGES), caches.open(FILES)]);
  await Promise.all(
    pages.map(async (page) => {
      const response = await fetch(page, { cache: 'no-store' }).catch(() => null);
      // A device that was let go is led to the page that pairs: that is not this page.
      if (response?.ok && !response.redirected && isHere(page)) await kept.put(page, response);
    }),
  );
  const response = await fetch('/offline/files', { cache: 'no-store' }).catch(() => null);
  if (!response?.ok) return;
  const wanted = new Set(/** @type {string[]} */ (await response.json()));
  for (const request of await files.keys()) if (!wanted.has(new URL(request.url).pathname)) await files.delete(request);
  for (const file of wanted) if (!(await files.match(file))) await files.add(file).catch(() => undefined);
}

/** @param {string} page */
const isHere = (page) => new URL(page, worker.location.origin).origin === worker.location.origin;

const STATION = /^\/briefs\/[0-9a-f-]{36}\/(bench|log)$/;
const LOOKED_UP = /^\/briefs\/[0-9a-f-]{36}\/(log\/(lines|learned)|made\/[\w-]+)$/;

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== worker.location.origin) return;
  // WebKit takes the script of a web worker from nobody but the server.
  if (request.destination === 'worker') return;
  if (url.pathname.startsWith('/_next/static/')) event.respondWith(keptFirst(request, FILES));
  else if (/^\/pictures\/[0-9a-f]{64}$/.test(url.pathname)) event.respondWith(keptFirst(request, PICTURES));
  else if (request.mode === 'navigate') event.respondWith(pageOf(event, request, url));
  else if (LOOKED_UP.test(url.pathname)) event.respondWith(freshFirst(request, request.url));
});

/**
 * @param {Request} request
 * @param {string} name
 */
async function keptFirst(request, name) {
  const cache = await caches.open(name);
  const known = await cache.match(request);
  if (known) return known;
  const response = await fetch(request);
  if (response.ok) {
    await cache.put(request, response.clone());
    if (name === PICTURES) for (const old of (await cache.keys()).slice(0, -MOST_PICTURES)) await cache.delete(old);
  }
  return response;
}

/**
 * @param {Request} request
 * @param {string} key
 */
async function freshFirst(request, key) {
  const cache = await caches.open(PAGES);
  try {
    const response = await fetch(request, { signal: AbortSignal.timeout(PATIENCE) });
    if (response.ok) await cache.put(key, response.clone());
    return response;
  } catch {
    return (await cache.match(key)) ?? Response.error();
  }
}

/**
 * @param {FetchEvent} event
 * @param {Request} request
 * @param {URL} url
 */
async function pageOf(event, request, url) {
  const cache = await caches.open(PAGES);
  const isKept = STATION.test(url.pathname);
  try {
    const response = await fetch(request, isKept ? { signal: AbortSignal.timeout(PATIENCE) } : {});
    if (response.ok && !response.redirected && isKept) event.waitUntil(cache.put(url.pathname, response.clone()));
    return response;
  } catch {
    return (isKept ? await cache.match(url.pathname) : undefined) ?? away(await cache.keys());
  }
}

/**
 * What is said where a page is not kept here.
 * @param {readonly Request[]} kept
 */
function away(kept) {
  const links = kept
    .map(({ url }) => new URL(url).pathname)
    .filter((path) => STATION.test(path))
    .map((path) => `<li><a href="${path}">${path.endsWith('bench') ? 'Bench' : 'Log'}</a></li>`);
  const body = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Build Brief</title><h1>The server does not answer</h1>
<p>${links.length > 0 ? 'These work without it; what you do there is kept on this device until it is back.' : 'Open a brief once while it is there: its Bench and Log then work without it.'}</p>
<ul>${links.join('')}</ul></html>`;
  return new Response(body, {
    status: 503,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
    },
  });
}
