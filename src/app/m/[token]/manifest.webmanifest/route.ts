import { isToken } from '@/server/accounts';

/** What a phone needs to put a maker's page on its first screen; it opens that maker's own link. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  if (!isToken(token)) return new Response('', { status: 404 });
  const manifest = {
    name: 'My sewing',
    short_name: 'My sewing',
    id: `/m/${token}`,
    start_url: `/m/${token}`,
    scope: `/m/${token}`,
    display: 'standalone',
    background_color: '#f4efe4',
    theme_color: '#f4efe4',
    icons: [
      { src: '/icons/patch-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/patch-512.png', sizes: '512x512', type: 'image/png' },
    ],
  };
  const headers = { 'content-type': 'application/manifest+json', 'cache-control': 'private, no-store' };
  return new Response(JSON.stringify(manifest), { headers });
}
