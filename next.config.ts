import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Their files must be found where npm put them, not inside a bundle.
  serverExternalPackages: ['puppeteer-core', 'esbuild', 'pngjs', 'pino'],
  redirects: async () => [{ source: '/', destination: '/form', permanent: false }],
  experimental: { turbopackFileSystemCacheForBuild: false },
};

export default config;
