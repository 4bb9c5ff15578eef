import type { Decision } from '../model/decision'
import type { Plan } from '../model/plan'
import type { PlanContext } from '../model/plan-context'
import { planCase } from '../techniques/plan-case'
import { trunkShell } from '../techniques/trunk-shell/trunk-shell'
import { figureAt, type Bench, type BenchFigure, type BenchState, type RangeControl } from './bench'
import { practiceCase, usualPatient } from './practice-case'

const standing: RangeControl = {
  kind: 'range',
  id: 'standing',
  label: 'Edge below the notch, standing',
  unit: 'cm',
  least: -2,
  greatest: 6,
  step: 0.1,
  usual: 2,
}
const sitting: RangeControl = {
  kind: 'range',
  id: 'sitting',
  label: 'Edge below the notch, sitting',
  unit: 'cm',
  least: -3,
  greatest: 6,
  step: 0.1,
  usual: 1,
}
const waist: RangeControl = { kind: 'range', id: 'waist', label: 'Waist', unit: 'cm', least: 55, greatest: 133, step: 0.5, usual: 82 }
const front: RangeControl = {
  kind: 'range',
  id: 'front',
  label: 'Front shell at the waist',
  unit: 'cm',
  least: 25,
  greatest: 80,
  step: 0.5,
  usual: 46,
}
const back: RangeControl = {
  kind: 'range',
  id: 'back',
  label: 'Back shell at the waist',
  unit: 'cm',
  least: 25,
  greatest: 80,
  step: 0.5,
  usual: 44,
}
const groove: RangeControl = {
  kind: 'range',
  id: 'groove',
  label: 'Waist groove over the hip crest',
  unit: 'cm',
  least: -4,
  greatest: 4,
  step: 0.1,
  usual: 0,
}

/** How a two-part shell sits, as its plan decides it. */
export const shellBench: Bench = {
  id: 'shell',
  name: 'Shell',
  purpose: 'How a shell rises when its wearer sits, and whether to lower, trim or seat it again.',
  controls: [standing, sitting, waist, front, back, groove],
  work: (state, ctx) => {
    const plan = planOf(state, ctx)
    const figures = ['verdict', 'top-clearance', 'sit-rise', 'lower-by', 'overlap', 'size'].flatMap((id): readonly BenchFigure[] => {
      const decision = plan.decisions.find((one) => one.id === id)
      return decision ? [figureOf(decision)] : []
    })
    const shown = new Set(figures.map((figure) => figure.id))
    return {
      figures,
      cautions: plan.cautions
        .filter((caution) => caution.decisions.some((id) => shown.has(id)))
        .map(({ level, text, why }) => ({ level, text, why })),
      scenes: [
        { kind: 'limb', id: 'trunk', geometry: plan.geometry, notes: {} },
        edgeScene(figureAt(state, standing), figureAt(state, sitting)),
      ],
    }
  },
  fromCase: (clinicalCase, plan): BenchState | null => {
    if (plan.geometry.body !== 'trunk') return null
    const of = (id: string): number | null => {
      const value = clinicalCase.measurements.findLast((measurement) => measurement.id === id && measurement.unit === 'cm')?.value
      return typeof value === 'number' ? value : null
    }
    const found = {
      waist: of('waist-girth'),
      front: of('front-arc'),
      back: of('back-arc'),
      standing: of('edge-to-notch-standing'),
      sitting: of('edge-to-notch-sitting'),
      groove: of('groove-to-crest'),
    }
    const known = Object.entries(found).filter((one): one is [string, number] => one[1] !== null)
    return known.length === 0 ? null : Object.fromEntries(known)
  },
}

/** The plan of a practice trunk that wears its shell as it was read. */
function planOf(state: BenchState, ctx: PlanContext): Plan {
  const base = practiceCase(trunkShell, usualPatient, ctx.protocol)
  const read = {
    'waist-girth': figureAt(state, waist),
    'front-arc': figureAt(state, front),
    'back-arc': figureAt(state, back),
    'edge-to-notch-standing': figureAt(state, standing),
    'edge-to-notch-sitting': figureAt(state, sitting),
  }
  const girthScale = figureAt(state, waist) / (0.48 * usualPatient.heightCm)
  const plan = planCase(
    {
      ...base,
      measurements: [
        // Chest and hip go with the waist, so that one of them does not choose the size alone.
        ...base.measurements
          .filter((measurement) => !(measurement.id in read))
          .map((measurement) =>
            measurement.id.endsWith('girth') && typeof measurement.value === 'number'
              ? { ...measurement, value: Math.round(measurement.value * girthScale * 10) / 10 }
              : measurement,
          ),
        ...Object.entries(read).map(([id, value]) => ({ id, value, unit: 'cm' as const })),
        ...(['left', 'right'] as const).map((side) => ({
          id: 'groove-to-crest',
          side,
          value: figureAt(state, groove),
          unit: 'cm' as const,
        })),
      ],
    },
    ctx,
  )
  if (!plan) throw new Error('no plan for the practice trunk')
  return plan
}

/** A decision as a figure, with its own formula and what went into it. */
function figureOf(decision: Decision): BenchFigure {
  const inputs = decision.working.map(
    (line) => `${line.label}${line.side ? ` ${line.side}` : ''} ${String(line.value)}${line.unit ? ` ${line.unit}` : ''}`,
  )
  const isFigure = typeof decision.value === 'number'
  return {
    id: decision.id,
    label: decision.label,
    value: isFigure ? Number(decision.value) : null,
    unit: isFigure ? (decision.unit ?? '') : '',
    digits: 1,
    ...(isFigure ? {} : { words: decision.display }),
    working: `${decision.formula}${inputs.length > 0 ? ` ${inputs.join('; ')}.` : ''}`,
  }
}

/** The upper edge under the notch of the breastbone, standing and sitting, to scale. */
function edgeScene(standingCm: number, sittingCm: number) {
  const line = (y: number, from: number, to: number) => [[from, y] as const, [to, y] as const]
  return {
    kind: 'sketch' as const,
    id: 'edge',
    title: 'The upper edge under the notch of the breastbone',
    shapes: [
      {
        id: 'standing',
        look: 'device' as const,
        isClosed: true,
        points: [
          [0, -standingCm],
          [7, -standingCm],
          [7, -9],
          [0, -9],
        ] as const,
      },
      {
        id: 'sitting',
        look: 'device' as const,
        isClosed: true,
        points: [
          [10, -sittingCm],
          [17, -sittingCm],
          [17, -9],
          [10, -9],
        ] as const,
      },
      { id: 'notch', look: 'warning' as const, isClosed: false, points: line(0, -1, 18) },
      { id: 'least', look: 'line' as const, isClosed: false, points: line(-0.5, 10, 17) },
      { id: 'upper', look: 'line' as const, isClosed: false, points: line(-1, 0, 7) },
      { id: 'lower', look: 'line' as const, isClosed: false, points: line(-3, 0, 7) },
    ],
    labels: [
      { id: 'standing', text: `standing ${standingCm.toFixed(1)} cm`, at: [3.5, -standingCm] as const },
      { id: 'sitting', text: `sitting ${sittingCm.toFixed(1)} cm`, at: [13.5, -sittingCm] as const },
    ],
    words: `Standing the edge lies ${standingCm.toFixed(1)} cm under the notch, wanted 1 to 3; sitting ${sittingCm.toFixed(1)} cm, wanted 0.5 or more.`,
  }
}
