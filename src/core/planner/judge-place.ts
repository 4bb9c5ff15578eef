import { hasFlag } from '../model/clinical-case'
import { bodyRegionOf, impliedFlag, spoken } from '../model/vocabulary'
import { flagRulesOf } from '../rules/by-what-is-put-on'
import type { PlanDraft } from './draft'
import { positions, refusePosition, type Position } from './shared-options'
import type { OptionValues, Technique } from './technique'

/** What holds for every technique before anything is measured: body region, pattern, flags, position. */
export function judgePlace(draft: PlanDraft, technique: Technique, options: OptionValues): void {
  checkPlace(draft, technique)
  applyFlagRules(draft, technique)
  checkPosition(draft, options)
}

function checkPlace(draft: PlanDraft, technique: Technique): void {
  const { region, side, pattern } = draft.clinicalCase.injury
  if (!region) {
    draft.problem({ code: 'missing', path: 'injury/region', message: 'The injured region is missing: say which part is hurt.' })
    return
  }
  const body = bodyRegionOf(region)
  // A broken thigh is one wherever the region was set: nothing that does not hold a thigh goes on.
  const isOfThigh = pattern === 'femoral-shaft-fracture' || region === 'thigh'
  if ((body === 'leg' || body === 'arm') && !side) {
    draft.problem({ code: 'missing', path: 'injury/side', message: 'The injured side is missing: say left or right.' })
  }
  if (![technique.bodyRegion].flat().includes(body)) {
    draft.caution({
      level: 'stop',
      code: 'wrong-region',
      text: `${technique.name} is not for the ${spoken(region)}: choose another technique.`,
      why: 'It is sized and strapped for another part of the body.',
    })
  } else if (isOfThigh && !technique.regions.includes('thigh')) {
    draft.caution({
      level: 'stop',
      code: 'wrong-region',
      text: `${technique.name} does not hold a broken thigh: traction, or splint it to the other leg.`,
      why: 'Below the break nothing that ends at the knee keeps the bone ends from bleeding.',
    })
  } else if (!technique.patterns.includes(pattern)) {
    draft.caution({
      level: 'caution',
      code: 'unusual',
      text:
        pattern === 'other'
          ? `Which injury it is was not said: name it, or have ${technique.name.toLowerCase()} confirmed.`
          : `${technique.name} is unusual for ${spoken(pattern)}: have it confirmed.`,
      why: 'The pattern is not among those that it is meant for.',
    })
  }
}

function applyFlagRules(draft: PlanDraft, technique: Technique): void {
  const { injury, patient } = draft.clinicalCase
  const implied = impliedFlag(injury.pattern)
  const flags = new Set<string>([...patient.flags, ...injury.flags, ...(implied ? [implied] : [])])
  if (flags.size === 0) return
  for (const rule of flagRulesOf(technique.puts, flags)) {
    const isImplied = rule.flag === implied
    if (rule.unless && hasFlag(draft.clinicalCase, rule.unless)) continue
    draft.caution({
      level: rule.level,
      ...(rule.isFloor ? { isFloor: true } : {}),
      ...(rule.lasts ? { lasts: true } : {}),
      code: rule.flag,
      text: rule.text,
      why: isImplied ? `${rule.why} (${spoken(injury.pattern)})` : rule.why,
      decisions: rule.decisions ?? [],
      ...(rule.at ? { at: rule.at } : {}),
      steps: rule.steps ?? [],
    })
  }
}

function checkPosition(draft: PlanDraft, options: OptionValues): void {
  const position = options['position'] as Position | undefined
  if (!position) return
  const refused = refusePosition(draft.clinicalCase, position)
  if (!refused) return
  const allowed = positions.filter((one) => !refusePosition(draft.clinicalCase, one))
  draft.caution({
    level: 'caution',
    code: refused.flag,
    at: ['settles'],
    text: `Not ${spoken(position)}: choose ${allowed.map(spoken).join(' or ') || 'a tilt of the whole bed, as found'}.`,
    why: refused.why,
  })
}
