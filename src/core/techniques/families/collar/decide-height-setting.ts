import { headTilt } from '../../../figures/sizing/hinge'
import { isYoungerThan, type ClinicalCase, type StockItem } from '../../../model/clinical-case'
import { formatValue } from '../../../planner/format-decision'
import type { Estimate } from '../../../figures/body/pool-side'
import type { SizeStrip } from '../../../model/decision'
import { workingOf, type PlanDraft } from '../../../planner/draft'
import { layOut } from '../sized/decide-size'
import { nearestSetting, type CollarSetting, type SettingChoice } from '../../../figures/sizing/nearest-setting'

const leastOdds = 0.2
const betweenOdds = 0.6
const settledOdds = 0.8
/** How far a head may be off line before it is warned of, and before the collar is not left on, degrees. */
export const cautionTiltDeg = 5
export const stopTiltDeg = 10

/** A neck so far from every setting there is fits none of them, cm. */
const beyondCm = 0.7
/** So tall is nobody a child, where the age is not known, cm. */
const adultFromCm = 150

/** Whether somebody is grown: by age, else by stature; nobody of whom neither is known. */
function isGrown(clinicalCase: ClinicalCase): boolean {
  const { ageYears, heightCm } = clinicalCase.patient
  return ageYears === undefined ? (heightCm ?? 0) >= adultFromCm : !isYoungerThan(clinicalCase, 16)
}

/** A size says by its name that it is a child's. */
function isOfChild({ size }: StockItem): boolean {
  return /\b(child|infant|paediatric)/i.test(String(size ?? ''))
}

/**
 * Decides the `setting` of an extrication collar from neck height and stock, and warns of the head tilt that a
 * setting off the height gives. A child's size is not offered to who is grown; a neck that fits no setting, measured twice,
 * gets no collar.
 * @param withTilt adds the decision `head-tilt`
 * @param instead what is done without a collar
 */
export function decideCollarSetting(draft: PlanDraft, neck: Estimate, withTilt: boolean, instead: string): void {
  const grown = isGrown(draft.clinicalCase)
  const { inStock, out } = draft.stock(
    (item) => item.technique === 'extrication-collar' && typeof item.setting === 'number' && !(grown && isOfChild(item)),
  )
  const settings = [
    ...inStock.map((item) => ({ settingCm: item.setting ?? 0, isInStock: true })),
    ...out.map((item) => ({ settingCm: item.setting ?? 0, isInStock: false })),
  ]
  const choice = nearestSetting(neck.value, neck.sd, settings)
  if (!choice) return noSize(draft, instead, `No collar${grown ? ' for somebody grown' : ''} is listed.`)
  const { best, chosen } = choice
  const used = chosen ?? best
  judgeChoice(draft, neck, best, chosen, instead)
  const [item] = [...inStock, ...out].filter((one) => one.setting === used.settingCm)
  const settingCm = draft.decide({
    id: 'setting',
    value: used.settingCm,
    display: `${describeSetting(used.settingCm, item)}${fingerWords(used.settingCm, neck)}`,
    odds: used.odds,
    sd: neck.sd,
    source: 'practice',
    formula: 'The setting nearest to the neck height; of two equally near, the smaller. Odds that no other setting is nearer.',
    working: [
      workingOf(neck),
      { label: 'Doubt of the reading', value: neck.sd, unit: 'cm', from: 'computed' },
      { label: 'Settings there are', value: choice.all.map((setting) => setting.settingCm), unit: 'cm', from: 'default' },
    ],
    strip: stripOf(neck, choice, used, settings),
    alternatives: choice.all
      .filter((setting) => setting !== used)
      .map((setting) => ({
        value: setting.settingCm,
        display: `${setting.settingCm} cm`,
        odds: setting.odds,
        why: `Odds ${(100 * setting.odds).toFixed(0)} %${setting.isInStock ? '' : ', out of stock'}.`,
      })),
  })
  layOut(draft, 'collar', 'extrication collar', `set to ${settingCm} cm`)
  const tiltDeg = headTilt(settingCm, neck.value)
  warnOfTilt(draft, tiltDeg)
  if (!withTilt) return
  draft.decide({
    id: 'head-tilt',
    value: tiltDeg,
    display: `${Math.abs(tiltDeg).toFixed(1)}° ${tiltDeg >= 0 ? 'back' : 'forward'}`,
    source: 'model',
    formula: 'Arc tangent of (setting − neck height) ÷ 11 cm; positive when set too high.',
    working: [
      { label: 'Setting', value: settingCm, unit: 'cm', from: 'computed' },
      workingOf(neck),
      { label: 'Chin rest to neck', value: 11, unit: 'cm', from: 'default' },
    ],
  })
}

/** What was read in fingers is answered in the same fingers: ", 2.5 of your fingers". */
function fingerWords(settingCm: number, { fingerCm }: Estimate): string {
  if (fingerCm === undefined) return ''
  const fingers = Math.round((2 * settingCm) / fingerCm) / 2
  return `, ${fingers} fingers of ${formatValue(fingerCm, 'cm')}`
}

/** A setting as it is fetched: "4.8 cm, adult collar"; sizes may be listed as "collar, adult" or "adult". */
function describeSetting(settingCm: number, item: StockItem | undefined): string {
  const size = String(item?.size ?? '').replace(/^collar\b[,\s]*|[,\s]*\bcollar$/gi, '')
  return `${formatValue(settingCm, 'cm')}${size ? `, ${size} collar` : ''}`
}

/** Each setting's stretch reaches half way to its neighbours; the outer two reach as far outwards as inwards. */
function stripOf(
  neck: Estimate,
  choice: SettingChoice,
  used: CollarSetting,
  settings: readonly { readonly settingCm: number; readonly isInStock: boolean }[],
): SizeStrip {
  const halved = nearestSetting(neck.value, neck.sd / 2, settings)
  return {
    dimension: neck.label,
    meanCm: neck.value,
    readingSdCm: neck.sd,
    allowanceSdCm: 0,
    sizes: choice.all.map((setting, index) => {
      const below = choice.all[index - 1]?.settingCm
      const above = choice.all[index + 1]?.settingCm
      const half = ((above ?? setting.settingCm + 1) - setting.settingCm) / 2
      return {
        size: `${setting.settingCm} cm`,
        fromCm: below === undefined ? setting.settingCm - half : (below + setting.settingCm) / 2,
        toCm:
          above === undefined
            ? setting.settingCm + (below === undefined ? half : (setting.settingCm - below) / 2)
            : (above + setting.settingCm) / 2,
        odds: setting.odds,
        isInStock: setting.isInStock,
        isUsed: setting === used,
      }
    }),
    isSettledByRemeasuring: choice.best.odds < betweenOdds && (halved?.best.odds ?? 0) > settledOdds,
  }
}

function judgeChoice(draft: PlanDraft, neck: Estimate, best: CollarSetting, chosen: CollarSetting | null, instead: string): void {
  const steps = ['size-collar']
  const offCm = Math.abs(neck.value - best.settingCm)
  if (offCm > beyondCm + 1e-9) {
    const why = `Neck height ${neck.value.toFixed(1)} cm; the nearest setting of all is ${best.settingCm} cm.`
    if (neck.count > 1) return noSize(draft, instead, why)
    draft.caution({
      level: 'caution',
      code: 'check-reading',
      decisions: ['setting'],
      steps,
      text: `Measure the neck height again: no collar is made for it. Read twice, it gets none: ${instead}`,
      why,
    })
  }
  if (best.odds < betweenOdds) {
    draft.caution({
      level: 'caution',
      code: 'between-sizes',
      decisions: ['setting'],
      steps,
      text: 'Between settings: measure again, and look at chin and eye level once it is on.',
      why: `No other setting is nearer with odds of ${(100 * best.odds).toFixed(0)} % only.`,
    })
  }
  if (!chosen) return noSize(draft, instead, `A setting of ${best.settingCm} cm would suit, and no collar is in stock.`)
  if (chosen === best) return
  draft.caution({
    level: 'caution',
    code: 'substitute',
    decisions: ['setting'],
    steps,
    text: `No collar that sets to ${best.settingCm} cm is in stock: ${chosen.settingCm} cm is the nearest here.`,
    why: 'Set off the neck height it tilts the head.',
  })
  if (chosen.odds < leastOdds)
    noSize(draft, instead, `The nearest here, ${chosen.settingCm} cm, has odds of ${(100 * chosen.odds).toFixed(0)} %.`)
}

function noSize(draft: PlanDraft, instead: string, why: string): void {
  draft.caution({
    level: 'stop',
    code: 'no-size',
    decisions: ['setting'],
    steps: ['size-collar'],
    text: `No collar here suits: ${instead}`,
    why,
  })
}

function warnOfTilt(draft: PlanDraft, tiltDeg: number): void {
  const tilt = Math.abs(tiltDeg)
  if (tilt <= cautionTiltDeg) return
  draft.caution({
    level: tilt > stopTiltDeg ? 'stop' : 'caution',
    code: 'head-tilt',
    decisions: ['setting', 'head-tilt'],
    steps: ['size-collar'],
    text: tilt > stopTiltDeg ? 'Do not use this setting: hold the head as found.' : 'Look for a nearer setting; watch chin and eye level.',
    why: `It tilts the head ${tilt.toFixed(1)}° ${tiltDeg > 0 ? 'back' : 'forward'}.`,
  })
}
