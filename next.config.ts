import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Their files must be found where npm put them, not inside a bundle.
  serverExternalPackages: ['puppeteer-core', 'esbuild', 'pngjs', 'pino', '@homebridge/dbus-native'],
  redirects: async () => [
    { source: '/', destination: '/form', permanent: false },
    // Some browsers ask for it before they have read which icon the page names.
    { source: '/favicon.ico', destination: '/icon.svg', permanent: true },
  ],
  // The icon stands in the first bytes of every page: streamed later, a browser may have asked for /favicon.ico before.
  htmlLimitedBots: /.*/,
  experimental: {
    turbopackFileSystemCacheForBuild: false,
    // These do not say that their parts stand alone; without this, the whole of each comes with any part of it.
    optimizePackageImports: ['@rc-component/form', '@rc-component/util'],
  },
};

export default config;
