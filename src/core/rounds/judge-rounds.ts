import type { ClinicalCase } from '../model/clinical-case'
import type { ActionId, Finding, Level } from '../model/finding'
import { worse } from '../model/finding'
import { judgeColumn, missingColumnItems, neckItems, spineItems } from './judge-column'
import { judgeLimb, missingItems, sameLimb } from './judge-limb'
import type { LimbFindings, RoundInput } from '../model/observation'
import { assessed, nerves, watchedOf } from '../model/observation'

export interface RoundVerdict {
  readonly atMin: number
  readonly level: Level
  readonly complete: boolean
  readonly findings: readonly Finding[]
  readonly actions: readonly ActionId[]
  /** Minutes until the next check that this verdict asks for; null when the schedule decides. */
  readonly againMin: number | null
  /** What was not looked at, by limb, when the round is incomplete. */
  readonly missing: readonly string[]
}

/** What the device adds to the actions of an urgent round. */
export type DeviceKind = 'shell' | 'traction' | 'collar'

/**
 * Judges a series of rounds against the baseline, the other side and each other (COMPUTATION 13, SAFETY).
 * The worst limb sets the level; two warns on one limb, or one worsening over two rounds, give `review`.
 * @param rounds in time order; the first one marked `baseline` is compared against, itself included: what was
 *   there from the start is `known`. Without any baseline a loss counts as new.
 * @returns a verdict per round. "none" means no warning in what was entered, never that all is well.
 */
export function judgeRounds(clinicalCase: ClinicalCase, rounds: readonly RoundInput[], device: DeviceKind): readonly RoundVerdict[] {
  const baseline = rounds.find((round) => round.baseline) ?? null
  return rounds.map((_, index) => judgeRound(clinicalCase, rounds, index, baseline, device))
}

function judgeRound(
  clinicalCase: ClinicalCase,
  rounds: readonly RoundInput[],
  index: number,
  baseline: RoundInput | null,
  device: DeviceKind,
): RoundVerdict {
  const round = rounds[index]
  if (!round) throw new RangeError('judgeRound needs a round at its index')
  const previous = rounds[index - 1] ?? null
  const findings: Finding[] = []
  const missing: string[] = []
  let level: Level = 'none'
  for (const limb of round.limbs) {
    const found = judgeLimb(limb, {
      baseline: sameLimb(baseline, limb),
      previous: sameLimb(previous, limb),
      other: round.limbs.find((one) => one.limb === limb.limb && one.side !== limb.side) ?? null,
      analgesia: round.analgesia === true,
      ageYears: clinicalCase.patient.ageYears ?? null,
    })
    findings.push(...found)
    missing.push(...missingItems(limb, watchedOf(clinicalCase.injury.region)).map((item) => `${limb.side} ${limb.limb} ${item}`))
    level = worse(level, limbLevel(found, limb, rounds, index))
  }
  const watched = watchedOf(clinicalCase.injury.region)
  for (const [name, items] of [
    ['neck', neckItems],
    ['spine', spineItems],
  ] as const) {
    const block = round[name]
    if (block) {
      const found = judgeColumn(items, block, baseline?.[name] ?? null)
      findings.push(...found)
      level = found.reduce<Level>((worst, one) => worse(worst, one.level), level)
    }
    if (watched === name) missing.push(...missingColumnItems(items, block).map((item) => `${name} ${item}`))
  }
  if (watched === 'neck' || watched === 'spine') missing.push(...missingLimbs(round))
  else if (round.limbs.length === 0) missing.push('limbs')
  return {
    atMin: round.atMin,
    level,
    complete: missing.length === 0,
    findings,
    missing,
    actions: actionsFor(level, findings, device),
    againMin: level === 'urgent' || level === 'review' ? 15 : null,
  }
}

/** Limbs of the four that a neck or spine round has to look at and did not. */
function missingLimbs(round: RoundInput): readonly string[] {
  return (['arm', 'leg'] as const).flatMap((limb) =>
    (['left', 'right'] as const).flatMap((side) =>
      round.limbs.some((one) => one.limb === limb && one.side === side) ? [] : [`${side} ${limb}`],
    ),
  )
}

function limbLevel(found: readonly Finding[], limb: LimbFindings, rounds: readonly RoundInput[], index: number): Level {
  const level = found.reduce<Level>((worst, one) => worse(worst, one.level), 'none')
  if (level === 'urgent') return level
  const warns = found.filter((one) => one.level === 'warn' && one.code !== 'cannot-assess')
  if (warns.length >= 2 || isWorseningOverTwo(limb, rounds, index)) return 'review'
  return level
}

/** Whether one item got worse on this round and on the one before. */
function isWorseningOverTwo(limb: LimbFindings, rounds: readonly RoundInput[], index: number): boolean {
  const one = sameLimb(rounds[index - 1] ?? null, limb)
  const two = sameLimb(rounds[index - 2] ?? null, limb)
  if (!one || !two) return false
  const latest = severities(limb)
  const before = severities(one)
  const first = severities(two)
  return Object.keys(latest).some((item) => {
    const a = first[item]
    const b = before[item]
    const c = latest[item]
    return a !== undefined && b !== undefined && c !== undefined && c > b && b > a
  })
}

/** Each judged item as a rank that grows as the finding gets worse. */
function severities(limb: LimbFindings): Record<string, number> {
  const ranks: Record<string, number> = {}
  const put = (item: string, order: readonly string[], value: string | undefined): void => {
    if (value !== undefined) ranks[item] = order.indexOf(value)
  }
  put('warmth', ['warm', 'cool', 'cold'], assessed(limb.warmth))
  put('pulse', ['present', 'weak', 'absent'], assessed(limb.pulse))
  put('swelling', ['none', 'mild', 'moderate', 'marked'], assessed(limb.swelling))
  for (const { id } of nerves[limb.limb]) {
    put(`movement/${id}`, ['full', 'weak', 'none'], assessed(limb.movement?.[id]))
    put(`feeling/${id}`, ['normal', 'tingling', 'reduced', 'none'], assessed(limb.feeling?.[id]))
  }
  const refill = assessed(limb.refillS)
  if (refill !== undefined) ranks['refill'] = refill <= 2 ? 0 : refill
  const pain = assessed(limb.restPain)
  if (pain !== undefined) ranks['restPain'] = pain
  return ranks
}

function actionsFor(level: Level, findings: readonly Finding[], device: DeviceKind): readonly ActionId[] {
  const repeat: ActionId[] = findings.some((one) => one.code === 'warm-repeat') ? ['warm-repeat'] : []
  if (level === 'review') return ['loosen', 'senior-30', 'again-15', ...repeat]
  if (level !== 'urgent') return repeat
  const open: readonly ActionId[] =
    device === 'traction' ? ['ease-pull'] : device === 'collar' ? ['open-collar-held'] : ['open-to-skin', 'ease-bend']
  const raise: readonly ActionId[] = device === 'collar' ? [] : ['heart-level']
  return [...open, ...raise, 'nil-by-mouth', 'blood-pressure', 'call-senior', 'again-15', 'surgical-30', ...repeat]
}
