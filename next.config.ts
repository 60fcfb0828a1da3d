import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Their files must be found where npm put them, not inside a bundle.
  serverExternalPackages: ['puppeteer-core', 'esbuild', 'pngjs', 'pino'],
  redirects: async () => [{ source: '/', destination: '/form', permanent: false }],
  // The icon stands in the first bytes of every page: streamed later, a browser may have asked for /favicon.ico before.
  htmlLimitedBots: /.*/,
  experimental: { turbopackFileSystemCacheForBuild: false },
};

export default config;
