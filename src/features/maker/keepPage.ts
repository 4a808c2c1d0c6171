/** Parts are looked for when the page has had this long to load them, ms. */
const SETTLE_MS = 1000;

/**
 * Keeps the page on the device, so that it opens without a connection: the service worker is told what belongs to it.
 * Parts that are loaded only when they are opened are loaded now, once nothing else is waited for.
 * @param loadRest loads what the page has not needed yet
 * @param onKept told when the page is kept; never where the browser keeps none (plain http, private windows)
 * @returns ends it
 */
export function keepPage(loadRest: () => Promise<unknown>, onKept: () => void): () => void {
  const { serviceWorker } = navigator;
  if (!serviceWorker) return () => undefined;
  let isGone = false;
  const hear = ({ data }: MessageEvent) => {
    const { kind, page } = (data ?? {}) as { kind?: string; page?: string };
    if (kind === 'kept' && page === thisPage()) onKept();
  };
  serviceWorker.addEventListener('message', hear);
  const keep = async () => {
    await serviceWorker.register('/sw.js', { scope: '/m/' });
    const { active } = await serviceWorker.ready;
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
    await loadRest();
    if (!isGone) active?.postMessage({ kind: 'keep', page: thisPage(), parts: partsOfPage() });
  };
  // Without it the page works as long as there is a connection.
  keep().catch(() => undefined);
  return () => {
    isGone = true;
    serviceWorker.removeEventListener('message', hear);
  };
}

/** Address of the page without a place in it: stores know no places. */
const thisPage = () => window.location.href.replace(/#.*$/, '');

/** Script, styles, fonts and pictures of the page that are named by their content. */
function partsOfPage(): string[] {
  const own = performance.getEntriesByType('resource').map(({ name }) => new URL(name));
  const lasting = own.filter(({ origin, pathname }) => origin === window.location.origin && /^\/(_next\/static|icons|api\/m\/[^/]+\/photos)\//.test(pathname)); // prettier-ignore
  return [...new Set(lasting.map(({ href }) => href))];
}
