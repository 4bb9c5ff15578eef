import { layerDefaults } from '../figures/slabs/slab-layers'
import { arcStiffness } from '../figures/slabs/stiffness'
import { gravity, kneeMoment, legParts } from '../figures/traction/leg-masses'
import { readDefaults } from '../quantities/defaults'
import { castStrengthDefaults } from '../techniques/leg-cast/strength'
import { choiceAt, figureAt, type Bench, type BenchCaution, type ChoiceControl, type RangeControl } from './bench'

const material: ChoiceControl = {
  kind: 'choice',
  id: 'material',
  label: 'Material',
  choices: [
    { id: 'plaster', label: 'plaster' },
    { id: 'fibreglass', label: 'fibreglass' },
  ],
  usual: 'plaster',
}
const width: RangeControl = { kind: 'range', id: 'width', label: 'Slab width', unit: 'cm', least: 5, greatest: 30, step: 2.5, usual: 15 }
const layers: RangeControl = { kind: 'range', id: 'layers', label: 'Layers', unit: '', least: 2, greatest: 20, step: 1, usual: 10 }
const girth: RangeControl = {
  kind: 'range',
  id: 'girth',
  label: 'Girth it is bent round',
  unit: 'cm',
  least: 14,
  greatest: 60,
  step: 1,
  usual: 30,
}
const hours: RangeControl = { kind: 'range', id: 'hours', label: 'Since it set', unit: 'h', least: 1, greatest: 48, step: 1, usual: 1 }
const mass: RangeControl = { kind: 'range', id: 'mass', label: 'Patient', unit: 'kg', least: 10, greatest: 150, step: 1, usual: 72 }

/** Stiffness of the set material one hour after wetting and when dry, MPa: our estimate, for teaching. */
const modulusMPa = { plaster: [400, 1600], fibreglass: [1500, 2500] } as const
/** How fast it dries, h. */
const dryingH = { plaster: 16, fibreglass: 0.5 } as const
/** From where the calf holds the slab to the middle of the foot, cm. */
const leverCm = 22
const footShare = 0.0145
const dryStrength = { plaster: 4, fibreglass: 1 } as const

/** Why a wide slab holds and a strip does not, and the tube at the knee. */
export const stiffnessBench: Bench = {
  id: 'stiffness',
  name: 'Stiffness',
  purpose: 'What width, layers and the bend round the limb do for a slab that has to hold a foot.',
  controls: [material, width, layers, girth, hours, mass],
  work: (state, ctx) => {
    const kind = choiceAt(state, material) as 'plaster' | 'fibreglass'
    const sheet = readDefaults(layerDefaults, ctx.protocol)
    const strength = readDefaults(castStrengthDefaults, ctx.protocol)
    const layerCm = kind === 'plaster' ? sheet.plasterLayerCm : sheet.fibreglassPlyCm
    const thicknessCm = figureAt(state, layers) * layerCm
    const radiusCm = figureAt(state, girth) / (2 * Math.PI)
    const widthCm = figureAt(state, width)
    const arc = arcStiffness(radiusCm, thicknessCm, widthCm)
    const dry = 1 - Math.exp(-figureAt(state, hours) / dryingH[kind])
    const [wet, full] = modulusMPa[kind]
    const modulus = wet + (full - wet) * dry
    const footN = gravity * footShare * figureAt(state, mass)
    const dropOf = (cm4: number): number => (footN * leverCm ** 3) / (3 * modulus * 100 * cm4)
    const dropCm = dropOf(arc.chordCm4)
    const flatCm = dropOf(arc.flatCm4)
    const span = { insideLegCm: 80, lowerLegCm: 49, footHeightCm: 6.7 }
    const momentNcm = kneeMoment(legParts(figureAt(state, mass), span, ctx.protocol), span)
    const sigma = (kind === 'plaster' ? strength.plasterMPa : strength.fibreglassMPa) * (1 + (dryStrength[kind] - 1) * dry)
    const factor = (sigma * 100 * Math.PI * radiusCm ** 2 * (thicknessCm + strength.kneeLayers * layerCm)) / momentNcm
    const cautions: BenchCaution[] = []
    if (dropCm > 1)
      cautions.push({
        level: 'caution',
        text: 'A wider slab, or more layers: the foot drops.',
        why: `About ${dropCm.toFixed(1)} cm under its own weight.`,
      })
    if (factor < strength.leastFactor)
      cautions.push({
        level: 'caution',
        text: 'Lift the leg under thigh and calf, never by the heel.',
        why: `A cast of this girth at the knee holds ${factor.toFixed(1)} times the leg’s own weight; ${strength.leastFactor} is wanted.`,
      })
    const alpha = Math.min(Math.PI, widthCm / (2 * radiusCm))
    return {
      cautions,
      figures: [
        {
          id: 'chord',
          label: 'Stiffness, against the same strip left flat',
          value: arc.chordCm4 / arc.flatCm4,
          unit: '×',
          digits: 0,
          words: 'against a drop of the foot',
          working: `${arc.chordCm4.toFixed(2)} cm⁴ about the axis along its chord against ${arc.flatCm4.toFixed(3)} cm⁴ flat: r³τ(α + sin α·cos α − 2 sin²α/α), r ${radiusCm.toFixed(1)}, τ ${thicknessCm.toFixed(2)}, α ${alpha.toFixed(2)}.`,
        },
        {
          id: 'symmetry',
          label: 'Sideways, stiffer',
          value: arc.symmetryCm4 / arc.flatCm4,
          unit: '×',
          digits: 0,
          working: `${arc.symmetryCm4.toFixed(1)} cm⁴ about its axis of symmetry: r³τ(α − sin α·cos α).`,
        },
        {
          id: 'drop',
          label: 'The foot drops',
          value: dropCm,
          unit: 'cm',
          digits: 2,
          words: 'our estimate',
          working: `${footN.toFixed(0)} N of foot on a lever of ${leverCm} cm: F·L³ ÷ (3·E·I), E ${modulus.toFixed(0)} MPa ${figureAt(state, hours)} h after it set. For teaching.`,
        },
        {
          id: 'flat',
          label: 'A flat strip would drop',
          value: Math.min(flatCm, leverCm),
          unit: 'cm',
          digits: 1,
          ...(flatCm > leverCm ? { words: 'it folds' } : {}),
          working: 'The same with the strip flat.',
        },
        {
          id: 'dry',
          label: 'Dried',
          value: 100 * dry,
          unit: '%',
          digits: 0,
          working: `1 − exp(−${figureAt(state, hours)} ÷ ${dryingH[kind]} h).`,
        },
        {
          id: 'knee',
          label: 'Cast at the knee, heel lifted',
          value: factor,
          unit: '×',
          digits: 1,
          words: `of the leg; ${strength.leastFactor} wanted`,
          working: `${sigma.toFixed(1)} MPa × π × r² × τ with ${strength.kneeLayers} crossing layers more ÷ ${(momentNcm / 100).toFixed(0)} Nm of a leg carried at groin and heel.`,
        },
      ],
      scenes: [
        sectionScene(radiusCm, thicknessCm, alpha),
        {
          kind: 'curves',
          id: 'gain',
          title: 'The wider, the stiffer',
          xLabel: 'slab width, cm',
          yLabel: 'times a flat strip',
          lines: [
            {
              label: 'against a drop',
              tone: 'ink',
              points: Array.from({ length: 26 }, (_, index) => {
                const one = arcStiffness(radiusCm, thicknessCm, 5 + index)
                return [5 + index, one.chordCm4 / one.flatCm4] as const
              }),
            },
          ],
          yRange: [0, 10],
          atX: widthCm,
          words: `Gain over a flat strip by width: ${(arc.chordCm4 / arc.flatCm4).toFixed(0)} times at ${widthCm} cm.`,
        },
      ],
    }
  },
}

/** The slab in its true section round the limb, opening upward. */
function sectionScene(radiusCm: number, thicknessCm: number, alpha: number) {
  const arcOf = (radius: number, from: number, to: number): readonly (readonly [number, number])[] =>
    Array.from({ length: 41 }, (_, index) => {
      const angle = from + ((to - from) * index) / 40 - Math.PI / 2
      return [radius * Math.cos(angle), radius * Math.sin(angle)] as const
    })
  const outer = arcOf(radiusCm + thicknessCm, -alpha, alpha)
  const inner = arcOf(radiusCm, alpha, -alpha)
  return {
    kind: 'sketch' as const,
    id: 'section',
    title: 'In section, to scale',
    shapes: [
      { id: 'limb', look: 'skin' as const, isClosed: true, points: arcOf(radiusCm, -Math.PI, Math.PI) },
      { id: 'slab', look: 'device' as const, isClosed: true, points: [...outer, ...inner] },
    ],
    labels: [
      { id: 'edge', text: `covers ${((100 * alpha) / Math.PI).toFixed(0)} % of the way round`, at: outer[0] ?? ([0, 0] as const) },
      { id: 'thickness', text: `${(10 * thicknessCm).toFixed(1)} mm thick`, at: [0, -radiusCm - thicknessCm / 2] as const },
    ],
    words: `A slab ${thicknessCm.toFixed(2)} cm thick that covers ${((100 * alpha) / Math.PI).toFixed(0)} percent of a limb ${(2 * radiusCm).toFixed(1)} cm across.`,
  }
}
