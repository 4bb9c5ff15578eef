import { heatProfile, solveHeat } from '../figures/heat/solve-heat'
import { settingTime } from '../figures/setting-time/working-time'
import { heatDefaults, type HeatInput } from '../model/heat-input'
import { settingMaterials, type SettingMaterial } from '../model/setting-material'
import type { PlanContext } from '../model/plan-context'
import { readDefaults } from '../quantities/defaults'
import { choiceAt, figureAt, type Bench, type BenchCaution, type BenchState, type ChoiceControl, type RangeControl } from './bench'

const water: RangeControl = { kind: 'range', id: 'water', label: 'Water', unit: '°C', least: 10, greatest: 45, step: 1, usual: 22 }
const layers: RangeControl = { kind: 'range', id: 'layers', label: 'Layers', unit: '', least: 1, greatest: 30, step: 1, usual: 10 }
const padding: RangeControl = { kind: 'range', id: 'padding', label: 'Padding', unit: 'layers', least: 0, greatest: 8, step: 1, usual: 2 }
const room: RangeControl = { kind: 'range', id: 'room', label: 'Room', unit: '°C', least: 5, greatest: 40, step: 1, usual: 21 }
const material: ChoiceControl = {
  kind: 'choice',
  id: 'material',
  label: 'Material',
  choices: settingMaterials.map((id) => ({ id, label: id.replaceAll('-', ' ') })),
  usual: 'plaster-fast',
}
const backing: ChoiceControl = {
  kind: 'choice',
  id: 'backing',
  label: 'It dries',
  choices: [
    { id: 'air', label: 'in open air' },
    { id: 'pillow', label: 'on a pillow' },
  ],
  usual: 'air',
}
const minute: RangeControl = {
  kind: 'range',
  id: 'minute',
  label: 'Minutes after wetting',
  unit: 'min',
  least: 0,
  greatest: 60,
  step: 1,
  usual: 12,
}

function inputOf(state: BenchState, ctx: PlanContext): HeatInput {
  const kind = choiceAt(state, material) as SettingMaterial
  const waterC = figureAt(state, water)
  return {
    material: kind,
    layers: figureAt(state, layers),
    paddingLayers: figureAt(state, padding),
    waterC,
    roomC: figureAt(state, room),
    backing: choiceAt(state, backing) as HeatInput['backing'],
    setMin: settingTime(kind, waterC, undefined, ctx.protocol).minutes,
    constants: readDefaults(heatDefaults, ctx.protocol),
  }
}

/** How warm the skin gets under a setting slab: the same model that plans use. */
export const heatBench: Bench = {
  id: 'heat',
  name: 'Heat',
  purpose: 'How warm the skin gets while plaster sets, and what cools it.',
  controls: [material, water, layers, padding, room, backing],
  handle: minute,
  work: (state, ctx) => {
    const input = inputOf(state, ctx)
    const heat = solveHeat(input)
    const at = figureAt(state, minute)
    const profile = heatProfile(input, at)
    const c = input.constants
    const cautions: BenchCaution[] = []
    if (heat.omega >= c.burnStop)
      cautions.push({
        level: 'stop',
        text: 'This burns: do not lay it on. Cooler water, fewer layers, open air.',
        why: `The burn integral is ${heat.omega.toFixed(2)}; skin burns from ${c.burnStop}.`,
      })
    else if (heat.peakC >= c.hotC)
      cautions.push({
        level: 'caution',
        text: 'Cooler water, fewer layers, open air; ask about heat until it cools.',
        why: `The skin reaches ${heat.peakC.toFixed(1)} °C; ${c.hotC} °C is the limit, ${c.hotVulnerableC} °C where skin or feeling is at risk.`,
      })
    const setWords = `Sets in ${input.setMin.toFixed(1)} min in water of ${input.waterC} °C; the reaction gives its heat over 1.6 times that.`
    const skinNow = heat.skinC[at] ?? 0
    return {
      cautions,
      figures: [
        {
          id: 'peak',
          label: 'Warmest skin',
          value: heat.peakC,
          unit: '°C',
          digits: 1,
          words: `at ${heat.peakMin.toFixed(0)} min`,
          working: `${setWords} Heat goes from the core through tissue, ${input.paddingLayers} layers of damp padding and ${input.layers} layers to ${input.backing === 'air' ? 'the air' : 'a pillow'}; highest skin temperature within 60 min.`,
        },
        {
          id: 'above',
          label: `Above ${c.hotC} °C`,
          value: heat.minutesAbove44,
          unit: 'min',
          digits: 1,
          working: `Minutes of the hour in which the skin is warmer than ${c.hotC} °C, from the curve.`,
        },
        {
          id: 'omega',
          label: 'Burn integral',
          value: heat.omega,
          unit: '',
          digits: 3,
          words: heat.omega >= c.burnStop ? 'burns' : 'below a burn',
          working: `Sum of 3.1·10⁹⁸·exp(−75 000/T) over the curve, T in kelvin; a burn from ${c.burnStop}.`,
        },
        {
          id: 'set',
          label: 'Sets in',
          value: input.setMin,
          unit: 'min',
          digits: 1,
          working: `The pack’s time at 22 °C, times exp(−k·(${input.waterC} − 22)): warmer water sets faster, so that the heat comes at once.`,
        },
        { id: 'skin', label: `Skin at ${at} min`, value: skinNow, unit: '°C', digits: 1, working: 'Read from the curve at the handle.' },
        {
          id: 'inside',
          label: `Warmest inside at ${at} min`,
          value: Math.max(...profile.map((one) => one.temperatureC)),
          unit: '°C',
          digits: 1,
          working: 'The greatest temperature through the depth at the handle.',
        },
      ],
      scenes: [
        {
          kind: 'curves',
          id: 'skin',
          title: 'Skin over the hour',
          xLabel: 'minutes after wetting',
          yLabel: 'skin, °C',
          lines: [
            { label: 'skin', tone: 'ink', points: heat.skinC.map((value, index) => [index, value] as const) },
            {
              label: `limit ${c.hotC} °C`,
              tone: 'stop',
              isDashed: true,
              points: [
                [0, c.hotC],
                [60, c.hotC],
              ],
            },
          ],
          yRange: [30, 46],
          atX: at,
          hasHandle: true,
          words: `Skin temperature over an hour: warmest ${heat.peakC.toFixed(1)} °C after ${heat.peakMin.toFixed(0)} minutes; at ${at} minutes ${skinNow.toFixed(1)} °C.`,
        },
        {
          kind: 'curves',
          id: 'depth',
          title: `Through the depth at ${at} min`,
          xLabel: 'cm from the skin: tissue below 0, padding and material above',
          yLabel: '°C',
          lines: [{ label: 'temperature', tone: 'caution', points: profile.map((one) => [one.depthCm, one.temperatureC] as const) }],
          yRange: [20, 46],
          atX: 0,
          words: `Temperature through the depth at ${at} minutes, from ${profile[0]?.temperatureC.toFixed(1) ?? ''} °C deep in the tissue.`,
        },
        { kind: 'heat-map', id: 'map', input, limitC: c.hotC },
      ],
    }
  },
  fromCase: (_, plan) => {
    const task = plan.pending.find((one) => one.decision === 'peak-skin-temp')
    if (!task || task.decision !== 'peak-skin-temp') return null
    const { input } = task
    return {
      water: input.waterC,
      layers: input.layers,
      padding: input.paddingLayers,
      room: input.roomC,
      material: input.material,
      backing: input.backing,
    }
  },
}
