import { bandageDefaults, bandagePressure } from '../figures/wraps/bandage-pressure'
import { fingerSlack, slackDefaults } from '../figures/straps/finger-slack'
import { readDefaults } from '../quantities/defaults'
import { choiceAt, figureAt, type Bench, type BenchCaution, type ChoiceControl, type LimbNote, type RangeControl } from './bench'
import { insideStations, practiceLimb } from './practice-limb'

const limb: ChoiceControl = {
  kind: 'choice',
  id: 'limb',
  label: 'Limb',
  choices: [
    { id: 'leg', label: 'leg' },
    { id: 'arm', label: 'forearm' },
    { id: 'leg-arterial', label: 'leg, arterial disease' },
  ],
  usual: 'leg',
}
const tension: RangeControl = {
  kind: 'range',
  id: 'tension',
  label: 'Pull in the bandage',
  unit: 'kgf',
  least: 0.1,
  greatest: 2,
  step: 0.1,
  usual: 0.5,
}
const width: RangeControl = { kind: 'range', id: 'width', label: 'Bandage width', unit: 'cm', least: 5, greatest: 20, step: 2.5, usual: 10 }
const overlap: RangeControl = { kind: 'range', id: 'overlap', label: 'Overlap', unit: '%', least: 0, greatest: 75, step: 5, usual: 50 }
const passes: RangeControl = { kind: 'range', id: 'passes', label: 'Passes with pull', unit: '', least: 1, greatest: 4, step: 1, usual: 1 }
const fingers: RangeControl = {
  kind: 'range',
  id: 'fingers',
  label: 'Fingers under a strap',
  unit: '',
  least: 1,
  greatest: 4,
  step: 1,
  usual: 2,
}

/** Pressure under a wrap by the law of Laplace, and what fingers leave under a strap. */
export const wrapsBench: Bench = {
  id: 'wraps',
  name: 'Straps and wraps',
  purpose: 'How pull, width, overlap and the limb’s own girth make pressure under a bandage.',
  controls: [limb, tension, width, overlap, passes, fingers],
  work: (state, ctx) => {
    const values = readDefaults(bandageDefaults, ctx.protocol)
    const chosen = choiceAt(state, limb)
    const [cautionAt, stopAt] =
      chosen === 'leg-arterial' ? [values.arterialCautionMmHg, values.arterialStopMmHg] : [values.cautionMmHg, values.stopMmHg]
    const layers = figureAt(state, passes) / (1 - figureAt(state, overlap) / 100)
    const [pullKgf, widthCm] = [figureAt(state, tension), figureAt(state, width)]
    const geometry = practiceLimb(chosen === 'arm', ctx)
    const inside = insideStations(geometry)
    const pressures = inside.map((station) => ({ station, mmHg: bandagePressure(layers, pullKgf, station.girthCm, widthCm) }))
    const [least, most] = [pressures.reduce((a, b) => (b.mmHg < a.mmHg ? b : a)), pressures.reduce((a, b) => (b.mmHg > a.mmHg ? b : a))]
    const { fingerCm } = readDefaults(slackDefaults, ctx.protocol)
    const count = figureAt(state, fingers)
    const strapAt = inside.reduce((a, b) => (b.girthCm > a.girthCm ? b : a))
    const slackCm = fingerSlack(strapAt.girthCm / (2 * Math.PI), count, fingerCm)
    const cautions: BenchCaution[] = []
    if (most.mmHg > cautionAt)
      cautions.push({
        level: most.mmHg > stopAt ? 'stop' : 'caution',
        text: 'Less pull, less overlap, or a wider bandage; wind it again from the toes.',
        why: `${most.mmHg.toFixed(0)} mmHg at the ${most.station.label}; ${cautionAt} is the limit, ${stopAt} stops circulation${chosen === 'leg-arterial' ? ' where arteries are narrow' : ''}.`,
      })
    if (most.station.girthCm > least.station.girthCm && most.mmHg > least.mmHg * 1.05)
      cautions.push({
        level: 'caution',
        text: 'It is tighter above than below: blood is held in the foot.',
        why: `${most.mmHg.toFixed(0)} mmHg at the ${most.station.label} against ${least.mmHg.toFixed(0)} at the ${least.station.label}.`,
      })
    const noteOf = (mmHg: number): LimbNote => ({
      words: `${mmHg.toFixed(0)} mmHg`,
      tone: mmHg > stopAt ? 'stop' : mmHg > cautionAt ? 'caution' : 'calm',
    })
    return {
      cautions,
      figures: [
        {
          id: 'layers',
          label: 'Layers',
          value: layers,
          unit: '',
          digits: 1,
          working: `${figureAt(state, passes)} with pull ÷ (1 − ${figureAt(state, overlap)} %).`,
        },
        {
          id: 'most',
          label: `Most, at the ${most.station.label}`,
          value: most.mmHg,
          unit: 'mmHg',
          digits: 0,
          working: `4620 × ${layers.toFixed(1)} × ${pullKgf} ÷ (${most.station.girthCm.toFixed(1)} × ${widthCm}): thin parts get more from the same pull.`,
        },
        {
          id: 'least',
          label: `Least, at the ${least.station.label}`,
          value: least.mmHg,
          unit: 'mmHg',
          digits: 0,
          working: `The same on ${least.station.girthCm.toFixed(1)} cm.`,
        },
        {
          id: 'free',
          label: `Pull that stays at ${cautionAt} mmHg`,
          value: (cautionAt * most.station.girthCm * widthCm) / (4620 * layers),
          unit: 'kgf',
          digits: 2,
          working: `The law turned round at the ${most.station.label}.`,
        },
        {
          id: 'slack',
          label: `Strap with ${count} ${count === 1 ? 'finger' : 'fingers'}`,
          value: slackCm,
          unit: 'cm',
          digits: 2,
          words: `longer, at the ${strapAt.label}`,
          working: `Belt over two circles: girth ${strapAt.girthCm.toFixed(1)} cm, half a finger ${fingerCm} cm.`,
        },
      ],
      scenes: [
        {
          kind: 'limb',
          id: 'limb',
          geometry: {
            ...geometry,
            stations: geometry.stations.map((station) => (inside.includes(station) ? { ...station, from: 'measured' as const } : station)),
          },
          notes: Object.fromEntries(pressures.map(({ station, mmHg }) => [station.id, noteOf(mmHg)])),
        },
        {
          kind: 'curves',
          id: 'pull',
          title: 'Pressure as you pull',
          xLabel: 'pull, kgf',
          yLabel: 'mmHg',
          lines: [
            ...pressures.map(({ station }) => ({
              label: station.label,
              tone: station === most.station ? ('ink' as const) : ('soft' as const),
              points: Array.from({ length: 20 }, (_, index) => {
                const pull = 0.1 * (index + 1)
                return [pull, bandagePressure(layers, pull, station.girthCm, widthCm)] as const
              }),
            })),
            {
              label: `limit ${cautionAt} mmHg`,
              tone: 'stop',
              isDashed: true,
              points: [
                [0.1, cautionAt],
                [2, cautionAt],
              ],
            },
          ],
          yRange: [0, 60],
          atX: pullKgf,
          words: `Pressure at each girth as the pull grows; at ${pullKgf} kgf ${most.mmHg.toFixed(0)} mmHg at the ${most.station.label}.`,
        },
      ],
    }
  },
}
