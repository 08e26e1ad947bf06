/**
 * The table of rooms as rules: what may import what. `npm test` runs it; the count of
 * forbidden imports stays at zero.
 */
const core = (room) => `^src/core/${room}/`;

/** A room of the core and the only rooms of the core that it may import. */
const CORE_ROOMS = {
  access: [],
  calendar: [],
  remember: [],
  expected: [],
  units: [],
  numeric: ['units'],
  readings: ['units', 'numeric'],
  harmonics: ['readings', 'numeric', 'units'],
  verdict: ['units'],
  runout: ['harmonics', 'numeric', 'readings', 'units', 'verdict'],
  thickness: ['harmonics', 'numeric', 'readings', 'runout', 'units', 'verdict'],
  indexing: ['harmonics', 'numeric', 'readings', 'runout', 'units', 'verdict'],
  plate: ['harmonics', 'indexing', 'numeric', 'units'],
  quality: ['harmonics', 'numeric', 'readings', 'runout', 'thickness', 'units', 'verdict'],
  gauges: ['units'],
  wear: ['numeric', 'units'],
  roadtest: ['expected', 'numeric', 'units'],
  diagnosis: ['readings'],
  procedure: ['diagnosis', 'readings', 'units'],
  drawing: [],
  insights: [],
  torque: ['units'],
  assessment: [
    'diagnosis',
    'harmonics',
    'indexing',
    'machining',
    'numeric',
    'plate',
    'quality',
    'readings',
    'roadtest',
    'runout',
    'thickness',
    'units',
    'verdict',
  ],
  sheets: ['assessment', 'procedure', 'readings', 'torque', 'units'],
  exchange: ['assessment', 'expected', 'readings', 'units', 'verdict'],
  bedding: ['units'],
  drum: ['numeric', 'units', 'verdict'],
  wheels: ['readings', 'units'],
  corner: ['procedure', 'torque'],
  machining: ['numeric', 'readings', 'thickness', 'units', 'verdict'],
  options: [
    'remember',
    'assessment',
    'indexing',
    'machining',
    'numeric',
    'plate',
    'quality',
    'readings',
    'thickness',
    'units',
    'verdict',
    'wear',
  ],
};

const roomRules = Object.entries(CORE_ROOMS).map(([room, allowed]) => ({
  name: `core-${room}`,
  severity: 'error',
  comment: `src/core/${room} may import ${allowed.join(', ') || 'no other room'}`,
  from: { path: core(room), pathNot: '\\.test\\.ts$' },
  to: { path: '^src/core/', pathNot: `^src/core/(${[room, ...allowed].join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...roomRules,
    {
      name: 'core-doors',
      severity: 'error',
      comment: 'A room of the core is entered by its index.ts',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: '^src/core/[^/]+/',
        pathNot: '^src/core/$1/|^src/core/[^/]+/index\\.ts$|\\.json$',
      },
    },
    {
      name: 'core-doors-from-outside',
      severity: 'error',
      comment: 'A room of the core is entered by its index.ts',
      from: { path: '^src/(?!core/)' },
      to: { path: '^src/core/[^/]+/(?!index\\.ts$)' },
    },
    {
      name: 'job-is-on-top',
      severity: 'error',
      comment: 'The job rests on the other rooms of the core; none of them knows it',
      from: { path: '^src/core/(?!(job|bench|practiceJob)/)' },
      to: { path: '^src/core/job/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment:
        'The core knows no React, Next, database, Node or browser API; its packages are named',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^(src/core/|node_modules/(zod|ml-matrix|d3-array|d3-random|pure-rand|@types/d3-array|@types/d3-random|fft\\.js|d3-dsv|@types/d3-dsv|d3-shape|@types/d3-shape|dayjs)/)',
      },
    },
    {
      name: 'zod-only-in-contracts',
      severity: 'error',
      comment: 'What is kept of a case stands beside its codes: no page but practice loads them',
      from: { path: '^src/core/', pathNot: '^src/core/(contracts/|practice/kept\\.ts$)' },
      to: { path: 'node_modules/zod/' },
    },
    {
      name: 'bench-is-not-imported',
      severity: 'error',
      from: {
        path: '^src/core/',
        pathNot: '^src/core/(bench|practice|practiceJob)/|\\.test\\.ts$',
      },
      to: { path: '^src/core/bench/' },
    },
    {
      name: 'db-stays-low',
      severity: 'error',
      from: { path: '^src/db/' },
      to: { path: '^src/(server|features|ui|app|cli|workers)/' },
    },
    {
      name: 'driver-only-in-client',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/db/(client|connect/.*|durableFs)\\.ts$|\\.test\\.ts$' },
      to: { path: 'node_modules/(@electric-sql|pg)/' },
    },
    {
      name: 'server-stays-below-screens',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(features|ui|app|cli)/' },
    },
    {
      name: 'ui-is-shared-parts',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: {
        path: '^src/(db|server|features|app|cli)/|^src/core/(?!(units|harmonics|verdict|indexing|readings|numeric|procedure|gauges|drawing|corner)/)',
      },
    },
    {
      name: 'features-do-not-import-each-other',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'only-actions-import-server',
      severity: 'error',
      from: { path: '^src/features/', pathNot: '/actions\\.ts$' },
      to: { path: '^src/(server|db)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
