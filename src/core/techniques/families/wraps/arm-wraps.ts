import { armGirthAt, type ArmModel } from '../../../figures/body/arm-model'
import { frustumArea } from '../../../figures/body/frustum'
import { workingOf, type PlanDraft } from '../../../planner/draft'
import type { WorkingLine } from '../../../model/decision'
import { readDefaults } from '../../../quantities/defaults'
import { bandageWidth, checkBandagePressure } from './check-bandage-pressure'
import { decideRolls, type RollZone } from './decide-rolls'
import { paddedAt } from './leg-wraps'
import type { RollChoice } from '../../../figures/wraps/roll-choice'
import { wrapDefaults } from '../../../figures/wraps/wrap-length'

/** Roll widths that suit hand and forearm, cm. */
const widths = { hand: [5, 7.5], forearm: [7.5, 10] } as const
const webTurns = 2

export interface ArmWrapRequest {
  readonly decision: 'padding' | 'crepe'
  readonly item: string
  /** Upper end of what is covered, cm from the wrist crease. */
  readonly topCm: number
  readonly passes: number
  readonly isOverPadding: boolean
  readonly note: string
}

/** Decides the rolls for one wrap of hand and forearm, with two turns through the thumb web. */
export function decideArmWrap(draft: PlanDraft, model: ArmModel, request: ArmWrapRequest): RollChoice | null {
  const { topCm, isOverPadding, ...rest } = request
  return decideRolls(draft, { ...rest, zones: armRollZones(draft, model, topCm, isOverPadding), working: armGirthWorking(model) })
}

/**
 * Decides the elastic bandage of hand and forearm: of the stocked rolls the narrowest whose pressure stays under the caution, and looks at
 * that pressure at wrist and mid-forearm.
 */
export function decideArmBandage(
  draft: PlanDraft,
  model: ArmModel,
  { topCm, passes, note }: Pick<ArmWrapRequest, 'topCm' | 'passes' | 'note'>,
): void {
  const places = (['wrist', 'mid-forearm'] as const).map((id) => ({
    label: id.replace('-', ' '),
    girthCm: paddedAt(draft, model.stations[id]),
  }))
  const zones = armRollZones(draft, model, topCm, true).map((zone): RollZone =>
    zone.id === 'forearm' ? { ...zone, pick: (suiting, all) => bandageWidth(draft, 'arm', places, suiting, all) } : zone,
  )
  const rolls = decideRolls(draft, { passes, note, decision: 'bandage', item: 'elastic-bandage', zones, working: armGirthWorking(model) })
  const widthCm = rolls?.zones.find((zone) => zone.zone === 'forearm')?.widthCm
  if (widthCm !== undefined)
    checkBandagePressure(
      draft,
      'arm',
      places.map((place) => ({ ...place, widthCm })),
    )
}

function armRollZones(draft: PlanDraft, model: ArmModel, topCm: number, isOverPadding: boolean): readonly RollZone[] {
  const { endMarginCm } = readDefaults(wrapDefaults, draft.ctx.protocol)
  const girthOf = (girthCm: number): number => (isOverPadding ? paddedAt(draft, { girthCm }) : girthCm)
  const { hand, wrist } = model.stations
  const covered = [wrist.atCm, model.stations['mid-forearm'].atCm, model.stations.forearm.atCm, topCm].filter((at) => at <= topCm)
  const areaBetween = (fromCm: number, toCm: number): number =>
    frustumArea(girthOf(armGirthAt(model, fromCm)), girthOf(armGirthAt(model, toCm)), toCm - fromCm)
  const forearmArea = covered.slice(1).reduce((sum, at, index) => sum + areaBetween(covered[index] ?? 0, at), 0)
  return [
    {
      id: 'hand',
      areaCm2: areaBetween(hand.atCm, wrist.atCm) + endMarginCm * girthOf(hand.girthCm),
      turnsCm: webTurns * girthOf(hand.girthCm),
      widthsCm: widths.hand,
    },
    { id: 'forearm', areaCm2: forearmArea + endMarginCm * girthOf(armGirthAt(model, topCm)), turnsCm: 0, widthsCm: widths.forearm },
  ]
}

/** Working lines for the girths of an arm model, estimated ones marked. */
export function armGirthWorking(model: ArmModel): readonly WorkingLine[] {
  return Object.values(model.stations).map((station): WorkingLine =>
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
