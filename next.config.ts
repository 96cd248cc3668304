import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // Types are checked by `npm run types`, with the native compiler, before every build in ./test.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['@napi-rs/canvas', 'sharp', '@react-pdf/renderer', 'pg'],
  compress: false,
  experimental: { serverActions: { bodySizeLimit: '32mb' }, proxyClientMaxBodySize: '32mb' },
};

export default config;
