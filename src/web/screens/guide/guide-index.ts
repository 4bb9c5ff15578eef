import { flagRulesOf } from '#core/rules/by-what-is-put-on'
import MiniSearch from 'minisearch'
import { guidePage, type GuidePage } from '#core/techniques/guide-page'
import { techniques } from '#core/techniques/registry'
import type { OptionValues, Technique } from '#core/planner/technique'
import type { Protocol } from '#core/quantities/defaults'
import { browserContext } from '../../case/plan/use-plan'

/** A place of the guide that a search can find. */
export interface GuideHit {
  readonly id: string
  readonly technique: string
  readonly techniqueName: string
  readonly section: string
  readonly title: string
  readonly text: string
}

interface Guide {
  readonly of: string
  readonly pages: readonly GuidePage[]
  index: MiniSearch<GuideHit> | null
}
let guide: Guide | null = null

/** Every guide page as the protocol in force has it, made once for each. */
export function guidePages(protocol: Protocol): readonly GuidePage[] {
  return guideOf(protocol).pages
}

/** The page of a technique by chosen schools: made anew, since there are many of them. */
export function guidePageBy(technique: Technique, protocol: Protocol, schools: OptionValues): GuidePage {
  return guidePage(technique, browserContext(protocol), schools)
}

function guideOf(protocol: Protocol): Guide {
  const of = `${protocol.name}/${protocol.version}`
  if (guide?.of !== of) guide = { of, pages: techniques.map((technique) => guidePage(technique, browserContext(protocol))), index: null }
  return guide
}

function entriesOf({ technique, plan, measured, sources }: GuidePage): readonly GuideHit[] {
  const entry = (section: string, id: string, title: string, text: string): GuideHit => ({
    id: `${technique.id}/${section}/${id}`,
    technique: technique.id,
    techniqueName: technique.name,
    section,
    title,
    text,
  })
  return [
    entry('purpose', 'purpose', technique.name, technique.purpose),
    ...technique.options.flatMap((option) =>
      option.values.map((value) => entry('schools', `${option.id}-${value.id}`, `${option.label}: ${value.label}`, value.why)),
    ),
    ...measured.map((definition) => entry('measure', definition.id, definition.label, definition.landmarks)),
    ...plan.procedure.steps.map((step) => entry('steps', step.id, step.text, `${step.why} ${step.prevents}`)),
    ...plan.fit.map((test) => entry('fit', test.id, test.text, `${test.why} ${test.remedy}`)),
    ...plan.care.map((line, at) => entry('care', String(at), line, '')),
    ...flagRulesOf(technique.puts).map((rule, at) => entry('cautions', `${rule.flag}-${at}`, rule.text, rule.why)),
    ...technique.troubles.map((trouble) => entry('troubles', trouble.id, trouble.label, trouble.actions.join(' '))),
    ...sources.flatMap((source) =>
      source.decisions.map((decision, at) => entry('sources', `${source.kind}-${at}`, decision.label, decision.formula)),
    ),
  ]
}

/** Finds places of all pages by words, beginnings of words and near misses; best first. */
export function searchGuide(words: string, protocol: Protocol): readonly GuideHit[] {
  if (words.trim().length < 2) return []
  const all = guideOf(protocol)
  if (!all.index) {
    all.index = new MiniSearch<GuideHit>({
      fields: ['title', 'text', 'techniqueName'],
      storeFields: ['technique', 'techniqueName', 'section', 'title', 'text'],
    })
    all.index.addAll(all.pages.flatMap(entriesOf))
  }
  return all.index
    .search(words, { prefix: true, fuzzy: 0.2, boost: { title: 2, techniqueName: 1.5 }, combineWith: 'AND' })
    .slice(0, 40) as unknown as readonly GuideHit[]
}
