import type { NextConfig } from 'next';

import { STRICT_HEADERS } from './src/server/web/gate';

const config: NextConfig = {
  // The router’s own redirect goes out before the proxy and without its headers.
  skipTrailingSlashRedirect: true,
  // The proxy sets them on what it lets through; what the router answers itself has them from here.
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: Object.entries(STRICT_HEADERS).map(([key, value]) => ({ key, value })),
      },
    ]),
  poweredByHeader: false,
  // Bootstrap 5 is written in the older form of the language; what it does not use yet is not told at each build.
  sassOptions: {
    quietDeps: true,
    silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
  },
  serverExternalPackages: ['@electric-sql/pglite', 'pg', 'esbuild'],
  outputFileTracingIncludes: {
    '/*': ['./src/db/migrations/**/*', './src/server/records/backup/file*.ts'],
  },
  // A page loads the styles of what it shows, and of no other feature.
  experimental: {
    cssChunking: { type: 'graph', requestCost: 1000 },
    // A build is made once for its sources; writing a cache that nobody reads takes a sixth of its time.
    turbopackFileSystemCacheForBuild: false,
    // A page is loaded when it is first asked for: all of them at once kept a server that just started from
    // answering for seconds, after a kill too.
    preloadEntriesOnStart: false,
    // What stays on the server is read by this machine alone: it is not made small.
    serverMinification: false,
  },
  typedRoutes: false,
  // Types are checked by `npm test`, once.
  typescript: { ignoreBuildErrors: true },
};

export default config;
