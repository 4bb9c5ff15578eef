import { catalogue } from '#core/catalogue/catalogue'
import type { Decision } from '#core/model/decision'
import { describeRange, type DecisionDefinition } from '#core/model/decision-definition'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { optionValues, type Technique } from '#core/planner/technique'
import { techniques } from '#core/techniques/registry'
import { planFile, testContext, type CaseFile } from '../../tests/harness/cases/leg-slab-cases'
import { constantsPage } from './constants-page'
import { exampleFile, exampleNames } from './example-files'

const head = `# Every decision, its formula and its source

Made from the core by \`npm run decision-page\`; a test holds it current. One row for each figure that a plan can give: the rule in
words, as its working shows it, and the kind of its source: \`anatomy\`, \`physics\`, \`practice\` (usual published practice,
which a local protocol may change) or \`model\` (an estimate of our own, which never loosens a rule).
`

/** A local table of brace stops, so that its decisions show. */
const protocol: Protocol = {
  ...defaultProtocol,
  stopTables: {
    'local-table': [
      { fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 30, lock: 'locked' },
      { fromWeek: 4, extensionStopDeg: 0, flexionStopDeg: 60, lock: 'open' },
    ],
  },
}

/** The same, with what its steps read entered: figures that come out of those alone show too. */
function withStepReadings(file: CaseFile): CaseFile {
  const reads = planFile(file).procedure.steps.flatMap((step) => step.reads ?? [])
  const open = reads.filter(
    ({ id, side }) => !file.measurements.some((measurement) => measurement['id'] === id && (!side || measurement['side'] === side)),
  )
  const readings = open.map(({ id, side }) => ({ id, ...(side ? { side } : {}), value: 2, unit: 'cm' }))
  return { ...file, measurements: [...file.measurements, ...readings] }
}

/** The examples of a technique, and the same with each value of each option and with what the steps read. */
function variantsOf(technique: Technique): readonly CaseFile[] {
  const examples = exampleNames.map(exampleFile).filter((file) => file['technique'] === technique.id)
  return examples.flatMap((file) => [
    file,
    withStepReadings(file),
    ...technique.options.flatMap((option) =>
      optionValues(option, protocol).map(({ id }) => ({ ...file, options: { ...file.options, [option.id]: id } })),
    ),
  ])
}

/** The page as it must stand in docs/formulas.md. */
export function decisionPage(): string {
  const parts = techniques.map((technique) => {
    const found = new Map<string, Decision>()
    for (const file of variantsOf(technique))
      for (const decision of planFile(file, { ...testContext(), protocol }).decisions)
        if (!found.has(decision.id)) found.set(decision.id, decision)
    const rows = families(technique.decisions.map((decision) => decision.id)).map(({ ids, first }) => {
      const one = found.get(first)
      const declared = technique.decisions.find((decision) => decision.id === first)
      return `| ${ids} | ${declared?.label ?? ''} | ${one?.unit ?? ''} | ${declared ? describeChoice(declared) : ''} | ${cell(one?.formula ?? '')} | ${one?.source ?? ''} |`
    })
    return `\n## ${technique.name} (\`${technique.id}\`)\n\n| id | label | unit | may be overruled to | formula | source |\n|---|---|---|---|---|---|\n${rows.join('\n')}\n`
  })
  return head + parts.join('') + constantsPage()
}

/** Which values a clinician may put in place of the computed one. */
function describeChoice(definition: DecisionDefinition): string {
  if (definition.kind === 'choice') return definition.choices(catalogue.items).join(', ')
  if (definition.kind === 'text') return 'words'
  return definition.kind === 'yes-no' ? 'yes, no' : describeRange(definition)
}

/** Numbered decisions share a row: strap-trim-1 … strap-trim-4. */
function families(ids: readonly string[]): readonly { readonly ids: string; readonly first: string }[] {
  return ids
    .filter((id) => !/-([2-9]|\d\d)$/.test(id))
    .map((first) => {
      const last = ids.findLast((id) => id.replace(/\d+$/, '') === first.replace(/\d+$/, ''))
      return { first, ids: last === undefined || last === first ? `\`${first}\`` : `\`${first}\` … \`${last}\`` }
    })
}

function cell(text: string): string {
  return text.replaceAll('|', '\\|').replaceAll('\n', ' ')
}
