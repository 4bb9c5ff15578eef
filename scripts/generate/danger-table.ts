import { injuryFlags, patientFlags, patterns, regions, type Flag, type Pattern, type Region } from '#core/model/vocabulary'
import type { CautionLevel, Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import { readCase } from '#core/files/read-case'
import { techniques } from '#core/techniques/registry'
import { changedExample } from '../../tests/harness/cases/example-cases'
import { testContext, type CaseFile } from '../../tests/harness/cases/leg-slab-cases'

/** What a danger raises: the gravest of the cautions that come with it, or nothing. */
export type Raised = CautionLevel | 'nothing'
const gravity: readonly Raised[] = ['nothing', 'note', 'caution', 'stop']
const marks = { begin: '<!-- dangers: begin -->', end: '<!-- dangers: end -->' }
export const flags: readonly Flag[] = [...patientFlags, ...injuryFlags]
const columns = techniques.map((technique) => technique.id)

/** What a flag raises in a technique on a part: the plan of its example with the flag against the same plan without it. */
export function raisedByFlag(technique: string, region: Region, flag: Flag): Raised {
  return gravestNew(cautionsOf(technique, region, [], flag), cautionsOf(technique, region, [flag], flag))
}

/** What a pattern of injury raises in a technique, against the same part with a pattern that says nothing. */
export function raisedByPattern(technique: string, region: Region, pattern: Pattern): Raised {
  const base = cautionsFrom(technique, (file) => Object.assign(file.injury, { region, pattern: 'other' }))
  return gravestNew(
    base,
    cautionsFrom(technique, (file) => Object.assign(file.injury, { region, pattern })),
  )
}

/** What a part raises in a technique, against the part of its example: a stop on another body region. */
export function raisedByPart(technique: string, region: Region): Raised {
  const base = cautionsFrom(technique, () => undefined)
  return gravestNew(
    base,
    cautionsFrom(technique, (file) => Object.assign(file.injury, { region })),
  )
}

/** Parts that a technique is made for. */
export function partsOf(technique: string): readonly Region[] {
  return techniques.find((one) => one.id === technique)?.regions ?? []
}

function cautionsOf(technique: string, region: Region, set: readonly Flag[], drop: Flag): Plan['cautions'] {
  return cautionsFrom(technique, (file) => {
    file.injury['region'] = region
    for (const [part, known] of [
      [file.patient, patientFlags],
      [file.injury, injuryFlags],
    ] as const) {
      const own = (part['flags'] as readonly string[] | undefined) ?? []
      part['flags'] = [...own.filter((one) => one !== drop), ...set.filter((flag) => (known as readonly string[]).includes(flag))]
    }
  })
}

/** Most dangers are held against the same case without them: that is planned once. */
const planned = new Map<string, Plan['cautions']>()

function cautionsFrom(technique: string, change: (file: CaseFile) => void): Plan['cautions'] {
  const file = changedExample(technique, change)
  const known = planned.get(JSON.stringify(file))
  if (known) return known
  const { clinicalCase, problems } = readCase(file)
  const plan = clinicalCase ? planCase(clinicalCase, testContext(), problems) : null
  if (!plan) throw new Error(`${technique} does not plan: ${JSON.stringify(problems)}`)
  planned.set(JSON.stringify(file), plan.cautions)
  return plan.cautions
}

function gravestNew(before: Plan['cautions'], after: Plan['cautions']): Raised {
  const known = new Set(before.map((caution) => `${caution.code} ${caution.level} ${caution.text}`))
  const fresh = after.filter((caution) => !known.has(`${caution.code} ${caution.level} ${caution.text}`)).map((caution) => caution.level)
  return gravity.reduce<Raised>((worst, level) => (fresh.includes(level as CautionLevel) ? level : worst), 'nothing')
}

/** The page with its tables of today. */
export function withDangers(page: string): string {
  const [head = '', rest = ''] = page.split(marks.begin)
  const [, tail = ''] = rest.split(marks.end)
  return `${head}${marks.begin}\n\n${dangerTables()}\n\n${marks.end}${tail}`
}

function dangerTables(): string {
  return [
    '### Flag',
    table(flags, (flag, technique) => overParts(technique, (region) => raisedByFlag(technique, region, flag))),
    '### Pattern of injury',
    table(patterns, (pattern, technique) => overParts(technique, (region) => raisedByPattern(technique, region, pattern))),
    '### Part of the body',
    table(regions, (region, technique) => worded(raisedByPart(technique, region))),
  ].join('\n\n')
}

/** One word where every part answers alike, else each level with its parts. */
function overParts(technique: string, raised: (region: Region) => Raised): string {
  const byPart = partsOf(technique).map((region) => ({ region, level: raised(region) }))
  const levels = gravity.filter((level) => level !== 'nothing' && byPart.some((one) => one.level === level)).toReversed()
  return levels
    .map((level) => ({ level, parts: byPart.filter((one) => one.level === level).map((one) => one.region) }))
    .map(({ level, parts }) => (parts.length === byPart.length ? worded(level) : `${worded(level)} (${parts.join(', ')})`))
    .join('; ')
}

function worded(level: Raised): string {
  return level === 'nothing' ? '' : level === 'stop' ? '**stop**' : level
}

function table<Row extends string>(rows: readonly Row[], cell: (row: Row, technique: string) => string): string {
  return [
    `| | ${columns.join(' | ')} |`,
    `|---|${columns.map(() => '---').join('|')}|`,
    ...rows.map((row) => `| ${row} | ${columns.map((technique) => cell(row, technique)).join(' | ')} |`),
  ].join('\n')
}
