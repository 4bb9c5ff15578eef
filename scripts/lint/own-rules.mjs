// Rules of this house that no linter knows.
import { existsSync, readdirSync, readFileSync } from 'node:fs'

/** Ids of techniques, and those of their decisions that are more than one plain word. */
const techniqueFolder = new URL('../../src/core/techniques/', import.meta.url)
const techniqueIds = readdirSync(techniqueFolder).filter((name) => existsSync(new URL(`${name}/decisions.ts`, techniqueFolder)))
const decisionIds = ['shared/decisions.ts', ...techniqueIds.map((id) => `${id}/decisions.ts`)].flatMap((file) =>
  [...readFileSync(new URL(file, techniqueFolder), 'utf8').matchAll(/\b\w+\(\s*'([a-z]+-[a-z-]+)'/g)].map((match) => match[1]),
)
/** The two that are worked out late whatever technique makes them. */
const slowIds = ['peak-skin-temp', 'least-crew']
const foreign = new Set([...techniqueIds, ...decisionIds.filter((id) => !slowIds.includes(id))])

const problem = (create) => ({ meta: { type: 'problem', schema: [] }, create })
const nameOf = (node) => (node.type === 'MemberExpression' ? node.property.name : undefined)
const hasType = (node) => node?.type === 'ObjectExpression' && node.properties.some((one) => one.key?.name === 'type')

export default {
  meta: { name: 'own' },
  rules: {
    /** Whoever names a technique or a decision has to be changed with it: the rest of the product reads what they declare. */
    'no-foreign-id': problem((context) => ({
      Literal(node) {
        if (!foreign.has(node.value)) return
        context.report({
          node,
          message: `"${node.value}" is known to its technique alone: read what the technique declares (roles, isCast…).`,
        })
      },
    })),
    'no-untyped-query': problem((context) => ({
      CallExpression(node) {
        if (nameOf(node.callee) !== 'query' || node.callee.object.name !== 'db' || node.arguments.some(hasType)) return
        context.report({ node, message: 'Raw queries must pass their type: this Sequelize throws with the MariaDB connector otherwise.' })
      },
    })),
    /** A record that is spread takes any field: only a declared result finds one that no record has. */
    'declared-fold': problem((context) => ({
      Property(node) {
        if (!['fold', 'open'].includes(node.key?.name) || node.value.type !== 'ArrowFunctionExpression' || node.value.returnType) return
        context.report({ node, message: 'A fold declares the record that it returns: a field that no record has would compile otherwise.' })
      },
    })),
    'no-sync': problem((context) => ({
      CallExpression(node) {
        if (nameOf(node.callee) === 'sync') context.report({ node, message: 'The schema changes by migrations only.' })
      },
    })),
  },
}
