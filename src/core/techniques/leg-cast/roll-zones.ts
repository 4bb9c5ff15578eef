import type { LegModel } from '../../figures/body/leg-model'
import { passesFor, type WindSegment, type WoundLimb } from '../../figures/wraps/wind-rolls'
import { wrapDefaults } from '../../figures/wraps/wrap-length'
import { isYoungerThan } from '../../model/clinical-case'
import type { RollRun } from '../../model/roll-run'
import type { SettingMaterial } from '../../model/setting-material'
import type { PlanDraft } from '../../planner/draft'
import { readDefaults } from '../../quantities/defaults'
import { legProfile, paddedAt } from '../families/wraps/leg-wraps'

export type CastZone = 'foot' | 'leg' | 'thigh'

/** One roll as it is laid: its width and where it goes; no runs where no roll is chosen yet. */
export interface CastRoll {
  readonly zone: CastZone
  readonly widthCm: number | null
  readonly runs: readonly Omit<RollRun, 'id'>[]
}

/** The rolls of a cast in the order of the limb, from the toes up. */
export interface CastRolls {
  readonly lower: readonly CastRoll[]
  readonly thigh: readonly CastRoll[]
}

/** What the rolls of a cast are worked out from. */
export interface RollQuestion {
  readonly model: LegModel
  readonly isLong: boolean
  readonly material: SettingMaterial
  /** Wanted everywhere; the turns at ankle and knee come on top. */
  readonly layers: number
  /** The lower leg is wound from its upper end down: the break lies nearer to it and is held first. */
  readonly isFromTop: boolean
}

/** Rolls to speak of before there is a limb to count them for. */
export function usualRolls(isLong: boolean): CastRolls {
  const of = (zone: CastZone): CastRoll => ({ widthCm: null, zone, runs: [] })
  return { lower: [of('foot'), of('leg'), of('leg')], thigh: isLong ? [of('thigh'), of('thigh')] : [] }
}

/** A stretch of the limb that is wound whole with rolls of one width. */
export interface Zone {
  readonly id: CastZone
  readonly axis: 'foot' | 'leg'
  readonly station: 'heel-instep' | 'knee'
  readonly widthsCm: readonly [number, number]
  limb(widthCm: number): WoundLimb
  segments(layers: number): readonly WindSegment[]
}

/** What suits each zone: an adult's foot 10 cm, a thigh 15 or 20. */
export function zonesOf(draft: PlanDraft, { model, isLong, isFromTop }: RollQuestion): readonly Zone[] {
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const { stations } = model
  const girthOf = (station: { readonly girthCm: number }): number => paddedAt(draft, station)
  const limbOf = (axis: 'foot' | 'leg'): Zone['limb'] => {
    const profile = legProfile(model, girthOf, axis)
    return (widthCm) => ({ profile, widthCm, takeUp: wrap.takeUp })
  }
  const legLimb = limbOf('leg')
  const toAndFro = (layers: number, startCm: number, endCm: number): WindSegment[] =>
    passesFor(layers, wrap.halfOverlap).map((each, pass) => {
      const [fromCm, toCm] = pass % 2 === 0 ? [startCm, endCm] : [endCm, startCm]
      return { fromCm, toCm, layers: each }
    })
  // The lower part ends below the crease of the knee, never at the joint.
  const bootTopCm = stations['below-knee'].atCm
  const lapCm = Math.min(wrap.lapCm, bootTopCm / 2)
  const each = 1 / (1 - wrap.halfOverlap)
  const foot: Zone = {
    id: 'foot',
    axis: 'foot',
    station: 'heel-instep',
    widthsCm: isYoungerThan(draft.clinicalCase, 16) ? [7.5, 10] : [10, 10],
    limb: limbOf('foot'),
    segments(layers) {
      const [first, ...rest] = toAndFro(layers, stations.toe.atCm, stations['heel-instep'].atCm)
      const turns = { atCm: stations['heel-instep'].atCm, turns: wrap.ankleTurns, girthCm: girthOf(stations['heel-instep']) }
      return first ? [first, turns, ...rest] : [turns]
    },
  }
  const leg: Zone = {
    id: 'leg',
    axis: 'leg',
    station: 'knee',
    widthsCm: [10, 15],
    limb: legLimb,
    segments: (layers) => (isFromTop ? toAndFro(layers, bootTopCm, 0) : toAndFro(layers, 0, bootTopCm)),
  }
  const thigh: Zone = {
    id: 'thigh',
    axis: 'leg',
    station: 'knee',
    widthsCm: [15, 20],
    limb: legLimb,
    segments(layers) {
      const [first, ...rest] = toAndFro(layers, bootTopCm, stations.groin.atCm)
      const turns = { atCm: stations.knee.atCm, turns: wrap.kneeTurns, girthCm: girthOf(stations.knee) }
      if (!first || 'turns' in first) return [turns]
      return [
        { fromCm: bootTopCm - lapCm, toCm: bootTopCm, layers: each },
        { ...first, toCm: stations.knee.atCm },
        turns,
        { ...first, fromCm: stations.knee.atCm },
        ...rest,
      ]
    },
  }
  return isLong ? [foot, leg, thigh] : [foot, leg]
}
