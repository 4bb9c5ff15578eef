import { existsSync, readdirSync, readFileSync } from 'node:fs'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript'
import tseslint from 'typescript-eslint'

/** An import may only point up the list of rooms; server and web never meet; stand-ins import neither. */
const closed = {
  core: ['#contract/*', '**/server/**', '**/web/**', '**/cli/**', '**/standins/**', 'react', 'react-dom', 'express', 'sequelize', 'node:*'],
  contract: ['**/server/**', '**/web/**', '**/cli/**', '**/standins/**', 'react', 'express', 'sequelize', 'node:*'],
  server: ['**/web/**', '**/cli/**', '**/standins/**', 'react', 'react-dom'],
  web: ['**/server/**', '**/cli/**', '**/standins/**', 'express', 'sequelize', 'node:*'],
  cli: ['**/web/**', '**/standins/**', 'react', 'express'],
  standins: ['**/server/**', '**/web/**', '**/cli/**', '#core/*'],
}

/** Times are texts on the wire; as texts they sort wrongly as soon as their offsets or their precision differ. */
const instants = {
  rules: {
    'no-text-order': {
      meta: { type: 'problem', schema: [] },
      create(context) {
        const services = context.sourceCode.parserServices
        const isText = (node) => {
          const type = services.getTypeAtLocation(node)
          return (type.isUnion() ? type.types : [type]).some((one) => (one.flags & ts.TypeFlags.StringLike) !== 0)
        }
        const report = (node) =>
          context.report({ node, message: 'Texts are put in order here: compare instants and days as such (Date.parse), never as text.' })
        return {
          BinaryExpression(node) {
            if (['<', '>', '<=', '>='].includes(node.operator) && (isText(node.left) || isText(node.right))) report(node)
          },
          CallExpression(node) {
            const { callee } = node
            if (callee.type !== 'MemberExpression' || callee.property.name !== 'localeCompare') return
            if (/(\.|\b)(at|\w+At|on|\w+On)\b/.test(context.sourceCode.getText(callee.object))) report(node)
          },
        }
      },
    },
  },
}

/** Ids of techniques, and those of their decisions that are more than one plain word. */
const techniqueFolder = new URL('./src/core/techniques/', import.meta.url)
const techniqueIds = readdirSync(techniqueFolder).filter((name) => existsSync(new URL(`${name}/decisions.ts`, techniqueFolder)))
const decisionIds = ['shared/decisions.ts', ...techniqueIds.map((id) => `${id}/decisions.ts`)].flatMap((file) =>
  [...readFileSync(new URL(file, techniqueFolder), 'utf8').matchAll(/\b\w+\(\s*'([a-z]+-[a-z-]+)'/g)].map((match) => match[1]),
)
/** The two that are worked out late whatever technique makes them. */
const slowIds = ['peak-skin-temp', 'least-crew']

/** Whoever names a technique or a decision has to be changed with it: the rest of the product reads what they declare. */
const ids = {
  rules: {
    'no-foreign-id': {
      meta: { type: 'problem', schema: [] },
      create(context) {
        const foreign = new Set([...techniqueIds, ...decisionIds.filter((id) => !slowIds.includes(id))])
        return {
          Literal(node) {
            if (!foreign.has(node.value)) return
            context.report({
              node,
              message: `"${node.value}" is known to its technique alone: read what the technique declares (roles, isCast…).`,
            })
          },
        }
      },
    },
  },
}

export default tseslint.config(
  { ignores: ['dist/**', 'node_modules/**', '.data/**'] },
  ...tseslint.configs.recommended.map((config) => ({ ...config, files: ['**/*.ts', '**/*.tsx'] })),
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { instants },
    rules: {
      'instants/no-text-order': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false, arguments: false } }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      'no-console': 'error',
    },
  },
  ...Object.entries(closed).map(([room, patterns]) => ({
    files: [`src/${room}/**/*.ts`, `src/${room}/**/*.tsx`],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: patterns, message: `The room "${room}" may not import this: imports only point up the list of rooms.` }] },
      ],
    },
  })),
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Core takes a seed instead.' },
        { object: 'Date', property: 'now', message: 'Core takes the time instead.' },
      ],
    },
  },
  {
    files: ['src/server/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='query'][callee.object.name='db']:not(:has(Property[key.name='type']))",
          message: 'Raw queries must pass their type: this Sequelize throws with the MariaDB connector otherwise.',
        },
        { selector: "CallExpression[callee.property.name='sync']", message: 'The schema changes by migrations only.' },
      ],
    },
  },
  {
    files: ['src/web/**/*.ts', 'src/web/**/*.tsx'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-globals': ['error', 'localStorage', 'sessionStorage'],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    // Techniques and their families, the rules that say which decisions they bear on, what is listed as stock, examples and demo stories.
    ignores: [
      'src/core/figures/body/measurements/**',
      'src/core/planner/slow-outcome.ts',
      'src/core/techniques/**',
      'src/core/rules/**',
      'src/core/catalogue/**',
      'src/core/practice/**',
      'src/contract/events/*.ts',
      'src/server/demo/**',
      'src/web/lane/overlays/**',
    ],
    plugins: { ids },
    rules: { 'ids/no-foreign-id': 'error' },
  },
  { files: ['tests/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
)
