import type { ClinicalCase } from '../model/clinical-case'
import { cannotAskWords, isCannotAssess, needsAnswer, watchedOf, type LimbFindings, type RoundInput } from '../model/observation'
import { injuredLimb } from '../rounds/missing-items'
import { limbPart, type Before, type Look, type PartId } from '../rounds/look'
import type { CannotAsk, StandingFinding } from './standing-finding'
import type { OnBody } from './what-now'

// A patient who cannot answer: what needs an answer is one line of its own, and what is seen on a closed limb counts more.

/** The item under which it stands. */
export const cannotBeAsked = 'cannot-be-asked'

/** The part that is said to be asked: the injured limb, or the block of the hurt neck or trunk. */
export function askedPartOf(clinicalCase: ClinicalCase): PartId {
  const limb = injuredLimb(clinicalCase)
  if (limb) return limbPart(limb.limb, limb.side)
  return watchedOf(clinicalCase.injury.region) === 'spine' ? 'spine' : 'neck'
}

/** After the rounds of a minute: said in one of them it stands; answered in another later one it is over. */
export function afterRounds(before: CannotAsk | null, group: readonly RoundInput[], askedPart: PartId): CannotAsk | null {
  const said = group.find((round) => round.cannotAsk !== undefined)
  if (said?.cannotAsk) return { reason: said.cannotAsk, sinceMin: before?.sinceMin ?? said.atMin, lookedAtMin: said.atMin }
  return group.some((round) => isAnswered(round, askedPart)) ? null : before
}

/** Whether somebody was asked in a round, and answered: on the injured limb, or where neck or trunk is hurt on any. */
function isAnswered({ limbs }: RoundInput, askedPart: PartId): boolean {
  const isOfLimb = askedPart.includes('-')
  return limbs.some(
    (limb) => (!isOfLimb || limbPart(limb.limb, limb.side) === askedPart) && answers(limb).some((answer) => !isCannotAssess(answer)),
  )
}

function answers(limb: LimbFindings): readonly unknown[] {
  const groups = [limb.feeling, limb.movement, limb.power].flatMap((group) => Object.values(group ?? {}))
  return [limb.restPain, limb.stretchPain, ...groups].filter((one) => one !== undefined)
}

/** What stands with the line that says so: a warning that counts toward no review and that no quiet round waits for. */
export function withCannotAsk(findings: readonly StandingFinding[], cannotAsk: CannotAsk | null, part: PartId): readonly StandingFinding[] {
  if (!cannotAsk) return findings
  const line: StandingFinding = {
    id: `${part}/${cannotBeAsked}`,
    part,
    item: cannotBeAsked,
    level: 'warn',
    danger: 'cover',
    state: 'cannot-be-asked',
    settledUntilMin: null,
    text: `Cannot be asked, ${cannotAskWords[cannotAsk.reason]}: pain, feeling and movement`,
    code: cannotBeAsked,
    sinceMin: cannotAsk.sinceMin,
    alarmSinceMin: null,
    lookedAtMin: cannotAsk.lookedAtMin,
    quietAtMin: null,
  }
  // What was not answered before is this one line, not many.
  return [...findings.filter(({ state, item }) => !(state === 'unknown' && needsAnswer(item))), line]
}

/**
 * Looks at a limb under a closed or wrapped device whose patient cannot say whether it hurts: swelling a grade up, or tight, is a review; both,
 * or two grades, are urgent as a closed limb. Grades count from the first look, so that what creeps up is seen.
 */
export function withUnaskable(looks: readonly Look[], before: Before, on: OnBody | null): readonly Look[] {
  if (on?.holds !== 'break') return looks
  const parts = new Set(looks.filter(({ part }) => part.includes('-') && (on.part === null || on.part === part)).map(({ part }) => part))
  return [...parts].reduce((all, part) => raised(all, part, before), looks)
}

function raised(looks: readonly Look[], part: PartId, before: Before): readonly Look[] {
  const own = (item: string): Look | undefined => looks.find((look) => look.part === part && look.item === item && look.cannot === null)
  const [swelling, tight] = [own('swelling'), own('tight')]
  const id = `${part}/swelling`
  const from = Math.min(before.first(id) ?? Infinity, before.last(id) ?? Infinity)
  const grades = swelling && from !== Infinity ? swelling.severity - from : 0
  const signs = [...(swelling && grades >= 1 ? [swelling] : []), ...(tight && tight.severity > 0 ? [tight] : [])]
  if (signs.length === 0) return looks
  const level = signs.length > 1 || grades >= 2 ? 'urgent' : 'review'
  return looks.map((look) =>
    signs.includes(look)
      ? { ...look, level, code: 'cannot-say', text: `${look.text}; nobody can say whether it hurts`, isNeverKnown: true }
      : look,
  )
}
