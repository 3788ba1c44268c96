import type { NextConfig } from 'next';
import { fileURLToPath } from 'node:url';

const config: NextConfig = {
  distDir: process.env.UNDREL_DIST ?? '.next',
  poweredByHeader: false,
  transpilePackages: ['@undrel/core'],
  serverExternalPackages: ['pg', '@node-rs/argon2', 'node-pg-migrate', '@react-pdf/renderer'],
  turbopack: { root: fileURLToPath(new URL('..', import.meta.url)) },
  experimental: {
    optimizePackageImports: ['radix-ui'],
    serverActions: { bodySizeLimit: '2mb' },
  },
  typescript: { ignoreBuildErrors: true },
};

export default config;
