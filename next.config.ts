import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // Types are checked by `npm run types`, with the native compiler, before every build in ./test.
  typescript: { ignoreBuildErrors: true },
  // The server loads these once; bundled, each of some twenty bundles would hold a copy of its own in memory.
  serverExternalPackages: [
    '@napi-rs/canvas',
    '@react-pdf/renderer',
    'clipper2-ts',
    'exif-reader',
    'heic-decode',
    'munsell',
    'pg',
    'sharp',
    'temporal-polyfill',
    'zod',
  ],
  compress: false,
  experimental: {
    // What every evening needs is loaded before the door opens (src/serve/warm-up.ts), the rest when it is asked for.
    preloadEntriesOnStart: false,
    serverActions: { bodySizeLimit: '32mb' },
    proxyClientMaxBodySize: '32mb',
  },
};

export default config;
