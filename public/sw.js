// Service worker of the maker's page: opens it without a connection once it was opened with one, and keeps nothing else. The page is
// asked for anew whenever there is a connection; what belongs to it (script, fonts, pictures) is kept under names that never change.
// Each page (one link) has a store of its own, which goes when the link does.

/** How long a page may take before the kept one is shown, ms. */
const PATIENCE_MS = 4000;

const storeOf = (url) => `kevlo-maker ${new URL(url).pathname}`;
/** All pages of one link: when it ends they go together. */
const linkOf = (url) => new URL(url).pathname.split('/').slice(0, 3).join('/');
const isPage = (request) => request.mode === 'navigate';
/** Named by their content, or by an id that is never given twice. */
const isLasting = ({ pathname }) => pathname.startsWith('/_next/static/') || /^\/api\/m\/[^/]+\/photos\//.test(pathname) || pathname.startsWith('/icons/'); // prettier-ignore

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (isPage(request)) event.respondWith(pageFor(request, event));
  else if (isLasting(url)) event.respondWith(lasting(request));
});

async function pageFor(request, event) {
  const store = await caches.open(storeOf(request.url));
  const fresh = fetch(request).then(async (answer) => {
    if (answer.ok) await store.put(request.url, answer.clone());
    // The link was ended, or given anew: this device keeps nothing of it.
    else if (answer.status === 404 || answer.status === 410) await forget(linkOf(request.url));
    return answer;
  });
  event.waitUntil(fresh.catch(() => undefined));
  const kept = await store.match(request.url);
  if (!kept) return fresh;
  const late = new Promise((resolve) => setTimeout(() => resolve(kept), PATIENCE_MS));
  // A server that is down, or a wrong door in between, is no reason to show nothing.
  const sound = fresh.then(
    (answer) => (answer.status >= 500 ? kept : answer),
    () => kept,
  );
  return Promise.race([sound, late]);
}

async function forget(link) {
  for (const name of await caches.keys())
    if (name === `kevlo-maker ${link}` || name.startsWith(`kevlo-maker ${link}/`)) await caches.delete(name);
}

async function lasting(request) {
  const kept = await caches.match(request);
  return kept ?? fetch(request);
}

// The page says what belongs to it, once it has all: that is kept, and what an older version of it kept goes.
self.addEventListener('message', (event) => {
  const { kind, page, parts } = event.data ?? {};
  if (kind === 'keep')
    event.waitUntil(keep(page, parts).then(() => event.source?.postMessage({ kind: 'kept', page })));
});

async function keep(page, parts) {
  const store = await caches.open(storeOf(page));
  const wanted = new Set([page, ...parts]);
  await Promise.all(
    [...wanted].map(async (url) => {
      if (await store.match(url)) return;
      const answer = await fetch(url).catch(() => undefined);
      if (answer?.ok) await store.put(url, answer);
    }),
  );
  for (const { url } of await store.keys()) if (!wanted.has(url)) await store.delete(url);
}
