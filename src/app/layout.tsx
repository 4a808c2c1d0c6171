import '@fontsource-variable/fraunces/index.css';
import '@fontsource-variable/source-sans-3/index.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/Providers';

export const metadata: Metadata = { title: { default: 'Kevlo', template: '%s · Kevlo' }, robots: 'noindex' };
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en">
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
