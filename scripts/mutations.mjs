// Which single changes of a source turn a rule into another one.
import ts from 'typescript'

const swapped = new Map([
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
])
const otherCall = { some: 'every', every: 'some', find: 'findLast', findLast: 'find' }

/**
 * Every change that can be made to a source, one place each: a comparison, an "and", a "not", a figure, a word of a list, a branch.
 * @returns places in the text, what stands there, and what it becomes
 */
export function mutationsOf(text) {
  const source = ts.createSourceFile('source.ts', text, ts.ScriptTarget.Latest, true)
  const found = []
  const add = (node, becomes, from = node.getStart(source), to = node.getEnd()) => {
    const was = text.slice(from, to)
    found.push({ from, to, was: was.replace(/\s+/g, ' ').slice(0, 70), becomes, line: source.getLineAndCharacterOfPosition(from).line + 1 })
  }
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node) || ts.isTypeNode(node)) return
    if (ts.isBinaryExpression(node)) {
      const other = swapped.get(node.operatorToken.kind)
      if (other) add(node.operatorToken, other)
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken) {
      add(node, text.slice(node.operand.getStart(source), node.operand.getEnd()))
    } else if (ts.isNumericLiteral(node)) {
      add(node, String(Number(node.text) + 1))
    } else if (node.kind === ts.SyntaxKind.TrueKeyword) {
      add(node, 'false')
    } else if (node.kind === ts.SyntaxKind.FalseKeyword) {
      add(node, 'true')
    } else if (ts.isConditionalExpression(node)) {
      const [yes, no] = [node.whenTrue, node.whenFalse].map((branch) => text.slice(branch.getStart(source), branch.getEnd()))
      add(node, `${no} : ${yes}`, node.whenTrue.getStart(source))
    } else if (ts.isArrayLiteralExpression(node) && node.elements.length > 1 && node.elements.every(ts.isStringLiteral)) {
      const [first, second] = node.elements
      add(first, '', first.getStart(source), second.getStart(source))
    } else if (ts.isPropertyAccessExpression(node) && ts.isCallExpression(node.parent) && node.parent.expression === node) {
      const other = otherCall[node.name.text]
      if (other) add(node.name, other)
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}
