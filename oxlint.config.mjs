import { defineConfig } from 'oxlint'

/** An import may only point up the list of rooms; server and web never meet; stand-ins import neither. */
const closed = {
  core: [
    '#contract/*',
    '#ward/*',
    '**/server/**',
    '**/web/**',
    '**/cli/**',
    '**/standins/**',
    'react',
    'react-dom',
    'express',
    'sequelize',
    'node:*',
  ],
  contract: ['#ward/*', '**/server/**', '**/web/**', '**/cli/**', '**/standins/**', 'react', 'express', 'sequelize', 'node:*'],
  ward: ['**/server/**', '**/web/**', '**/cli/**', '**/standins/**', 'react', 'express', 'sequelize', 'node:*'],
  server: ['**/web/**', '**/cli/**', '**/standins/**', 'react', 'react-dom'],
  web: ['**/server/**', '**/cli/**', '**/standins/**', 'express', 'sequelize', 'node:*'],
  cli: ['**/web/**', '**/standins/**', 'react', 'express'],
  standins: ['**/server/**', '**/web/**', '**/cli/**', '#core/*'],
}

export default defineConfig({
  // Types are checked in the same breath: what reads types has read them.
  options: { typeAware: true, typeCheck: true },
  ignorePatterns: ['dist/**', '.data/**'],
  plugins: ['typescript', 'oxc'],
  jsPlugins: ['./scripts/lint/own-rules.mjs'],
  categories: { correctness: 'error' },
  rules: {
    'no-var': 'error',
    'prefer-const': 'error',
    'prefer-rest-params': 'error',
    'prefer-spread': 'error',
    'no-array-constructor': 'error',
    'no-unused-vars': ['error', { ignoreRestSiblings: true }],
    'typescript/ban-ts-comment': 'error',
    'typescript/no-empty-object-type': 'error',
    'typescript/no-explicit-any': 'error',
    'typescript/no-namespace': 'error',
    'typescript/no-require-imports': 'error',
    'typescript/no-unnecessary-type-constraint': 'error',
    'typescript/no-unsafe-function-type': 'error',
    // Harnesses are objects of functions that are taken apart, letters are counted one by one, and lists of words are sorted as words.
    'typescript/unbound-method': 'off',
    'typescript/no-misused-spread': 'off',
    'typescript/require-array-sort-compare': 'off',
    'typescript/no-base-to-string': 'off',
    'typescript/no-redundant-type-constituents': 'off',
  },
  overrides: [
    {
      files: ['src/**'],
      rules: {
        'typescript/no-floating-promises': 'error',
        'typescript/no-misused-promises': ['error', { checksVoidReturn: { attributes: false, arguments: false } }],
        'typescript/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
        'typescript/consistent-type-imports': 'error',
        'no-console': 'error',
      },
    },
    ...Object.entries(closed).map(([room, patterns]) => ({
      files: [`src/${room}/**`],
      rules: {
        'no-restricted-imports': [
          'error',
          { patterns: [{ group: patterns, message: `The room "${room}" may not import this: imports only point up the list of rooms.` }] },
        ],
      },
    })),
    {
      files: ['src/core/**'],
      rules: {
        'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'performance'],
        'no-restricted-properties': [
          'error',
          { object: 'Math', property: 'random', message: 'Core takes a seed instead.' },
          { object: 'Date', property: 'now', message: 'Core takes the time instead.' },
        ],
      },
    },
    { files: ['src/server/**'], rules: { 'own/no-untyped-query': 'error', 'own/no-sync': 'error' } },
    { files: ['src/contract/events/**'], rules: { 'own/declared-fold': 'error' } },
    {
      files: ['src/web/**'],
      plugins: ['typescript', 'oxc', 'react'],
      rules: {
        'react/rules-of-hooks': 'error',
        'react/exhaustive-deps': 'error',
        'no-restricted-globals': ['error', 'localStorage', 'sessionStorage'],
      },
    },
    {
      files: ['src/**'],
      // Techniques and their families, the rules that say which decisions they bear on, what is listed as stock, examples and demo stories.
      excludeFiles: [
        'src/core/figures/body/measurements/**',
        'src/core/planner/slow-outcome.ts',
        'src/core/techniques/**',
        'src/core/rules/**',
        'src/core/catalogue/**',
        'src/core/practice/**',
        'src/contract/events/**/*.ts',
        'src/server/demo/**',
        'src/web/lane/overlays/**',
      ],
      rules: { 'own/no-foreign-id': 'error' },
    },
    { files: ['tests/**'], rules: { 'no-unused-expressions': 'off' } },
  ],
})
