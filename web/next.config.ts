import type { NextConfig } from 'next';
import { fileURLToPath } from 'node:url';

const config: NextConfig = {
  distDir: process.env.UNDREL_DIST ?? '.next',
  poweredByHeader: false,
  transpilePackages: ['@undrel/core'],
  serverExternalPackages: ['pg', '@node-rs/argon2', 'node-pg-migrate', 'piscina'],
  turbopack: { root: fileURLToPath(new URL('..', import.meta.url)) },
  experimental: {
    // Writing it takes longer than a whole build saves by it.
    turbopackFileSystemCacheForBuild: false,
    // Read while developing alone: the server is not started with them, and browsers are sent none.
    turbopackSourceMaps: process.env.NODE_ENV !== 'production',
    optimizePackageImports: ['radix-ui'],
    serverActions: { bodySizeLimit: '2mb' },
  },
  // Answers for programs: not kept by caches, and what they hold is taken for nothing else. Pages get theirs in guards.mjs.
  headers: async () => [
    {
      source: '/:path*',
      headers: [{ key: 'x-content-type-options', value: 'nosniff' }],
    },
    {
      source: '/api/:path*',
      headers: [
        { key: 'cache-control', value: 'no-store' },
        { key: 'content-security-policy', value: "default-src 'none'; frame-ancestors 'self'" },
        { key: 'referrer-policy', value: 'same-origin' },
        { key: 'cross-origin-opener-policy', value: 'same-origin' },
      ],
    },
    {
      source: '/api/:path*',
      has: [{ type: 'header', key: 'x-forwarded-proto', value: 'https' }],
      headers: [{ key: 'strict-transport-security', value: 'max-age=31536000' }],
    },
  ],
  typescript: { ignoreBuildErrors: true },
};

export default config;
