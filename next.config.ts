import type { NextConfig } from 'next';

const headers = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'same-origin' },
];

const config: NextConfig = {
  poweredByHeader: false,
  serverExternalPackages: ['sharp', 'pg', 'graphile-worker', '@node-rs/argon2', 'yauzl', 'css-tree'],
  experimental: { serverActions: { bodySizeLimit: '64mb' } },
  headers: async () => [{ source: '/:path*', headers }],
};

export default config;
