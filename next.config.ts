import type { NextConfig } from 'next';

const headers = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=(), payment=(), usb=()' },
];

const config: NextConfig = {
  poweredByHeader: false,
  // What Node loads as it is: what holds compiled code or starts threads, and what is large and gains nothing from being
  // put together anew, which took a fifth of a build.
  serverExternalPackages: [
    'sharp',
    'pg',
    'graphile-worker',
    '@node-rs/argon2',
    'yauzl',
    'css-tree',
    'exifr',
    'exiftool-vendored',
    'esbuild',
    'piscina',
    '@tus/server',
    '@tus/file-store',
    '@tensorflow/tfjs-core',
    'better-auth',
    'css-select',
    'csv-parse',
    'csv-stringify',
    'diff',
    'drizzle-orm',
    'fast-xml-parser',
    'file-type',
    'ics',
    'joi',
    'parse5',
    'spdx-license-ids',
    'undici',
  ],
  // A page comes with its title, to every reader: sent behind the rest, it is missing where a screen reader says it first.
  htmlLimitedBots: /.*/,
  // Types have a step of their own in `bin/test`, and whoever only starts Ibidem need not wait a minute for them.
  typescript: { ignoreBuildErrors: true },
  experimental: {
    serverActions: { bodySizeLimit: '64mb' },
    // Both take a quarter of a first build, and 200 MB: they serve whoever builds again and again, and nobody reads the maps.
    turbopackFileSystemCacheForBuild: false,
    turbopackSourceMaps: false,
  },
  headers: async () => [
    { source: '/:path*', headers },
    // A proof stands in a frame of Ibidem's own; its answer says itself who may frame it.
    { source: '/((?!proof/).*)', headers: [{ key: 'X-Frame-Options', value: 'DENY' }] },
  ],
};

export default config;
