import nextVitals from 'eslint-config-next/core-web-vitals';

/** The rules of a set that say something of components. */
const rulesOf = (set) =>
  Object.keys(Object.assign({}, ...set.map(({ rules }) => rules))).filter((name) =>
    name.startsWith('react-hooks/'),
  );

/**
 * The rules of the component compiler, which each file is put through for them: most of the linter’s time. The two
 * rules of hooks that are older do without.
 */
const COMPILER_RULES = rulesOf(nextVitals).filter(
  (name) => !['react-hooks/rules-of-hooks', 'react-hooks/exhaustive-deps'].includes(name),
);

// What is asked of components and pages alone. The rules of the language, with types and without, are asked of every
// file by another linter, which takes a tenth of the time for them: `.oxlintrc.json`.
const config = [
  {
    ignores: [
      '.next/**',
      '.next-cli/**',
      'data/**',
      'demo-data/**',
      'next-env.d.ts',
      'test-results/**',
      // No component or hook is here.
      'src/{cli,core,db,server,workers}/**/*.{ts,mjs}',
      '{bench,drill,scripts,tests}/**/*.{ts,mjs}',
      'src/**/*.test.ts',
    ],
  },
  ...nextVitals,
  {
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.name='dynamic'][arguments.length=1]",
          message:
            'Say what is shown meanwhile (`loading`): without it the whole page waits for the file, and loses what is typed until it is there.',
        },
      ],
    },
  },
  {
    // A test's components live for the test.
    files: ['src/**/*.test.tsx'],
    rules: Object.fromEntries(COMPILER_RULES.map((name) => [name, 'off'])),
  },
];

export default config;
