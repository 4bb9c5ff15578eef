import type { PlanDraft } from '../../../planner/draft'
import { readDefaults } from '../../../quantities/defaults'
import { cureTime, isPlaster, settingDefaults, settingTime } from '../../../figures/setting-time/working-time'
import type { SettingMaterial } from '../../../model/setting-material'

export interface DecidedSetting {
  readonly minutes: number
  readonly sd: number
  readonly cureMin: number
  /** What was wetted can be shaped, and bonds, for so much of its setting time. */
  readonly workableShare: number
  /** A hold lasts so long from the last wetting over it. */
  readonly releaseMin: number
  /** It is set down or turned so long after the last wetting, sooner only with one named hand above and one below. */
  readonly lowerMin: number
}

/** A setting time set by hand is usual within so large a share of the one of material and water. */
const usualShare = 0.5

/**
 * Decides `set-time` and `cure-time` for what is dipped, with the water cautions.
 * @param layers plaster layers or fibreglass plies at the thickest
 * @returns the setting time to plan with, with the clocks that go by it, minutes
 */
export function decideSetting(draft: PlanDraft, material: SettingMaterial, layers: number): DecidedSetting {
  const { environment } = draft.clinicalCase
  const limits = readDefaults(settingDefaults, draft.ctx.protocol)
  const { waterC, packSetMin } = environment
  const set = settingTime(material, waterC, packSetMin, draft.ctx.protocol)
  const minutes = draft.decide({
    id: 'set-time',
    value: set.minutes,
    sd: set.sd,
    range: {
      safe: [set.minutes * (1 - usualShare), Infinity],
      usual: [set.minutes * (1 - usualShare), set.minutes * (1 + usualShare)],
      harm: {
        less: 'The hold ends while it is soft: it bends, and the break moves in it.',
        more: 'Work that waits for it is planned into the time when it is hard already.',
      },
    },
    source: 'model',
    formula: 'Nominal time × exp(−k × (water − 22 °C)); the pack’s own figure replaces the nominal.',
    working: [
      { label: 'Material', value: material, unit: null, from: 'option' },
      {
        label: packSetMin === undefined ? 'Nominal at 22 °C' : 'On the pack',
        value: set.nominalMin,
        unit: 'min',
        from: packSetMin === undefined ? 'default' : 'measured',
      },
      { label: 'Water', value: waterC, unit: '°C', from: 'measured' },
    ],
  })
  warnAboutWater(draft, waterC, isPlaster(material), limits)
  const cure = cureTime(material, layers, draft.ctx.protocol)
  draft.decide({
    id: 'cure-time',
    value: cure.value,
    unit: cure.unit,
    source: 'practice',
    formula: 'Plaster 24 h, 48 h above 8 layers; fibreglass 20 min, 30 min above 6 plies. Strength only: it never allows weight.',
    working: [
      { label: 'Material', value: material, unit: null, from: 'option' },
      { label: 'Thickness', value: layers, unit: 'layers', from: 'computed' },
    ],
  })
  return {
    minutes,
    sd: set.sd,
    cureMin: cure.minutes,
    workableShare: limits.workableShare,
    releaseMin: limits.releaseShare * minutes,
    lowerMin: isPlaster(material) ? Math.max(limits.lowerPlasterMin, limits.lowerPlasterShare * minutes) : limits.lowerFibreglassMin,
  }
}

function warnAboutWater(
  draft: PlanDraft,
  waterC: number,
  plaster: boolean,
  limits: Record<'coldC' | 'warmPlasterC' | 'hotC', number>,
): void {
  if (waterC > limits.hotC) {
    draft.caution({
      level: 'stop',
      isFloor: true,
      code: 'hot-water',
      decisions: ['set-time'],
      at: ['wets'],
      text: `Cool the water: ${waterC} °C is too hot to dip in.`,
      why: `Above ${limits.hotC} °C it sets before it is moulded and can burn the skin under it.`,
    })
  } else if (plaster && waterC > limits.warmPlasterC) {
    draft.caution({
      level: 'caution',
      code: 'warm-water',
      lasts: true,
      decisions: ['set-time'],
      at: ['wets'],
      text: `Use cooler water than ${waterC} °C for plaster.`,
      why: 'Warm water shortens the working time and adds to the heat of setting.',
    })
  } else if (waterC < limits.coldC) {
    draft.caution({
      level: 'caution',
      code: 'cold-water',
      decisions: ['set-time'],
      at: ['wets'],
      text: `Use warmer water than ${waterC} °C, or allow for it.`,
      why: 'Cold water sets slowly and leaves it weak.',
    })
  }
}
