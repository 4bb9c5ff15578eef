import type { Level } from '../model/finding'
import { assessed, feelings, isCannotAssess, movements, nerves, type Item, type LimbFindings } from '../model/observation'
import { alsoAskedSigns, keyMovements, skinWords } from '../model/round-items'
import { spoken, swellings } from '../model/vocabulary'
import { cannotLook, limbPart, type Before, type Look } from './look'

export interface LimbContext {
  readonly before: Before
  /** The other limb of the pair in this round; null where it was not looked at, or is no measure for this one. */
  readonly other: LimbFindings | null
  /** Only the first round can be compared with: both sides are hurt, or one is missing (flag `no-sound-side`). */
  readonly isAlone: boolean
  /** The sound limb is judged by itself: set against an injured one, that one's getting worse would make it look better. */
  readonly isSound: boolean
  /** Analgesia was given since the round before, or since the one before that. */
  readonly analgesia: boolean
  readonly ageYears: number | null
  /** Neck or trunk is hurt: tingling of any limb may come from the cord. */
  readonly isColumn: boolean
}

type Put = (
  item: string,
  severity: number,
  level: Level,
  code: string,
  text: string,
  more?: { neverKnown?: boolean; chain?: string },
) => void

/**
 * Everything that was looked at on one limb in one round, each item with what it is worth by itself.
 * @returns a look per item, also for what is well: only that ends what stood before
 */
export function lookAtLimb(limb: LimbFindings, context: LimbContext): readonly Look[] {
  const part = limbPart(limb.limb, limb.side)
  const looks: Look[] = []
  const put: Put = (item, severity, level, code, text, more = {}) =>
    looks.push({
      part,
      item,
      severity,
      level,
      code,
      text,
      isNeverKnown: more.neverKnown === true,
      cannot: null,
      ...(more.chain ? { chain: more.chain } : {}),
    })
  /** Judges what was assessed; notes what could not be. */
  const look = <T>(item: string, label: string, value: Item<T> | undefined, judge: (value: T) => void): void => {
    if (value === undefined) return
    if (isCannotAssess(value)) looks.push(cannotLook(part, item, value.reason, label))
    else judge(value as T)
  }
  look('colour', 'Colour', limb.colour, (colour) => judgeColour(colour, limb, put))
  look('warmth', 'Warmth', limb.warmth, (warmth) => judgeWarmth(warmth, limb, context, put))
  look('refill', 'Refill', limb.refillS, (refillS) => judgeRefill(refillS, limb, context, put))
  look('pulse', 'Pulse', limb.pulse, (pulse) => {
    if (pulse === 'absent') put('pulse', 2, 'urgent', 'no-pulse', 'No pulse felt', { neverKnown: true })
    else if (pulse === 'weak') put('pulse', 1, 'warn', 'weak-pulse', 'Pulse weak')
    else put('pulse', 0, 'none', 'pulse', 'Pulse felt')
  })
  for (const nerve of nerves[limb.limb]) {
    look(`movement/${nerve.id}`, capital(nerve.movement), limb.movement?.[nerve.id], (now) => {
      const text = `${capital(nerve.movement)}: ${now} (${nerve.label.toLowerCase()})`
      put(`movement/${nerve.id}`, movements.indexOf(now), now === 'full' ? 'none' : 'urgent', 'new-loss-of-movement', text)
    })
    look(`feeling/${nerve.id}`, `Feeling at the ${nerve.feelingAt}`, limb.feeling?.[nerve.id], (now) => {
      const level = now === 'normal' ? 'none' : now === 'tingling' && !context.isColumn ? 'warn' : 'urgent'
      const text = `Feeling at the ${nerve.feelingAt}: ${now} (${nerve.label.toLowerCase()})`
      put(`feeling/${nerve.id}`, feelings.indexOf(now), level, now === 'tingling' ? 'tingling' : 'new-loss-of-feeling', text)
    })
  }
  for (const { id, label } of keyMovements[limb.limb]) {
    look(`power/${id}`, label, limb.power?.[id], (power) =>
      put(`power/${id}`, 5 - power, power < 5 ? 'urgent' : 'none', 'new-weakness', `${label}: strength ${power} of 5`),
    )
  }
  look('swelling', 'Swelling', limb.swelling, (swelling) => {
    const now = swellings.indexOf(swelling)
    const last = context.before.last(`${part}/swelling`)
    const isUp = last !== undefined && now > last
    put(
      'swelling',
      now,
      isUp ? 'warn' : 'none',
      'swelling-up',
      isUp ? `Swelling up from ${swellings[last] ?? ''} to ${swelling}` : `Swelling ${swelling}`,
    )
  })
  look('restPain', 'Pain at rest', limb.restPain, (pain) => judgePain(pain, context, context.before.last(`${part}/restPain`), put))
  const isThere = (item: string, value: Item<boolean> | undefined, level: Level, code: string, text: string, neverKnown = false): void =>
    look(item, text, value, (yes) => put(item, yes ? 1 : 0, yes ? level : 'none', code, text, { neverKnown }))
  isThere('stretchPain', limb.stretchPain, 'urgent', 'stretch-pain', 'Pain on passive stretch', true)
  isThere('tight', limb.tight, 'warn', 'tight', 'Device feels tight')
  const beyond = 'Pain more than expected, or rising need for analgesia'
  isThere('painBeyondExpected', limb.painBeyondExpected, 'urgent', 'pain-beyond-expected', beyond)
  isThere('spotPain', limb.spotPain, 'warn', 'spot-pain', 'Burning or one-spot pain under the device')
  look('skin', 'Skin', limb.skin, (skin) => {
    const level = skin === 'broken' ? 'urgent' : skin === 'red-not-blanching' ? 'warn' : 'none'
    put('skin', skinWords.indexOf(skin), level, skin === 'broken' ? 'skin-broken' : skin, skinText(skin))
  })
  for (const sign of alsoAskedSigns) {
    const isReported = limb.also?.includes(sign) === true
    if (!isReported && (!limb.also || limb.isAlsoPartial)) continue
    // Breathlessness that was not there from the first look may be a clot, and is urgent.
    const isNewBreath = sign === 'breathlessness' && isNewSince(context.before, part, sign)
    isThere(sign, isReported, isNewBreath ? 'urgent' : 'warn', sign, `Reported: ${spoken(sign)}`)
  }
  return looks
}

/** Whether a sign was not there at the first look, or had gone at the last; nothing is new where nobody had looked before. */
function isNewSince(before: Before, part: string, sign: string): boolean {
  const last = before.last(`${part}/${sign}`)
  const hasLooked = ['pulse', 'colour', 'restPain', sign].some((item) => before.last(`${part}/${item}`) !== undefined)
  return hasLooked && (last === 0 || !before.first(`${part}/${sign}`))
}

/** What skin under a device looks like, in words. */
export function skinText(skin: (typeof skinWords)[number]): string {
  return {
    intact: 'Skin intact',
    'reddens-and-blanches': 'Skin red, blanches when pressed',
    'red-not-blanching': 'Red skin that does not blanch',
    broken: 'Skin broken under the device',
  }[skin]
}

function judgeColour(colour: string, limb: LimbFindings, put: Put): void {
  const severity = ['pink', 'pale', 'dusky', 'blue'].indexOf(colour)
  const isPoor = severity > 0
  if (isPoor && assessed(limb.warmth) === 'cold')
    return put('colour', 10 + severity, 'urgent', 'cold-and-discoloured', `Cold and ${colour}`, { neverKnown: true })
  if (colour === 'pink' || limb.colourUsual) return put('colour', 0, 'none', 'colour', `Looks ${colour}`)
  put('colour', isPoor ? severity : 1, 'warn', 'discoloured', `Looks ${colour}`, { chain: isPoor ? 'poor' : colour })
}

const warmthWords = ['warm', 'cool', 'cold']

function judgeWarmth(warmth: string, limb: LimbFindings, context: LimbContext, put: Put): void {
  const now = warmthWords.indexOf(warmth)
  const isCounted = assessed(limb.colour) !== undefined && isColdAndPoor(limb)
  const than = context.isAlone ? context.before.first(`${limbPart(limb.limb, limb.side)}/warmth`) : soundWarmth(context)
  // Alone, the first round is what later ones are held against; itself it is held against nothing.
  const isCooler = now > 0 && !context.isSound && (than === undefined ? !context.isAlone : now > than)
  const text = context.isAlone ? `${capital(warmth)}, cooler than at first` : 'Cooler than the other side'
  put('warmth', now, isCooler && !isCounted ? 'warn' : 'none', 'cooler', isCooler ? text : capital(warmth))
}

/** Cold and pale, dusky or blue: said once, by the colour. */
function isColdAndPoor(limb: LimbFindings): boolean {
  return assessed(limb.warmth) === 'cold' && ['pale', 'dusky', 'blue'].includes(assessed(limb.colour) ?? '')
}

function soundWarmth(context: LimbContext): number | undefined {
  const warmth = assessed(context.other?.warmth)
  return warmth === undefined ? undefined : warmthWords.indexOf(warmth)
}

/** A refill of more than so many seconds cannot wait, whatever the other side does. */
export const pressingRefillS = 4
/** Pain at rest from here on cannot wait, 0 to 10. */
export const pressingPain = 7

/** Refill, s: over 4 or 2 more than the other side is urgent, over 2 a warning unless both sides are alike. */
function judgeRefill(refillS: number, limb: LimbFindings, context: LimbContext, put: Put): void {
  const severity = refillS <= 2 ? 0 : refillS
  const text = `Capillary refill ${refillS} s`
  if (refillS > pressingRefillS) return put('refill', severity, 'urgent', 'slow-refill', text, { neverKnown: true })
  const other = context.isAlone || context.isSound ? undefined : assessed(context.other?.refillS)
  if (other !== undefined && refillS > other + 2)
    return put('refill', severity, 'urgent', 'slow-refill', `${text}, ${other} s on the other side`)
  if (refillS <= 2) return put('refill', 0, 'none', 'refill', text)
  const isPatientCold = assessed(context.isSound ? limb.warmth : context.other?.warmth) === 'cold'
  const isElderly = context.ageYears !== null && context.ageYears >= 75
  const alikeUpTo = isElderly || isPatientCold ? 4 : 3
  const isAlike = !context.isAlone && (context.isSound || (other !== undefined && refillS - other <= 0.5))
  if (isAlike && refillS <= alikeUpTo)
    return put(
      'refill',
      severity,
      'none',
      'warm-repeat',
      context.isSound ? `${text}: warm and repeat` : `${text}, no slower than the other side: warm and repeat`,
    )
  put('refill', severity, 'warn', 'refill-slow', text)
}

/** Pain at rest, 0 to 10: 7 or more is urgent, so is a rise of 3 after analgesia; a rise of 2 on the last look warns. */
function judgePain(pain: number, context: LimbContext, last: number | undefined, put: Put): void {
  const rise = last === undefined ? 0 : pain - last
  const text = `Pain at rest ${pain} of 10`
  if (pain >= pressingPain) return put('restPain', pain, 'urgent', 'severe-pain', text, { neverKnown: context.analgesia })
  if (rise >= 3 && context.analgesia)
    return put('restPain', pain, 'urgent', 'pain-rising', `${text}, up ${rise} after analgesia`, { neverKnown: true })
  if (rise >= 2) return put('restPain', pain, 'warn', 'pain-rising', `${text}, up ${rise} on the last round`)
  put('restPain', pain, 'none', 'pain', text)
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
