import { collars } from '../catalogue/collars'
import { headTilt } from '../figures/sizing/hinge'
import { nearestSetting } from '../figures/sizing/nearest-setting'
import { fingerSlack, slackDefaults } from '../figures/straps/finger-slack'
import type { PlanContext } from '../model/plan-context'
import { readDefaults } from '../quantities/defaults'
import { extricationCollar } from '../techniques/extrication-collar/extrication-collar'
import { cautionTiltDeg, stopTiltDeg } from '../techniques/families/collar/decide-height-setting'
import { planCase } from '../techniques/plan-case'
import { figureAt, type Bench, type BenchCaution, type BenchState, type RangeControl } from './bench'
import { practiceCase, usualPatient } from './practice-case'

const height: RangeControl = { kind: 'range', id: 'height', label: 'Neck height', unit: 'cm', least: 2, greatest: 9, step: 0.1, usual: 4.8 }
const doubt: RangeControl = {
  kind: 'range',
  id: 'doubt',
  label: 'Doubt, ±',
  unit: 'cm',
  least: 0.1,
  greatest: 1.5,
  step: 0.1,
  usual: 0.5,
}
const setting: RangeControl = {
  kind: 'range',
  id: 'setting',
  label: 'Collar set at',
  unit: 'cm',
  least: 2.4,
  greatest: 7.2,
  step: 1.2,
  usual: 4.8,
}
const girth: RangeControl = { kind: 'range', id: 'girth', label: 'Neck girth', unit: 'cm', least: 22, greatest: 50, step: 0.5, usual: 36 }
const fingers: RangeControl = {
  kind: 'range',
  id: 'fingers',
  label: 'Fingers under the strap',
  unit: '',
  least: 0,
  greatest: 3,
  step: 1,
  usual: 1,
}

/** Gap between the teeth that a well-set collar with one finger under its strap leaves, cm: our estimate, for teaching. */
const usualOpeningCm = 2
/** A chin may drop by this share of the slack that a strap has over one finger's. */
const dropShare = 1 / Math.PI

const settingsCm = [...new Set(collars.map((collar) => Number(collar['setting'])))].sort((a, b) => a - b)

/** What a collar's height does to the head. */
export const collarBench: Bench = {
  id: 'collar',
  name: 'Collar',
  purpose: 'What a setting too high or too low does to head, mouth and airway.',
  controls: [height, doubt, setting, girth, fingers],
  work: (state, ctx) => {
    const heightCm = figureAt(state, height)
    const setAt = nearestOf(settingsCm, figureAt(state, setting))
    const girthCm = figureAt(state, girth)
    const { fingerCm } = readDefaults(slackDefaults, ctx.protocol)
    const radiusCm = girthCm / (2 * Math.PI)
    const slackOf = (count: number): number => (count === 0 ? 0 : fingerSlack(radiusCm, count, fingerCm))
    const count = figureAt(state, fingers)
    const slackCm = slackOf(count)
    const tilt = headTilt(setAt, heightCm)
    const openingCm = Math.max(0, usualOpeningCm - (setAt - heightCm) + (slackCm - slackOf(1)) * dropShare)
    const choice = nearestSetting(
      heightCm,
      figureAt(state, doubt),
      settingsCm.map((settingCm) => ({ settingCm, isInStock: true })),
    )
    const best = choice?.best
    const odds = choice?.all.find((one) => one.settingCm === setAt)?.odds ?? 0
    const cautions: BenchCaution[] = []
    if (Math.abs(tilt) > cautionTiltDeg)
      cautions.push({
        level: Math.abs(tilt) > stopTiltDeg ? 'stop' : 'caution',
        text: tilt > 0 ? 'Set it lower: the head tilts back.' : 'Set it higher: the head nods forward.',
        why: `${Math.abs(tilt).toFixed(1)}° off; more than ${cautionTiltDeg}° is not held in line, more than ${stopTiltDeg}° is not left on.`,
      })
    if (openingCm < 1)
      cautions.push({
        level: 'stop',
        text: 'The mouth cannot open: suction and a vomiting patient need it.',
        why: `About ${openingCm.toFixed(1)} cm are left between the teeth.`,
      })
    if (count === 0)
      cautions.push({
        level: 'caution',
        text: 'Let one finger under the strap: neck veins and windpipe.',
        why: 'A strap without slack presses on the neck’s veins.',
      })
    return {
      cautions,
      figures: [
        {
          id: 'tilt',
          label: 'Head tilts',
          value: tilt,
          unit: '°',
          digits: 1,
          words: Math.abs(tilt) < 0.05 ? 'in line' : tilt > 0 ? 'back' : 'forward',
          working: `atan((${setAt} − ${heightCm}) ÷ 11 cm): the chin is lifted or let down about the neck’s joint 11 cm behind it.`,
        },
        {
          id: 'mouth',
          label: 'Mouth opens',
          value: openingCm,
          unit: 'cm',
          digits: 1,
          words: 'our estimate',
          working: `${usualOpeningCm} cm where it fits, less ${(setAt - heightCm).toFixed(1)} cm that it is set over the neck height, and a third of the slack over one finger’s. For teaching; no measurement.`,
        },
        {
          id: 'slack',
          label: 'Slack of the strap',
          value: slackCm,
          unit: 'cm',
          digits: 2,
          words: `${count} ${count === 1 ? 'finger' : 'fingers'}`,
          working: `How much longer a loop is with ${count} under it on a neck of ${girthCm} cm: belt over two circles, half a finger ${fingerCm} cm.`,
        },
        {
          id: 'odds',
          label: `Odds that ${setAt} cm is nearest`,
          value: 100 * odds,
          unit: '%',
          digits: 0,
          working: `The reading ${heightCm} ± ${figureAt(state, doubt)} cm, taken as normal, between the middles to the next settings.`,
        },
        {
          id: 'best',
          label: 'Best setting',
          value: best?.settingCm ?? null,
          unit: 'cm',
          digits: 1,
          words: best ? `${(100 * best.odds).toFixed(0)} % odds` : 'none in stock',
          working: `The nearest of ${settingsCm.join(', ')} cm; of two equally near the smaller.`,
        },
      ],
      scenes: [{ kind: 'limb', id: 'neck', geometry: drawn(heightCm, setAt, girthCm, tilt, ctx), notes: {} }],
    }
  },
  fromCase: (clinicalCase, plan): BenchState | null => {
    const of = (id: string): number | null => {
      const value = clinicalCase.measurements.findLast((measurement) => measurement.id === id && measurement.unit === 'cm')?.value
      return typeof value === 'number' ? value : null
    }
    if (plan.geometry.body !== 'neck') return null
    const set = plan.decisions.find((decision) => decision.id === 'setting')?.value
    const found = {
      height: plan.geometry.axes[0]?.lengthCm ?? null,
      girth: of('neck-girth'),
      setting: typeof set === 'number' ? set : null,
    }
    return Object.fromEntries(Object.entries(found).filter((one): one is [string, number] => one[1] !== null))
  },
}

function nearestOf(list: readonly number[], value: number): number {
  return list.reduce((best, one) => (Math.abs(one - value) < Math.abs(best - value) ? one : best), list[0] ?? value)
}

/** A neck of these figures with its collar on, the head tilted as it is held. */
function drawn(heightCm: number, setAt: number, girthCm: number, tiltDeg: number, ctx: PlanContext) {
  const base = practiceCase(extricationCollar, usualPatient, ctx.protocol)
  const plan = planCase(
    {
      ...base,
      options: { policy: 'rigid' },
      measurements: [
        { id: 'neck-height', value: heightCm, unit: 'cm' },
        { id: 'neck-girth', value: girthCm, unit: 'cm' },
      ],
    },
    ctx,
  )
  if (!plan) throw new Error('no plan for the practice neck')
  return {
    ...plan.geometry,
    angles: { head: tiltDeg },
    bands: [{ id: 'collar', axis: 'neck', label: 'Collar as set', kind: 'shell' as const, fromCm: 0, toCm: setAt, decision: null }],
  }
}
