import type { LegModel, LegStation } from '../../../figures/body/leg-model'
import type { LegStationId } from '../../../figures/body/leg-template'
import { paddedGirth, paddingDefaults } from '../../../figures/body/padded-girth'
import { workingOf, type PlanDraft } from '../../../planner/draft'
import type { WorkingLine } from '../../../model/decision'
import { readDefaults } from '../../../quantities/defaults'
import { bandageWidth, checkBandagePressure, widerWhereNeeded } from './check-bandage-pressure'
import { decideRolls, type RollZone } from './decide-rolls'
import { legWrapArea, type LegZone } from '../../../figures/wraps/leg-wrap-area'
import { limbArea, type GirthAt } from '../../../figures/wraps/limb-area'
import type { RollChoice } from '../../../figures/wraps/roll-choice'
import { wrapDefaults } from '../../../figures/wraps/wrap-length'

/** Roll widths that suit each zone of the leg, cm. */
const zoneWidths: Record<LegZone, readonly [number, number]> = { foot: [7.5, 10], leg: [10, 15], thigh: [15, 20] }

export interface LegWrapRequest {
  readonly decision: 'padding' | 'crepe'
  readonly item: string
  readonly top: LegStationId
  readonly passes: number
  readonly isOverPadding: boolean
  readonly note: string
}

/** Places of the foot that a bandage goes round, the narrowest of the limb. */
const footPlaces: readonly LegStationId[] = ['midfoot', 'heel-instep']

/** Zones to wind on foot and leg up to a station, with their figure-of-eight turns. */
export function legRollZones(draft: PlanDraft, model: LegModel, top: LegStationId, isOverPadding: boolean): readonly RollZone[] {
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const girthOf = (station: LegStation): number => (isOverPadding ? paddedAt(draft, station) : station.girthCm)
  const areas = legWrapArea(model, top, girthOf, wrap.endMarginCm)
  const turnsCm: Record<LegZone, number> = {
    foot: wrap.ankleTurns * girthOf(model.stations['heel-instep']),
    leg: reachesKnee(top) ? wrap.kneeTurns * girthOf(model.stations.knee) : 0,
    thigh: 0,
  }
  return (['foot', 'leg', 'thigh'] as const)
    .filter((zone) => areas[zone] > 0)
    .map((zone) => ({ id: zone, areaCm2: areas[zone], turnsCm: turnsCm[zone], widthsCm: zoneWidths[zone] }))
}

/** Zones of bare leg between two places on its axis, without foot and without figure-of-eight turns, cm from the heel sole. */
export function legStretchZones(model: LegModel, fromCm: number, toCm: number): readonly RollZone[] {
  const profile = legProfile(model, (station) => station.girthCm)
  const areaBetween = (lowCm: number, highCm: number): number => (highCm <= lowCm ? 0 : limbArea(profile, lowCm, highCm))
  const kneeCm = model.lowerLegCm
  return [
    { id: 'leg', areaCm2: areaBetween(fromCm, Math.min(kneeCm, toCm)), turnsCm: 0, widthsCm: zoneWidths.leg },
    { id: 'thigh', areaCm2: areaBetween(Math.max(kneeCm, fromCm), toCm), turnsCm: 0, widthsCm: zoneWidths.thigh },
  ]
}

/** Girths along the leg, or along the foot, in the order of the axis. */
export function legProfile(model: LegModel, girthOf: (station: LegStation) => number, axis: 'leg' | 'foot' = 'leg'): readonly GirthAt[] {
  return Object.values(model.stations)
    .filter((station) => station.axis === axis)
    .map((station) => ({ atCm: station.atCm, girthCm: girthOf(station) }))
    .sort((a, b) => a.atCm - b.atCm)
}

/** Decides the rolls for one wrap of foot and leg: the decision and its materials. */
export function decideLegWrap(draft: PlanDraft, model: LegModel, request: LegWrapRequest): RollChoice | null {
  const { top, isOverPadding, ...rest } = request
  return decideRolls(draft, { ...rest, zones: legRollZones(draft, model, top, isOverPadding), working: girthWorking(model) })
}

/**
 * Decides the elastic bandage of foot and leg: of the stocked rolls the narrowest whose pressure stays under the caution, and looks at that
 * pressure at the foot, ankle, calf and below-knee, each by the width wound there.
 */
export function decideLegBandage(draft: PlanDraft, model: LegModel, request: Pick<LegWrapRequest, 'top' | 'passes' | 'note'>): void {
  const placesAt = (ids: readonly LegStationId[]) =>
    ids.map((id) => ({
      label: footPlaces.includes(id) ? `foot, ${id.replace('-', ' ')}` : id.replace('-', ' '),
      girthCm: paddedAt(draft, model.stations[id]),
    }))
  const places = { foot: placesAt(footPlaces), leg: placesAt(['ankle', 'calf', 'below-knee']) }
  const zones = legRollZones(draft, model, request.top, true).map((zone): RollZone => {
    if (zone.id === 'leg') return { ...zone, pick: (suiting, all) => bandageWidth(draft, 'leg', places.leg, suiting, all) }
    return zone.id === 'foot' ? { ...zone, pick: (suiting, all) => widerWhereNeeded(draft, 'leg', places.foot, suiting, all) } : zone
  })
  const { passes, note } = request
  const rolls = decideRolls(draft, { passes, note, decision: 'bandage', item: 'elastic-bandage', zones, working: girthWorking(model) })
  const wound = (['foot', 'leg'] as const).flatMap((id) => {
    const widthCm = rolls?.zones.find((zone) => zone.zone === id)?.widthCm
    return widthCm === undefined ? [] : places[id].map((place) => ({ ...place, widthCm }))
  })
  if (wound.length > 0) checkBandagePressure(draft, 'leg', wound)
}

/** Girth over the standard padding at a station, C′, cm. */
export function paddedAt(draft: PlanDraft, station: { readonly girthCm: number }): number {
  const padding = readDefaults(paddingDefaults, draft.ctx.protocol)
  return paddedGirth(station.girthCm, padding.layers, padding.compressedLayerCm)
}

/** Working lines for the girths of a leg model, estimated ones marked. */
export function girthWorking(model: LegModel, ids?: readonly LegStationId[]): readonly WorkingLine[] {
  return Object.values(model.stations)
    .filter((station) => !ids || ids.includes(station.id))
    .map((station): WorkingLine =>
      station.measured
        ? { ...workingOf(station.measured), where: station.id }
        : {
            label: `${station.id.replaceAll('-', ' ')} girth, estimated`,
            value: station.girthCm,
            unit: 'cm',
            from: 'estimated',
            where: station.id,
          },
    )
}

function reachesKnee(top: LegStationId): boolean {
  return top === 'knee' || top === 'above-knee' || top === 'mid-thigh' || top === 'groin'
}
