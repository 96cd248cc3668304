import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // Types are checked by `npm run types`, with the native compiler, before every build in ./test.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['sharp', '@react-pdf/renderer', 'pg'],
  experimental: { serverActions: { bodySizeLimit: '10mb' } },
};

export default config;
