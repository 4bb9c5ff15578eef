import { pistoning } from '../figures/sizing/hinge'
import { pistonLimitCm } from '../techniques/hinged-knee-brace/hinged-knee-brace'
import { figureAt, type Bench, type BenchCaution, type BenchState, type RangeControl } from './bench'

const forward: RangeControl = {
  kind: 'range',
  id: 'forward',
  label: 'Hinge before the joint',
  unit: 'cm',
  least: -4,
  greatest: 4,
  step: 0.1,
  usual: 0,
}
const up: RangeControl = {
  kind: 'range',
  id: 'up',
  label: 'Hinge above the joint',
  unit: 'cm',
  least: -4,
  greatest: 4,
  step: 0.1,
  usual: 0,
}
const extension: RangeControl = {
  kind: 'range',
  id: 'extension',
  label: 'Stop against straightening',
  unit: '°',
  least: 0,
  greatest: 90,
  step: 10,
  usual: 0,
}
const flexion: RangeControl = {
  kind: 'range',
  id: 'flexion',
  label: 'Stop against bending',
  unit: '°',
  least: 0,
  greatest: 120,
  step: 10,
  usual: 90,
}
const thighBar: RangeControl = {
  kind: 'range',
  id: 'thigh',
  label: 'Bar along the thigh',
  unit: 'cm',
  least: 10,
  greatest: 40,
  step: 0.5,
  usual: 28,
}
const shankBar: RangeControl = {
  kind: 'range',
  id: 'shank',
  label: 'Bar along the shank',
  unit: 'cm',
  least: 10,
  greatest: 40,
  step: 0.5,
  usual: 27,
}
const knee: RangeControl = { kind: 'range', id: 'knee', label: 'The knee bends', unit: '°', least: 0, greatest: 120, step: 1, usual: 60 }

/** Thigh and shank of the practice leg, cm. */
const thighCm = 42
const shankCm = 40
const barShare = 2 / 3

/** What a hinge off the joint does, and what the stops allow. */
export const braceBench: Bench = {
  id: 'brace',
  name: 'Brace',
  purpose: 'How a hinge off the joint makes a knee brace slide, and what its stops allow.',
  controls: [forward, up, extension, flexion, thighBar, shankBar],
  handle: knee,
  work: (state) => {
    const [dx, dy] = [figureAt(state, forward), figureAt(state, up)]
    const offsetCm = Math.hypot(dx, dy)
    const [stopLow, stopHigh] = [figureAt(state, extension), figureAt(state, flexion)]
    const asked = figureAt(state, knee)
    const isCrossed = stopLow > stopHigh
    const bent = isCrossed ? asked : Math.min(stopHigh, Math.max(stopLow, asked))
    const slideAt = (deg: number): number => pistoning(offsetCm, deg)
    const bars = [figureAt(state, thighBar), figureAt(state, shankBar)] as const
    const wanted = [thighCm * barShare, shankCm * barShare] as const
    const cautions: BenchCaution[] = []
    if (isCrossed)
      cautions.push({
        level: 'stop',
        text: 'The stops cross: the knee cannot move at all.',
        why: `Straightening stops at ${stopLow}°, bending at ${stopHigh}°.`,
      })
    if (slideAt(stopHigh) > pistonLimitCm)
      cautions.push({
        level: 'caution',
        text: 'Move the hinge to the joint, or let the knee bend less.',
        why: `At its stop of ${stopHigh}° the brace slides ${slideAt(stopHigh).toFixed(1)} cm on the leg; ${pistonLimitCm} cm is the limit.`,
      })
    bars.forEach((bar, index) => {
      const most = index === 0 ? thighCm - 4 : shankCm - 3
      if (bar > most)
        cautions.push({
          level: 'caution',
          text: index === 0 ? 'The thigh bar reaches the groin.' : 'The shank bar reaches the ankle.',
          why: `${bar} cm; ${most} cm is the most on this leg.`,
        })
    })
    return {
      cautions,
      figures: [
        {
          id: 'offset',
          label: 'Hinge off the joint',
          value: offsetCm,
          unit: 'cm',
          digits: 1,
          working: `√(${dx}² + ${dy}²): before or behind, above or below the joint line.`,
        },
        {
          id: 'angle',
          label: 'Knee held at',
          value: bent,
          unit: '°',
          digits: 0,
          words: bent === asked ? 'free there' : 'by its stop',
          working: `Asked for ${asked}°; the stops allow ${stopLow}° to ${stopHigh}°.`,
        },
        {
          id: 'slide',
          label: `Slides at ${bent}°`,
          value: slideAt(bent),
          unit: 'cm',
          digits: 2,
          working: `2 × ${offsetCm.toFixed(1)} × sin(${bent}° ÷ 2).`,
        },
        {
          id: 'stop-slide',
          label: `Slides at the stop, ${stopHigh}°`,
          value: slideAt(stopHigh),
          unit: 'cm',
          digits: 2,
          words: slideAt(stopHigh) > pistonLimitCm ? 'too much' : `within ${pistonLimitCm} cm`,
          working: `The same at the stop against bending; more than ${pistonLimitCm} cm rubs and moves the straps.`,
        },
        {
          id: 'range',
          label: 'Range that is left',
          value: Math.max(0, stopHigh - stopLow),
          unit: '°',
          digits: 0,
          working: 'From the stop against straightening to the stop against bending.',
        },
        {
          id: 'reach',
          label: 'Bars reach',
          value: Math.min(bars[0] / thighCm, bars[1] / shankCm) * 100,
          unit: '%',
          digits: 0,
          words: 'of the shorter hold',
          working: `Two thirds of thigh and shank are wanted: ${wanted[0].toFixed(0)} and ${wanted[1].toFixed(0)} cm on a thigh of ${thighCm} and a shank of ${shankCm} cm.`,
        },
      ],
      scenes: [legScene(bent, dx, dy, bars), curveScene(slideAt, bent, stopLow, stopHigh)],
    }
  },
  fromCase: (_, plan): BenchState | null => {
    const of = (id: string): number | null => {
      const value = plan.decisions.find((decision) => decision.id === id)?.value
      return typeof value === 'number' ? value : null
    }
    const found = { extension: of('extension-stop'), flexion: of('flexion-stop'), thigh: of('upper-bar'), shank: of('lower-bar') }
    const known = Object.entries(found).filter((one): one is [string, number] => one[1] !== null)
    return known.length === 0 ? null : Object.fromEntries(known)
  },
}

type XY = readonly [number, number]

/** The leg from its outer side, hip to the right, the knee at the origin; what turns about the joint, and what turns about the hinge. */
function legScene(deg: number, dx: number, dy: number, [thighBarCm, shankBarCm]: readonly [number, number]) {
  const turn = (deg * Math.PI) / 180
  /** About a point, as a knee bends: the shank drops. */
  const about = ([x, y]: XY, [cx, cy]: XY): XY => {
    const [px, py] = [x - cx, y - cy]
    return [cx + px * Math.cos(turn) - py * Math.sin(turn), cy + px * Math.sin(turn) + py * Math.cos(turn)]
  }
  const joint: XY = [0, 0]
  // Forward is up the page on a lying leg, up the leg is to the right.
  const hinge: XY = [dy, dx]
  const limb = (rows: readonly (readonly [number, number, number])[]): readonly XY[] => [
    ...rows.map(([x, front]): XY => [x, front]),
    ...[...rows].reverse().map(([x, , back]): XY => [x, -back]),
  ]
  const thigh = limb([
    [-3, 5.6, 5.4],
    [4, 6, 6],
    [14, 7.2, 7.4],
    [28, 8, 8.6],
    [42, 8.6, 9.4],
  ])
  const shank = limb([
    [3, 5.6, 5.4],
    [-5, 5.2, 6],
    [-14, 4.6, 7.4],
    [-26, 3.6, 4.6],
    [-37, 3.2, 3.4],
    [-43, 3.4, 4],
  ])
  const foot: readonly XY[] = [
    [-36, 3],
    [-40, 14],
    [-45, 17.5],
    [-46.5, 16],
    [-45, 4],
    [-45.5, -4],
    [-41, -5],
  ]
  return {
    kind: 'sketch' as const,
    id: 'leg',
    title: `The knee at ${deg}°`,
    shapes: [
      { id: 'shank', look: 'skin' as const, isClosed: true, isSmooth: true as const, points: shank.map((point) => about(point, joint)) },
      { id: 'foot', look: 'skin' as const, isClosed: true, isSmooth: true as const, points: foot.map((point) => about(point, joint)) },
      { id: 'thigh', look: 'skin' as const, isClosed: true, isSmooth: true as const, points: thigh },
      { id: 'upper', look: 'device' as const, isClosed: false, points: [hinge, [hinge[0] + thighBarCm, hinge[1]] as const] },
      // The lower bar turns about the hinge, the shank about the joint: what lies between them is the slide.
      { id: 'lower', look: 'device' as const, isClosed: false, points: [hinge, about([hinge[0] - shankBarCm, hinge[1]], hinge)] },
      {
        id: 'where',
        look: 'before' as const,
        isClosed: false,
        points: [about(hinge, joint), about([hinge[0] - shankBarCm, hinge[1]], joint)],
      },
    ],
    labels: [{ id: 'joint', text: 'joint', at: joint }, ...(Math.hypot(dx, dy) >= 0.3 ? [{ id: 'hinge', text: 'hinge', at: hinge }] : [])],
    words: `A leg with its knee bent to ${deg}°; the lower bar lies ${pistoning(Math.hypot(dx, dy), deg).toFixed(1)} cm off the place on the shank where it lay when straight (broken line).`,
  }
}

function curveScene(slideAt: (deg: number) => number, bent: number, low: number, high: number) {
  const degrees = Array.from({ length: 25 }, (_, index) => index * 5)
  const most = Math.max(3, slideAt(120))
  return {
    kind: 'curves' as const,
    id: 'slide',
    title: 'Slide on the leg as the knee bends',
    xLabel: 'bend, °',
    yLabel: 'cm',
    lines: [
      { label: 'slide', tone: 'ink' as const, points: degrees.map((deg) => [deg, slideAt(deg)] as const) },
      {
        label: `limit ${pistonLimitCm} cm`,
        tone: 'stop' as const,
        isDashed: true,
        points: [
          [0, pistonLimitCm],
          [120, pistonLimitCm],
        ] as const,
      },
      {
        label: 'stops',
        tone: 'calm' as const,
        isDashed: true,
        points: [
          [low, 0],
          [low, most],
          [low, null],
          [high, 0],
          [high, most],
        ] as const,
      },
    ],
    yRange: [0, 3] as const,
    atX: bent,
    hasHandle: true as const,
    words: `Slide from 0 to 120° of bend; ${slideAt(bent).toFixed(1)} cm at ${bent}°.`,
  }
}
