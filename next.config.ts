import type { NextConfig } from 'next';

/** For every answer. Makers' links carry a secret in their path: no referrer may carry it on. */
const HEADERS = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'x-frame-options', value: 'DENY' },
  { key: 'referrer-policy', value: 'no-referrer' },
  { key: 'permissions-policy', value: 'camera=(self), microphone=(), geolocation=()' },
  { key: 'cross-origin-opener-policy', value: 'same-origin' },
  { key: 'cross-origin-resource-policy', value: 'same-origin' },
];

const config: NextConfig = {
  // Tests build into a folder of their own, so that they can run while the application runs.
  distDir: process.env.KEVLO_DIST ?? '.next',
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: [
    '@node-rs/argon2',
    'postgres',
    'pino',
    'pdfkit',
    'sharp',
    'piscina',
    'pino-roll',
    'rate-limiter-flexible',
  ],
  turbopack: { root: import.meta.dirname },
  devIndicators: false,
  // Pictures are private: none goes through an optimiser with a store of its own.
  images: { unoptimized: true },
  headers: async () => [
    { source: '/:path*', headers: HEADERS },
    { source: '/api/:path*', headers: [{ key: 'content-security-policy', value: "default-src 'none'" }] },
  ],
  // `./kevlo test` checks types and lint on their own.
  typescript: { ignoreBuildErrors: true },
};

export default config;
