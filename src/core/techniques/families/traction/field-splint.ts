import { legGeometry } from '../../../planner/body/leg-geometry'
import { sketchLeg } from '../../../planner/body/measure-leg'
import type { PlanDraft } from '../../../planner/draft'
import type { ScheduleEntry } from '../../../model/plan'
import type { Geometry } from '../../../model/geometry'
import { scheduleRounds } from '../../../planner/schedule-rounds'
import { strapBands } from './decide-strap-places'
import { splintScene } from './splint-scene'
import type { MeasuredSpan } from './measure-span'

/** Minutes until a field splint has to be changed. */
export const convertMin = 120
/** A field splint is watched until it is changed. */
export const fieldRounds = { upToMin: convertMin } as const

/** Straps of a splint, from the lowest: how many, and their names (colours, places) where the store lists them. */
export interface SplintStraps {
  readonly count: number
  readonly names: readonly string[]
  /** How they are led round the leg, as the store's item says; null where it does not. */
  readonly direction: string | null
}

/** The straps that the stocked splint carries; the usual number, with a caution, when none is listed. */
export function strapsOf(draft: PlanDraft, technique: string, usual: number, name: string): SplintStraps {
  const { inStock, isListed } = draft.stock((item) => item.technique === technique)
  if (inStock.length === 0 && isListed) {
    draft.caution({
      level: 'caution',
      code: 'not-in-stock',
      decisions: ['strap-places'],
      at: ['lays-out'],
      text: `No ${name} is in stock: the figures are for the usual one.`,
      why: 'None is listed as present.',
    })
  }
  const straps = Number(inStock[0]?.['straps'])
  const named = inStock[0]?.['strapNames']
  const direction = inStock[0]?.['strapDirection']
  return {
    count: Number.isInteger(straps) && straps >= 1 && straps <= 12 ? straps : usual,
    names: Array.isArray(named) ? named.map(String) : [],
    direction: typeof direction === 'string' && direction.trim() !== '' ? direction.trim() : null,
  }
}

/** Decides `convert-by`: within two hours, at the latest on arrival. */
export function decideConvert(draft: PlanDraft): void {
  draft.decide({
    id: 'convert-by',
    value: convertMin,
    display: `${convertMin} min after application, at the latest on arrival`,
    source: 'practice',
    formula: 'As soon as possible in hospital; no later than 120 minutes.',
    working: [],
  })
}

/** Rounds to the conversion, and the conversion itself. */
export function fieldSchedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(
      draft.clinicalCase,
      draft.ctx.protocol,
      'Circulation, feeling, movement, hitch and groin; pulse, pressure, breathing.',
      false,
      fieldRounds,
    ),
    { id: 'convert', kind: 'convert', dueMin: convertMin, graceMin: 15, text: 'Change the field splint for the ward’s traction.' },
  ]
}

/** The leg with bars, hitch, straps and what is kept clear of them. */
export function drawFieldSplint(
  draft: PlanDraft,
  span: MeasuredSpan | null,
  placesCm: readonly number[],
  beyondCm: number,
  decision: string,
  pullKg: number | null,
): Geometry {
  const { model } = sketchLeg(draft)
  const base = legGeometry(draft, model, 'groin')
  const topCm = span?.insideLegCm ?? model.insideLegCm
  return {
    ...base,
    angles: { ankle: 90, knee: 0 },
    bands: [
      { id: 'bar', axis: 'leg', label: 'Pole or bars', kind: 'bar', fromCm: -beyondCm, toCm: topCm, decision },
      {
        id: 'hitch',
        axis: 'leg',
        label: 'Ankle hitch',
        kind: 'hold',
        fromCm: model.stations.ankle.atCm - 2,
        toCm: model.stations.ankle.atCm + 3,
        decision: 'load',
      },
      ...(span ? strapBands(draft, span, placesCm) : []),
    ],
    scene: splintScene({
      insideLegCm: topCm,
      beyondCm,
      top: 'socket',
      topLabel: 'Groin strap or sit bone',
      gripLabel: 'Ankle hitch',
      pullKg,
    }),
  }
}
