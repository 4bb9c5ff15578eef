import type { CrewWindow } from '../../model/crew-input'
import type { OptionValues } from '../../planner/technique'
import type { CastRoll, CastRolls, CastZone } from './roll-zones'
import type { LegCastStep } from './roles'

/** The step of one roll. */
export type RollStep = LegCastStep & `roll-${number}`

/** A roll with its place in the whole cast. */
export interface NumberedRoll {
  /** Step id, `roll-4`. */
  readonly id: RollStep
  /** 1 for the first that is laid. */
  readonly number: number
  readonly roll: CastRoll
}

/** What shapes a part while it is soft. */
export type ShapeId = LegCastStep & ('mould-ankle' | 'mould-knee' | 'upper-edge' | 'relief-cuts' | 'mould')

/** A stretch of the cast that is rolled and shaped before it sets: its clock starts when its first roll is wetted. */
export interface CastPart {
  readonly id: 'ankle' | 'shin' | 'knee' | 'upper' | 'whole'
  readonly rolls: readonly NumberedRoll[]
  /** The roll beneath its first one, by id: the last before it on that part of the limb or beside it; null for the very first. */
  readonly lapsOn: RollStep | null
  /** Where padding or stocking is turned back, before its last roll. */
  readonly turnsBack: 'at the toes' | 'at the top' | 'at both ends' | null
  readonly shapes: readonly ShapeId[]
}

/** What decides how a cast is divided. */
export interface CastFormation {
  readonly options: OptionValues
  readonly isLong: boolean
  readonly rolls: CastRolls
  /** The injury is nearer to the ankle than to the knee. */
  readonly isLowInjury: boolean
}

type Draft = Omit<CastPart, 'rolls' | 'lapsOn'> & { readonly of: readonly CastRoll[] }

/** What lies beside what: a roll is laid on those of its own zone, or lapped onto the next. */
const beside: Readonly<Record<CastZone, readonly CastZone[]>> = {
  foot: ['leg'],
  leg: ['foot', 'thigh'],
  thigh: ['leg'],
}

/** The parts of a cast in the order in which they are made, their rolls numbered throughout. */
export function castParts(formation: CastFormation): readonly CastPart[] {
  const made = draftParts(formation).filter(({ of, shapes }) => of.length > 0 || shapes.length > 0)
  let number = 0
  const parts: CastPart[] = []
  for (const { of, ...part } of made) {
    const laid = parts.flatMap(({ rolls }) => rolls)
    const first = of[0]
    const isOf = (zones: readonly CastZone[]) => laid.findLast(({ roll }) => zones.includes(roll.zone))
    const beneath = first ? (isOf([first.zone]) ?? isOf(beside[first.zone])) : laid.at(-1)
    const rolls = of.map((roll): NumberedRoll => ({ id: `roll-${++number}`, number, roll }))
    parts.push({ ...part, rolls, lapsOn: beneath?.id ?? null })
  }
  return parts
}

function draftParts(formation: CastFormation): readonly Draft[] {
  const { options, isLong, rolls } = formation
  if (options['order'] === 'in-one')
    return [{ id: 'whole', of: [...rolls.lower, ...rolls.thigh], turnsBack: 'at both ends', shapes: ['mould'] }]
  if (options['order'] === 'lower-part-first') return [...lowerPartFirst(rolls.lower, isLong), ...thighParts(rolls.thigh, isLong)]
  return fromTheInjury(formation)
}

/** Ankle, then shin: the ankle is moulded as soon as foot and malleoli are covered, and the top edge is cut before the knee is laid over it. */
function lowerPartFirst(lower: readonly CastRoll[], isLong: boolean): readonly Draft[] {
  const { foot, leg } = byZone(lower)
  const [ankle, shin] = [[...foot, ...leg.slice(0, 1)], leg.slice(1)]
  const edge: ShapeId = isLong ? 'relief-cuts' : 'upper-edge'
  if (shin.length === 0)
    return [{ id: 'ankle', of: ankle, turnsBack: isLong ? 'at the toes' : 'at both ends', shapes: ['mould-ankle', edge] }]
  return [
    { id: 'ankle', of: ankle, turnsBack: 'at the toes', shapes: ['mould-ankle'] },
    { id: 'shin', of: shin, turnsBack: isLong ? null : 'at the top', shapes: [edge] },
  ]
}

function byZone(lower: readonly CastRoll[]): { readonly foot: readonly CastRoll[]; readonly leg: readonly CastRoll[] } {
  return { foot: lower.filter(({ zone }) => zone === 'foot'), leg: lower.filter(({ zone }) => zone === 'leg') }
}

/** The knee is moulded before the thigh is rolled on. */
function thighParts(thigh: readonly CastRoll[], isLong: boolean): readonly Draft[] {
  if (!isLong) return []
  const half = Math.ceil(thigh.length / 2)
  const [knee, upper] = [thigh.slice(0, half), thigh.slice(half)]
  if (upper.length === 0) return [{ id: 'knee', of: knee, turnsBack: 'at the top', shapes: ['mould-knee', 'upper-edge'] }]
  return [
    { id: 'knee', of: knee, turnsBack: null, shapes: ['mould-knee'] },
    { id: 'upper', of: upper, turnsBack: 'at the top', shapes: ['upper-edge'] },
  ]
}

/** Two rolls over the break before moving on. Low: then the foot, then up. High: then the knee and up, the ankle and foot last. */
function fromTheInjury({ rolls, isLong, isLowInjury }: CastFormation): readonly Draft[] {
  const { foot, leg } = byZone(rolls.lower)
  const [overBreak, rest] = [leg.slice(0, 2), leg.slice(2)]
  const edge: ShapeId = isLong ? 'relief-cuts' : 'upper-edge'
  const ankle: Omit<Draft, 'of'> = { id: 'ankle', turnsBack: 'at the toes', shapes: ['mould-ankle'] }
  if (isLowInjury)
    return [
      { ...ankle, of: [...overBreak, ...foot] },
      { id: 'shin', of: rest, turnsBack: isLong ? null : 'at the top', shapes: [edge] },
      ...thighParts(rolls.thigh, isLong),
    ]
  const last: Draft = { ...ankle, of: [...rest, ...foot] }
  if (!isLong) return [{ id: 'shin', of: overBreak, turnsBack: 'at the top', shapes: ['upper-edge'] }, last]
  const [knee, ...upper] = thighParts(rolls.thigh, isLong)
  return [...(knee ? [{ ...knee, of: [...overBreak, ...knee.of] }] : []), ...upper, last]
}

/**
 * What has to be done while what is still soft: each roll begins while the one under it bonds, each part is shaped while its first roll is workable.
 * A part without rolls of its own, such as an edge, goes by those before it.
 * @param share of the setting time for which it can be shaped and bonds
 */
export function castWindows(parts: readonly CastPart[], share: number): readonly CrewWindow[] {
  return parts.flatMap(({ rolls, lapsOn, shapes }): readonly CrewWindow[] => {
    const ids = rolls.map(({ id }) => id)
    const beneath = [lapsOn, ...ids]
    return [
      ...ids.flatMap((id, index): readonly CrewWindow[] => {
        const from = beneath[index] ?? null
        return from === null ? [] : [{ from, at: 'start', to: id, toAt: 'start', share }]
      }),
      ...shapes.map((to): CrewWindow => ({ from: ids[0] ?? lapsOn ?? '', at: 'start', to, share })),
    ]
  })
}
