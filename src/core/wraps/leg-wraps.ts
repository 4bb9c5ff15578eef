import type { LegModel, LegStation } from '../body/leg-model'
import type { LegStationId } from '../body/leg-template'
import { paddedGirth, paddingDefaults } from '../body/padded-girth'
import { hasFlag, type StockItem } from '../case/clinical-case'
import { workingOf, type PlanDraft } from '../plan/draft'
import type { WorkingLine } from '../plan/decision'
import { readDefaults } from '../quantities/defaults'
import { bandageDefaults, bandagePressure } from './bandage-pressure'
import { legWrapArea, type LegZone } from './leg-wrap-area'
import { chooseRolls, type RollChoice, type WrapZone } from './roll-choice'
import { wrapDefaults, wrapLayers, wrapLength } from './wrap-length'

/** Roll widths that suit each zone of the leg, cm (PRECISIONS, Rolls). */
const zoneWidths: Record<LegZone, readonly [number, number]> = { foot: [7.5, 10], leg: [10, 15], thigh: [15, 20] }

export interface LegWrapRequest {
  readonly decision: 'padding' | 'bandage'
  readonly label: string
  readonly item: string
  readonly top: LegStationId
  readonly passes: number
  readonly isOverPadding: boolean
  readonly note: string
}

/**
 * Decides the rolls for one wrap of foot and leg: area by zone, length, figure-of-eight turns, then rolls by
 * width from stock (COMPUTATION 3). Adds the decision and its material.
 * @returns the rolls chosen, or null when no roll of the kind exists at all
 */
export function decideLegWrap(draft: PlanDraft, model: LegModel, request: LegWrapRequest): RollChoice | null {
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const girthOf = (station: LegStation): number => (request.isOverPadding ? paddedAt(draft, station) : station.girthCm)
  const areas = legWrapArea(model, request.top, girthOf, wrap.endMarginCm)
  const turnsCm: Record<LegZone, number> = {
    foot: wrap.ankleTurns * girthOf(model.stations['heel-instep']),
    leg: reachesKnee(request.top) ? wrap.kneeTurns * girthOf(model.stations.knee) : 0,
    thigh: 0,
  }
  const zones = (['foot', 'leg', 'thigh'] as const)
    .filter((zone) => areas[zone] > 0)
    .map((zone): WrapZone => ({
      id: zone,
      leastWidthCm: zoneWidths[zone][0],
      greatestWidthCm: zoneWidths[zone][1],
      lengthFor: (widthCm) => wrapLength(areas[zone], widthCm, wrap.halfOverlap, request.passes, wrap.takeUp) + turnsCm[zone],
    }))
  const items = stockedRolls(draft, request)
  const choice = chooseRolls(zones, items)
  if (!choice) return null
  draft.decide({
    id: request.decision,
    label: request.label,
    value: choice.totalRolls,
    unit: 'rolls',
    display: describeRolls(choice),
    formula:
      'Area between stations ÷ (width × half overlap) × passes × take-up, and figure-of-eight turns; fewest rolls, then least waste.',
    source: 'practice',
    working: [
      ...zones.map((zone): WorkingLine => ({
        label: `Area, ${zone.id}`,
        value: Math.round(areas[zone.id as LegZone]),
        unit: 'cm²',
        from: 'computed',
      })),
      { label: 'Passes', value: request.passes, unit: null, from: 'default' },
      { label: 'Layers', value: wrapLayers(request.passes, wrap.halfOverlap), unit: 'layers', from: 'computed' },
      ...choice.zones.map((zone): WorkingLine => ({
        label: `Length, ${zone.zone}, ${zone.widthCm} cm wide`,
        value: zone.lengthCm,
        unit: 'cm',
        from: 'computed',
      })),
      { label: 'Left over', value: Math.round(choice.wasteCm2), unit: 'cm²', from: 'computed' },
      ...girthWorking(model),
    ],
  })
  for (const roll of choice.rolls) {
    draft.material({
      id: `${request.decision}-${roll.widthCm}`,
      item: request.item,
      widthCm: roll.widthCm,
      lengthCm: roll.rollLengthCm,
      rolls: roll.count,
      layers: wrapLayers(request.passes, wrap.halfOverlap),
      note: request.note,
    })
  }
  return choice
}

/**
 * Checks the pressure under the elastic bandage at ankle, calf and below-knee, and raises `bandage-pressure`
 * at its highest level (SAFETY: lower limits with arterial disease). A low figure is never called safe.
 */
export function checkBandagePressure(draft: PlanDraft, model: LegModel, rolls: RollChoice): void {
  const limits = readDefaults(bandageDefaults, draft.ctx.protocol)
  const widthCm = rolls.zones.find((zone) => zone.zone === 'leg')?.widthCm
  if (widthCm === undefined) return
  const worst = (['ankle', 'calf', 'below-knee'] as const)
    .map((id) => model.stations[id])
    .map((station) => ({ station, mmHg: bandagePressure(limits.layers, limits.tensionKgf, paddedAt(draft, station), widthCm) }))
    .reduce((a, b) => (b.mmHg > a.mmHg ? b : a))
  const isArterial = hasFlag(draft.clinicalCase, 'arterial-disease')
  const stop = isArterial ? limits.arterialStopMmHg : limits.stopMmHg
  const caution = isArterial ? limits.arterialCautionMmHg : limits.cautionMmHg
  if (worst.mmHg <= caution) return
  draft.caution({
    level: worst.mmHg > stop ? 'stop' : 'caution',
    code: 'bandage-pressure',
    decisions: ['bandage'],
    steps: ['bandage'],
    text: 'Lay the bandage on with less pull, or take a wider one.',
    why: `In this estimate it presses ${worst.mmHg.toFixed(0)} mmHg at the ${worst.station.id.replace('-', ' ')} with a ${widthCm} cm bandage; the limit is ${caution}${isArterial ? ' with arterial disease' : ''}.`,
  })
}

/** Girth over the standard padding at a station, C′, cm. */
export function paddedAt(draft: PlanDraft, station: LegStation): number {
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

function stockedRolls(draft: PlanDraft, request: LegWrapRequest): readonly StockItem[] {
  const { inStock } = draft.stock((item) => item.item === request.item)
  if (inStock.length > 0) return inStock
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: [request.decision],
    steps: [],
    text: `${request.label}: none in stock; the number given is for the usual widths.`,
    why: `No ${request.item.replaceAll('-', ' ')} is listed as present.`,
  })
  return draft.ctx.catalogue.items.filter((item) => item.item === request.item)
}

function describeRolls(choice: RollChoice): string {
  return choice.rolls.map((roll) => `${roll.count} × ${roll.widthCm} cm`).join(' + ')
}

function reachesKnee(top: LegStationId): boolean {
  return top === 'knee' || top === 'above-knee' || top === 'mid-thigh' || top === 'groin'
}
