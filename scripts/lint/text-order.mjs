// Times are texts on the wire; as texts they sort wrongly as soon as their offsets or their precision differ. No linter asks for types here.
import { isBinaryExpression, isCallExpression, isPropertyAccessExpression, SyntaxKind } from 'typescript-7/unstable/ast'
import { API, TypeFlags } from 'typescript-7/unstable/sync'
import { join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../..', import.meta.url))
const orders = [SyntaxKind.LessThanToken, SyntaxKind.GreaterThanToken, SyntaxKind.LessThanEqualsToken, SyntaxKind.GreaterThanEqualsToken]
const namesTime = /(\.|\b)(at|\w+At|on|\w+On)\b/

const api = new API({ cwd: root })
const [project] = api.updateSnapshot({ openProjects: [join(root, 'tsconfig.json')] }).getProjects()
const sources = project.program.getSourceFileNames().filter((name) => name.startsWith(join(root, 'src') + sep))
const faults = sources.flatMap((name) => {
  const source = project.program.getSourceFile(name)
  return textsInOrder(source).map((node) => {
    const line = source.text.slice(0, node.getStart(source)).split('\n').length
    return `${relative(root, name)}:${line} ${node.getText(source)}: compare instants and days as such (Date.parse), never as text.`
  })
})
api.close()
if (sources.length === 0) faults.push('No source was read.')
console.log(faults.join('\n'))
process.exit(faults.length > 0 ? 1 : 0)

/** What is put in order as text in a file: sides of a comparison that are texts, and times by localeCompare. */
function textsInOrder(source) {
  const sides = []
  const times = []
  const visit = (node) => {
    if (isBinaryExpression(node) && orders.includes(node.operatorToken.kind)) sides.push(node.left, node.right)
    if (isCallExpression(node) && isPropertyAccessExpression(node.expression) && node.expression.name.text === 'localeCompare') {
      if (namesTime.test(node.expression.expression.getText(source))) times.push(node)
    }
    node.forEachChild(visit)
  }
  source.forEachChild(visit)
  const types = sides.length > 0 ? project.checker.getTypeAtLocation(sides) : []
  return [...sides.filter((_, index) => isText(types[index])), ...times]
}

function isText(type) {
  return (type.isUnionType() ? type.getTypes() : [type]).some((one) => (one.flags & TypeFlags.StringLike) !== 0)
}
