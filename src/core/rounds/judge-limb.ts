import { swellings } from '../model/vocabulary'
import type { Finding, Level } from '../model/finding'
import {
  assessed,
  feelings,
  isCannotAssess,
  movements,
  nerves,
  type LimbFindings,
  type RoundInput,
  type Watched,
} from '../model/observation'

export interface LimbContext {
  /** The same limb at baseline, when there was one. */
  readonly baseline: LimbFindings | null
  /** The same limb on the round before. */
  readonly previous: LimbFindings | null
  /** The other side in this round. */
  readonly other: LimbFindings | null
  /** Analgesia was given since the round before. */
  readonly analgesia: boolean
  readonly ageYears: number | null
}

/**
 * Everything that one limb's findings say in one round (COMPUTATION 13, SAFETY Findings).
 * @returns a finding per item that is more than `none`, each with its level before the `known` rule, which
 *   is applied here: an unchanged baseline finding is `known` unless it is one of those that never are
 */
export function judgeLimb(limb: LimbFindings, context: LimbContext): readonly Finding[] {
  const found: Finding[] = []
  const { baseline, previous, other } = context
  const add = (item: string, level: Level, code: string, text: string, isAtBaseline = false, neverKnown = false): void => {
    const known = isAtBaseline && !neverKnown && level !== 'none'
    found.push({ item, side: limb.side, level: known ? 'known' : level, code, text: known ? `${text} (as at baseline)` : text })
  }

  const colour = assessed(limb.colour)
  const warmth = assessed(limb.warmth)
  const isPoorColour = colour === 'pale' || colour === 'blue' || colour === 'dusky'
  if (isPoorColour && warmth === 'cold') {
    add('colour', 'urgent', 'cold-and-discoloured', `Cold and ${colour}`, false, true)
  } else if (colour && colour !== 'pink' && !limb.colourUsual) {
    add('colour', 'warn', 'discoloured', `Looks ${colour}`, assessed(baseline?.colour) === colour)
  }
  const otherWarmth = assessed(other?.warmth)
  if (warmth && warmth !== 'warm' && !(isPoorColour && warmth === 'cold')) {
    const isCooler = otherWarmth === undefined || warmthRank(warmth) > warmthRank(otherWarmth)
    if (isCooler) add('warmth', 'warn', 'cooler', 'Cooler than the other side', sameWarmth(baseline, warmth))
  }
  judgeRefill(limb, context, add)

  const pulse = assessed(limb.pulse)
  if (pulse === 'absent') add('pulse', 'urgent', 'no-pulse', 'No pulse felt', false, true)
  if (pulse === 'weak') add('pulse', 'warn', 'weak-pulse', 'Pulse weak', assessed(baseline?.pulse) === 'weak')

  for (const nerve of nerves[limb.limb]) {
    judgeNerve('movement', nerve.id, nerve.label, movements, limb, baseline, add)
    judgeNerve('feeling', nerve.id, nerve.label, feelings, limb, baseline, add)
  }

  const swelling = assessed(limb.swelling)
  const before = assessed((previous ?? baseline)?.swelling)
  if (swelling && before && swellings.indexOf(swelling) > swellings.indexOf(before)) {
    add('swelling', 'warn', 'swelling-up', `Swelling up from ${before} to ${swelling}`)
  }
  judgePain(limb, context, add)
  if (assessed(limb.tight) === true) add('tight', 'warn', 'tight', 'Device feels tight')
  if (limb.spotPain) add('spot-pain', 'warn', 'spot-pain', 'Burning or one-spot pain under the device')
  const skin = assessed(limb.skin)
  if (skin === 'broken') add('skin', 'urgent', 'skin-broken', 'Skin broken under the device', assessed(baseline?.skin) === 'broken')
  if (skin === 'red-not-blanching')
    add('skin', 'warn', 'red-not-blanching', 'Red skin that does not blanch', assessed(baseline?.skin) === skin)
  for (const sign of limb.also ?? []) add(`also/${sign}`, 'warn', sign, `Reported: ${sign.replaceAll('-', ' ')}`)
  for (const item of unassessedItems(limb)) {
    add(item.item, 'warn', 'cannot-assess', `Cannot be assessed: ${item.reason}`)
  }
  return found
}

type Add = (item: string, level: Level, code: string, text: string, isAtBaseline?: boolean, neverKnown?: boolean) => void

function judgeRefill(limb: LimbFindings, context: LimbContext, add: Add): void {
  const refill = assessed(limb.refillS)
  if (refill === undefined) return
  const other = assessed(context.other?.refillS)
  const text = `Capillary refill ${refill} s`
  if (refill > 4) return add('refill', 'urgent', 'slow-refill', text, false, true)
  if (other !== undefined && refill > other + 2) {
    const before = assessed(context.baseline?.refillS)
    return add('refill', 'urgent', 'slow-refill', `${text}, ${other} s on the other side`, before === refill)
  }
  if (refill <= 2) return
  const isColdBothSides = assessed(limb.warmth) === 'cold' && assessed(context.other?.warmth) === 'cold'
  const equalLimit = (context.ageYears !== null && context.ageYears >= 75) || isColdBothSides ? 4 : 3
  if (other !== undefined && Math.abs(refill - other) <= 0.5 && refill <= equalLimit) {
    return add('refill', 'none', 'warm-repeat', `${text}, alike on both sides: warm and repeat`)
  }
  const before = assessed(context.baseline?.refillS)
  add('refill', 'warn', 'refill-slow', text, before !== undefined && refill <= before)
}

function judgeNerve(
  kind: 'movement' | 'feeling',
  id: string,
  label: string,
  order: readonly string[],
  limb: LimbFindings,
  baseline: LimbFindings | null,
  add: Add,
): void {
  const now = assessed(limb[kind]?.[id])
  if (now === undefined || now === order[0]) return
  const before = assessed(baseline?.[kind]?.[id])
  const item = `${kind}/${id}`
  const text = `${label}: ${kind} ${now}`
  if (now === 'tingling') return add(item, 'warn', 'tingling', text, before !== undefined && order.indexOf(before) >= order.indexOf(now))
  const isNew = before === undefined || order.indexOf(now) > order.indexOf(before)
  add(item, 'urgent', `new-loss-of-${kind}`, text, !isNew)
}

function judgePain(limb: LimbFindings, context: LimbContext, add: Add): void {
  if (assessed(limb.stretchPain) === true) add('stretch-pain', 'urgent', 'stretch-pain', 'Pain on passive stretch', false, true)
  if (limb.painBeyondExpected) add('rest-pain', 'urgent', 'pain-beyond-expected', 'Pain more than expected, or rising need for analgesia')
  const pain = assessed(limb.restPain)
  if (pain === undefined) return
  const before = assessed(context.previous?.restPain) ?? assessed(context.baseline?.restPain)
  const rise = before === undefined ? 0 : pain - before
  const atBaseline = assessed(context.baseline?.restPain)
  if (pain >= 7) {
    const isKnown = !context.analgesia && atBaseline !== undefined && atBaseline >= pain
    return add('rest-pain', 'urgent', 'severe-pain', `Pain at rest ${pain} of 10`, isKnown, context.analgesia)
  }
  if (rise >= 3 && context.analgesia) return add('rest-pain', 'urgent', 'pain-rising', `Pain at rest up ${rise} after analgesia`)
  if (rise >= 2) add('rest-pain', 'warn', 'pain-rising', `Pain at rest up ${rise} on the last round`)
}

function unassessedItems(limb: LimbFindings): readonly { item: string; reason: string }[] {
  const flat: [string, unknown][] = [
    ...Object.entries(limb),
    ...Object.entries(limb.movement ?? {}).map(([id, value]): [string, unknown] => [`movement/${id}`, value]),
    ...Object.entries(limb.feeling ?? {}).map(([id, value]): [string, unknown] => [`feeling/${id}`, value]),
  ]
  return flat.flatMap(([item, value]) => (isCannotAssess(value) ? [{ item, reason: value.reason }] : []))
}

function warmthRank(warmth: string): number {
  return ['warm', 'cool', 'cold'].indexOf(warmth)
}

function sameWarmth(baseline: LimbFindings | null, warmth: string): boolean {
  const before = assessed(baseline?.warmth)
  return before !== undefined && warmthRank(before) >= warmthRank(warmth)
}

/**
 * Items of a limb round that were neither judged nor marked as not assessable. For a neck or spine only movement and
 * feeling of each limb are asked.
 */
export function missingItems(limb: LimbFindings, watched: Watched = limb.limb): readonly string[] {
  const isColumn = watched === 'neck' || watched === 'spine'
  const all = ['colour', 'warmth', 'refillS', 'pulse', 'swelling', 'restPain', 'stretchPain', 'tight'] as const
  const missing: string[] = (isColumn ? [] : all).filter((item) => limb[item] === undefined)
  for (const nerve of nerves[limb.limb]) {
    if (limb.movement?.[nerve.id] === undefined) missing.push(`movement/${nerve.id}`)
    if (limb.feeling?.[nerve.id] === undefined) missing.push(`feeling/${nerve.id}`)
  }
  return missing
}

/** The same limb in a round, or null. */
export function sameLimb(round: RoundInput | null, limb: LimbFindings): LimbFindings | null {
  return round?.limbs.find((one) => one.limb === limb.limb && one.side === limb.side) ?? null
}
