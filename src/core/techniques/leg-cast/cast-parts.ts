import type { CrewWindow } from '../../model/crew-input'
import type { OptionValues } from '../../planner/technique'
import type { CastRoll, CastRolls } from './materials'
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
  /** The roll that its first one is lapped onto, by id; null for the very first. */
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

type Draft = Omit<CastPart, 'rolls' | 'lapsOn'> & {
  readonly of: readonly CastRoll[]
  /** The part whose last roll it is lapped onto; the one before it where it is left out. */
  readonly lapsOnPart?: CastPart['id']
}

/** So many rolls are laid, turned back and moulded while the first of them is workable, at 22 °C and fast plaster. */
const atATime = 2

/** The parts of a cast in the order in which they are made, their rolls numbered throughout. */
export function castParts(formation: CastFormation): readonly CastPart[] {
  const made = draftParts(formation).filter(({ of, shapes }) => of.length > 0 || shapes.length > 0)
  let number = 0
  const parts: CastPart[] = []
  for (const { of, lapsOnPart, ...part } of made) {
    const beneath = parts.find(({ id }) => id === lapsOnPart) ?? parts.at(-1)
    const rolls = of.map((roll): NumberedRoll => ({ id: `roll-${++number}`, number, roll }))
    parts.push({ ...part, rolls, lapsOn: beneath?.rolls.at(-1)?.id ?? null })
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

/** Ankle, then shin: the ankle is moulded as soon as its rolls lie, and the top edge is cut before the knee is laid over it. */
function lowerPartFirst(lower: readonly CastRoll[], isLong: boolean): readonly Draft[] {
  const [ankle, shin] = [lower.slice(0, atATime), lower.slice(atATime)]
  const edge: ShapeId = isLong ? 'relief-cuts' : 'upper-edge'
  if (shin.length === 0)
    return [{ id: 'ankle', of: ankle, turnsBack: isLong ? 'at the toes' : 'at both ends', shapes: ['mould-ankle', edge] }]
  return [
    { id: 'ankle', of: ankle, turnsBack: 'at the toes', shapes: ['mould-ankle'] },
    { id: 'shin', of: shin, turnsBack: isLong ? null : 'at the top', shapes: [edge] },
  ]
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

/** The break is held first. Low: the ankle, then up. High: the knee and up, then down from the break, the foot last. */
function fromTheInjury({ rolls, isLong, isLowInjury }: CastFormation): readonly Draft[] {
  const leg = rolls.lower.filter(({ zone }) => zone !== 'foot')
  const foot = rolls.lower.filter(({ zone }) => zone === 'foot')
  const [overBreak, rest] = [leg.slice(0, 1), leg.slice(1)]
  if (isLowInjury) {
    const ankle: Draft = { id: 'ankle', of: [...overBreak, ...foot], turnsBack: 'at the toes', shapes: ['mould-ankle'] }
    const up: Draft = { id: 'shin', of: rest, turnsBack: isLong ? null : 'at the top', shapes: isLong ? [] : ['upper-edge'] }
    return [ankle, up, ...thighParts(rolls.thigh, isLong)]
  }
  if (!isLong) {
    return [
      { id: 'shin', of: [...overBreak, ...rest.slice(1)], turnsBack: 'at the top', shapes: ['upper-edge'] },
      { id: 'ankle', of: [...rest.slice(0, 1), ...foot], turnsBack: 'at the toes', shapes: ['mould-ankle'] },
    ]
  }
  const [knee, ...upper] = thighParts(rolls.thigh, isLong)
  return [
    ...(knee ? [{ ...knee, of: [...overBreak, ...knee.of] }] : []),
    ...upper,
    { id: 'ankle', of: [...rest, ...foot], turnsBack: 'at the toes', shapes: ['mould-ankle'], lapsOnPart: 'knee' },
  ]
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
