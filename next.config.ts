import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  serverExternalPackages: ['@electric-sql/pglite', 'pg'],
  outputFileTracingIncludes: { '/*': ['./src/db/migrations/**/*'] },
  typedRoutes: false,
  // Types are checked by `npm test`, once.
  typescript: { ignoreBuildErrors: true },
};

export default config;
