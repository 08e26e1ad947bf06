import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';

const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
    },
  ],
};
const moduleNameMapper = {
  '\\.module\\.css$': '<rootDir>/tests/classNames.ts',
  '\\.css$': '<rootDir>/tests/empty.ts',
  '^@/(.*)$': '<rootDir>/src/$1',
  '^server-only$': '<rootDir>/tests/empty.ts',
};
const esm = '(d3-.*|internmap|pure-rand|@seriousme/openapi-schema-validator)';
/**
 * Globals that the code under test asks for all the time. Jest answers each through a proxy, which made up a
 * third of a test of the database; these are handed to every module instead. None of them is ever faked
 * (the clock’s are, and stay where they are).
 */
const sandboxInjectedGlobals = (
  'Object Array Math Number String Boolean Symbol JSON Reflect BigInt Map Set WeakMap Promise Error TypeError ' +
  'RangeError RegExp Uint8Array Int8Array Uint16Array Int16Array Uint32Array Int32Array Float32Array Float64Array ' +
  'ArrayBuffer DataView parseInt parseFloat isNaN isFinite'
).split(' ');
const shared = {
  sandboxInjectedGlobals,
  transform: { ...transform, '^.+\\.m?js$': transform['^.+\\.tsx?$'] },
  transformIgnorePatterns: [`/node_modules/(?!${esm}/)`],
  moduleNameMapper,
};

/**
 * Integration tests that run in one program in a whole test (`GROUPED`), which loads it once for all of a group; by
 * itself each of them runs alone.
 */
const GROUPS = JSON.parse(
  readFileSync(new URL('tests/integration/together/groups.json', import.meta.url), 'utf8'),
);
const apart = process.env.GROUPED
  ? Object.values(GROUPS)
      .flat()
      .map((name) => `<rootDir>/tests/integration/${name}.test.ts`)
  : ['<rootDir>/tests/integration/together/'];

/** Integration tests that say the same of both engines. */
const BOTH_ENGINES = ['access', 'database', 'live', 'nose', 'replaces', 'strip', 'writes'];
/** `npm test` starts a PostgreSQL server and names it; without one everything runs on the embedded engine. */
const isServerThere = Boolean(process.env.TEST_PG);
const ON_SERVER = '<rootDir>/tests/integration/together/onServer.test.ts';
/** Those that run on a server: one program for the most of them in a whole test. */
const onServer = BOTH_ENGINES.filter(
  (name) => !process.env.GROUPED || !GROUPS.onServer.includes(name),
).map((name) => `<rootDir>/tests/integration/${name}.test.ts`);

/** @type {import('jest').Config} */
const config = {
  // A slow machine opens a database in many seconds; no test is a test of time.
  testTimeout: 300_000,
  // A test that copies or kills waits for another thread half its time: three workers keep two cores at work.
  maxWorkers: Math.ceil(1.5 * availableParallelism()),
  testSequencer: '<rootDir>/tests/support/longestFirst.mjs',
  globalTeardown: '<rootDir>/tests/support/sweep.mjs',
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testEnvironment: 'node',
      testMatch: [
        '<rootDir>/src/**/*.test.ts',
        '<rootDir>/tests/golden/**/*.test.ts',
        '<rootDir>/tests/integration/**/*.test.ts',
        '<rootDir>/tests/journeys/**/*.test.ts',
        '<rootDir>/scripts/**/*.test.mjs',
        // What needs a program of its own beside it: `npm run drill -- spreadsheet`.
        ...(process.env.DRILL_TESTS ? ['<rootDir>/tests/drills/**/*.test.ts'] : []),
      ],
      testPathIgnorePatterns: ['/node_modules/', ...apart, ON_SERVER],
      setupFiles: ['<rootDir>/tests/support/embedded.ts'],
    },
    ...(isServerThere
      ? [
          {
            ...shared,
            displayName: 'server',
            testEnvironment: 'node',
            testMatch: [
              ...onServer,
              ...(process.env.GROUPED ? [ON_SERVER] : []),
              // The built application, twice, on one server.
              '<rootDir>/tests/servers/**/*.test.ts',
            ],
          },
        ]
      : []),
    {
      ...shared,
      displayName: 'dom',
      // The icons have one of the name.
      sandboxInjectedGlobals: sandboxInjectedGlobals.filter((name) => name !== 'Map'),
      testEnvironment: 'jsdom',
      setupFilesAfterEnv: ['<rootDir>/tests/support/dom.ts'],
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
    },
  ],
};

export default config;
