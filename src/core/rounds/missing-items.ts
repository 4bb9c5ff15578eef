import type { ClinicalCase } from '../model/clinical-case'
import { hasFlag } from '../model/clinical-case'
import { needsAnswer, nerves, watchedOf, type BlockName, type LimbFindings, type RoundInput } from '../model/observation'
import { keyMovements } from '../model/round-items'
import { otherSide, type Side } from '../model/vocabulary'
import { blockItemIds } from './look-at-block'
import { limbPart, sideOfPart, type PartId } from './look'

const sides = ['left', 'right'] as const
const limbs = ['arm', 'leg'] as const
const ofLimb = { colour: 'colour', warmth: 'warmth', refillS: 'refill', pulse: 'pulse' } as const
const ofInjured = { swelling: 'swelling', restPain: 'restPain', stretchPain: 'stretchPain', tight: 'tight' } as const

/** The injured limb of a case, or null where the neck, the trunk or nothing is named. */
export function injuredLimb(clinicalCase: ClinicalCase): { readonly limb: 'leg' | 'arm'; readonly side: Side } | null {
  const watched = watchedOf(clinicalCase.injury.region)
  const { side } = clinicalCase.injury
  return side && (watched === 'leg' || watched === 'arm') ? { limb: watched, side } : null
}

/**
 * What a round of a case left out, as ids of items: nothing is missing in a complete round. What could not be
 * assessed was looked at. A limb or block that was not looked at at all is named as a whole.
 */
export function missingItems(clinicalCase: ClinicalCase, round: RoundInput): readonly string[] {
  const missing = missingOfRound(clinicalCase, round)
  return round.cannotAsk === undefined ? missing : missing.filter((id) => !needsAnswer(readItemOf(id)))
}

/** The item of an id such as `leg-left/feeling/tibial`; of a part alone the part. */
function readItemOf(id: string): string {
  return id.slice(id.indexOf('/') + 1)
}

function missingOfRound(clinicalCase: ClinicalCase, round: RoundInput): readonly string[] {
  const watched = watchedOf(clinicalCase.injury.region)
  if (watched === 'neck' || watched === 'spine') {
    const block = missingOfBlock(watched, round)
    return [...block, ...limbs.flatMap((limb) => sides.flatMap((side) => missingOfKeyLimb(limb, side, round)))]
  }
  const injured = injuredLimb(clinicalCase)
  if (!injured) return round.limbs.length === 0 ? ['limbs'] : []
  const own = missingOfLimb(injured.limb, injured.side, round, true)
  const isAlone = hasFlag(clinicalCase, 'no-sound-side')
  return isAlone ? own : [...own, ...missingOfLimb(injured.limb, otherSide(injured.side), round, false)]
}

/**
 * Whether a round was complete for one part: its pair of limbs, or, where the neck or the trunk is hurt, everything.
 * @param missing what the round left out, as `missingItems` says it
 */
export function isCompleteFor(clinicalCase: ClinicalCase, round: RoundInput, part: PartId, missing: readonly string[]): boolean {
  const watched = watchedOf(clinicalCase.injury.region)
  if (watched === 'neck' || watched === 'spine') return missing.length === 0
  const limb = part.startsWith('leg-') ? 'leg' : part.startsWith('arm-') ? 'arm' : null
  if (limb === null) return missingOfBlock(part as BlockName, round).length === 0
  if (limb === watched) return missing.length === 0
  const side = sideOfPart(part) ?? 'left'
  const left = missingOfLimb(limb, side, round, false)
  return left.every((id) => round.cannotAsk !== undefined && needsAnswer(readItemOf(id)))
}

function find(round: RoundInput, limb: 'leg' | 'arm', side: Side): LimbFindings | undefined {
  return round.limbs.find((one) => one.limb === limb && one.side === side)
}

function missingOfLimb(limb: 'leg' | 'arm', side: Side, round: RoundInput, isInjured: boolean): readonly string[] {
  const found = find(round, limb, side)
  const part = limbPart(limb, side)
  if (!found) return [part]
  // Before anything is on nothing can be tight.
  const { tight, ...bare } = ofInjured
  const fields = Object.entries(isInjured ? { ...ofLimb, ...bare, ...(round.baseline ? {} : { tight }) } : ofLimb)
  const plain = fields.flatMap(([field, item]) => (found[field as keyof typeof ofLimb] === undefined ? [item] : []))
  const nerve = nerves[limb].flatMap(({ id }) => [
    ...(found.movement?.[id] === undefined ? [`movement/${id}`] : []),
    ...(found.feeling?.[id] === undefined ? [`feeling/${id}`] : []),
  ])
  return [...plain, ...nerve].map((item) => `${part}/${item}`)
}

/** Of each limb of a hurt neck or trunk: pulse, key movements, feeling. */
function missingOfKeyLimb(limb: 'leg' | 'arm', side: Side, round: RoundInput): readonly string[] {
  const found = find(round, limb, side)
  const part = limbPart(limb, side)
  if (!found) return [part]
  const items = [
    ...(found.pulse === undefined ? ['pulse'] : []),
    ...keyMovements[limb].filter(({ id }) => found.power?.[id] === undefined).map(({ id }) => `power/${id}`),
    ...nerves[limb].filter(({ id }) => found.feeling?.[id] === undefined).map(({ id }) => `feeling/${id}`),
  ]
  return items.map((item) => `${part}/${item}`)
}

function missingOfBlock(block: BlockName, round: RoundInput): readonly string[] {
  const found = round[block]
  if (!found) return [block]
  return blockItemIds(block)
    .filter((id) => found[id] === undefined)
    .map((id) => `${block}/${id}`)
}
