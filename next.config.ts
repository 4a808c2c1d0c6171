import type { NextConfig } from 'next';

const config: NextConfig = {
  // Tests build into a folder of their own, so that they can run while the application runs.
  distDir: process.env.KEVLO_DIST ?? '.next',
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ['@node-rs/argon2', 'postgres', 'pino'],
  turbopack: { root: import.meta.dirname },
  devIndicators: false,
  // `./kevlo test` checks types and lint on their own.
  typescript: { ignoreBuildErrors: true },
};

export default config;
