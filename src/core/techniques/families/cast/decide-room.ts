import { asEstimate } from '../../../planner/format-decision'
import type { PlanDraft } from '../../../planner/draft'
import { greatestGirthGrowth } from '../../../figures/swelling/girth-growth'
import { hasNoRoom, hoursUntilLimit, pressureUnderShell, type RoomInput } from '../../../figures/swelling/room'

const horizonH = 72

/**
 * Decides `room` (closed kPa at 72 h) and `room-hours` (until 4 kPa, null if not within 72 h in this estimate) of a closed
 * cast. Stop `no-room` when the padding is crushed flat.
 * @param girthCm greatest bare girth in the cast, cm
 */
export function decideRoom(draft: PlanDraft, girthCm: number, where: string): void {
  const growthMax = greatestGirthGrowth(draft.clinicalCase, draft.ctx.protocol)
  const input: RoomInput = { girthCm, growthMax, paddingLayers: 2, openingCm: 0, hasCrepe: false, coveredShare: 1 }
  const kPa = pressureUnderShell(input, horizonH, draft.ctx.protocol)
  const hours = hoursUntilLimit(input, draft.ctx.protocol)
  const working = [
    { label: `Greatest girth, ${where}`, value: girthCm, unit: 'cm', from: 'computed' as const, where },
    { label: 'Forecast growth', value: growthMax, unit: 'ratio', from: 'computed' as const },
    { label: 'Padding', value: 2, unit: 'layers', from: 'default' as const },
  ]
  if (hasNoRoom(input, horizonH, draft.ctx.protocol)) {
    draft.caution({
      level: 'stop',
      code: 'no-room',
      lasts: true,
      decisions: ['room'],
      at: ['first-layer'],
      text: 'No closed cast: take a slab, or open it at once when it is hard.',
      why:
        kPa === null
          ? 'In this estimate the swelling crushes the padding flat within 72 hours.'
          : 'In this estimate the swelling presses nine tenths of the padding together within 72 hours.',
    })
  }
  draft.decide({
    id: 'room',
    value: kPa,
    display:
      kPa === null ? 'no room left within 72 h, estimated' : asEstimate(`${kPa.toFixed(1)} kPa (${(kPa * 7.50062).toFixed(0)} mmHg)`),
    source: 'model',
    formula: '0.8 kPa + 6·x ÷ (1 − x), x being how far the swelling presses the padding together. It is not compartment pressure.',
    working,
  })
  draft.decide({
    id: 'room-hours',
    value: hours,
    display: hours === null ? 'none within 72 h, estimated' : asEstimate(`${hours.toFixed(1)} h`),
    source: 'model',
    formula: 'When that pressure passes 4 kPa (30 mmHg). It never lengthens a round and never cancels an opening.',
    working,
  })
}
