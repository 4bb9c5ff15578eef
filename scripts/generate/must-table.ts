import { stepName } from '#core/runs/step-name'
import type { Which } from '#core/model/order-rule'
import { techniques } from '#core/techniques/registry'

const marks = { begin: '<!-- musts: begin -->', end: '<!-- musts: end -->' }

/** The page with the orders that bind as they are today. */
export function withMusts(page: string): string {
  const [head = '', rest = ''] = page.split(marks.begin)
  const [, tail = ''] = rest.split(marks.end)
  return `${head}${marks.begin}\n\n${mustTables()}\n\n${marks.end}${tail}`
}

/** Harm by harm, so that one reason is read once. */
function mustTables(): string {
  return techniques
    .flatMap(({ name, musts }) => {
      const byHarm = grouped(musts)
      const rows = [...byHarm].map(([harm, rules]) => {
        const firsts = [...new Set(rules.map(({ first }) => worded(first)))].join(', ')
        const thens = [...new Set(rules.map(({ then }) => worded(then)))].join(', ')
        return `| ${firsts} | ${thens} | ${harm} |`
      })
      return [`### ${name}`, ['| first | then | crossed |', '|---|---|---|', ...rows].join('\n')]
    })
    .join('\n\n')
}

function grouped<Rule extends { readonly harm: string }>(rules: readonly Rule[]): Map<string, Rule[]> {
  const found = new Map<string, Rule[]>()
  for (const rule of rules) found.set(rule.harm, [...(found.get(rule.harm) ?? []), rule])
  return found
}

function worded(which: Which): string {
  return typeof which === 'string' ? stepName({ id: which.replace('-*', '') }) : `every *${which.role.replaceAll('-', ' ')}* step`
}
