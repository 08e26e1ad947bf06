import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';

/** Rules of a set by whose they are. */
const rulesOf = (set, isTheirs) =>
  Object.keys(Object.assign({}, ...set.map(({ rules }) => rules))).filter(isTheirs);
/** What asks about components: it reads every file as one, half of the linter’s time. */
const COMPONENT_RULES = rulesOf([...nextVitals, ...nextTypescript], (name) =>
  /^(react|react-hooks|jsx-a11y)\//.test(name),
);

/**
 * The rules of the component compiler, which each file is put through for them: a third of the linter’s time. The two
 * rules of hooks that are older do without.
 */
const COMPILER_RULES = COMPONENT_RULES.filter(
  (name) =>
    name.startsWith('react-hooks/') &&
    !['react-hooks/rules-of-hooks', 'react-hooks/exhaustive-deps'].includes(name),
);

// What needs types is asked by another linter, which has them in a tenth of the time: `.oxlintrc.json`.
const config = [
  {
    ignores: [
      '.next/**',
      '.next-cli/**',
      'data/**',
      'demo-data/**',
      'next-env.d.ts',
      'test-results/**',
    ],
  },
  ...nextVitals,
  ...nextTypescript,
  {
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      eqeqeq: 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.name='dynamic'][arguments.length=1]",
          message:
            'Say what is shown meanwhile (`loading`): without it the whole page waits for the file, and loses what is typed until it is there.',
        },
      ],
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'Take `@/ui/Link`, which fetches nothing ahead.' },
      ],
      'no-console': 'error',
    },
  },
  {
    // No component or hook is here.
    files: [
      'src/{cli,core,db,server,workers}/**',
      '{bench,drill,scripts,tests}/**',
      'src/**/*.test.ts',
    ],
    ignores: ['**/*.tsx'],
    rules: Object.fromEntries(COMPONENT_RULES.map((name) => [name, 'off'])),
  },
  {
    // A test's components live for the test.
    files: ['src/**/*.test.tsx'],
    rules: Object.fromEntries(COMPILER_RULES.map((name) => [name, 'off'])),
  },
  {
    files: ['src/ui/Link.tsx', 'src/ui/LinkPending.tsx'],
    rules: { 'no-restricted-imports': 'off' },
  },
  // A function is read in one look; a screen's parts have names.
  {
    files: ['src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 60 }] },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['**/*.test.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 150 }] },
  },
  { files: ['scripts/**', 'src/cli/**', 'bench/**', 'drill/**'], rules: { 'no-console': 'off' } },
];

export default config;
