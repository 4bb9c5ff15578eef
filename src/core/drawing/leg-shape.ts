import type { Geometry, GeometryStation } from '../model/geometry'
import { boundsOf, type Bounds, type Point } from './points'

/** Share of the depth that lies in front of the bone line, by station. */
const frontShare: Record<string, number> = {
  ankle: 0.5,
  calf: 0.36,
  'below-knee': 0.44,
  knee: 0.52,
  'above-knee': 0.55,
  'mid-thigh': 0.56,
  groin: 0.56,
}

/** A station drawn across the limb, with where its label goes. */
export interface DrawnStation {
  readonly station: GeometryStation
  readonly front: Point
  readonly back: Point
}

/**
 * The leg from the side, cm: x from the heel sole toward the hip, y toward the front (up on the page). The
 * foot stands on its own axis and turns about the ankle joint.
 */
export interface LegShape {
  readonly outline: readonly Point[]
  /** The back of the leg, from the top down round the heel and along the sole to the toes. */
  readonly back: readonly Point[]
  readonly front: readonly Point[]
  readonly stations: readonly DrawnStation[]
  readonly malleolus: Point
  readonly kneecap: Point | null
  readonly toeTip: Point
  readonly toenail: readonly [Point, Point]
  /** A point on the surface at a place of an axis; `front` or back of the limb. */
  readonly placeAt: (axis: string, atCm: number, face: 'front' | 'back') => Point
  readonly bounds: Bounds
  /** The highest place of shin and thigh, without the foot. */
  readonly legFrontY: number
}

/** Shapes a leg from its geometry: depths from girths, the foot from its own stations and length. */
export function shapeLeg(geometry: Geometry): LegShape {
  const legStations = geometry.stations.filter((station) => station.axis === 'leg').sort((a, b) => a.atCm - b.atCm)
  const footCm = geometry.axes.find((axis) => axis.id === 'foot')?.lengthCm ?? 25
  const topCm = geometry.axes.find((axis) => axis.id === 'leg')?.lengthCm ?? 45
  const girthOf = (id: string, fallback: number): number => geometry.stations.find((station) => station.id === id)?.girthCm ?? fallback
  const ankle = legStations[0]
  const ankleDepth = depth(ankle?.girthCm ?? 23)
  const heelBack = -(ankleDepth * 0.5 + footCm * 0.075)
  const joint: Point = [footCm * 0.26, 0]
  // Above 90° between shin and sole the toes point down.
  const turn = ((90 - (geometry.angles['ankle'] ?? 90)) * Math.PI) / 180
  const foot = (x: number, y: number): Point => rotate([x, y], joint, -turn)

  const fronts = legStations.map((legStation): Point => [legStation.atCm, depth(legStation.girthCm) * share(legStation.id)])
  const backs = legStations.map((legStation): Point => [legStation.atCm, -depth(legStation.girthCm) * (1 - share(legStation.id))])
  const last = legStations.at(-1)
  const topDepth = depth(last?.girthCm ?? 36)
  const topFront: Point = [topCm, topDepth * share(last?.id ?? 'knee')]
  const topBack: Point = [topCm, -topDepth * (1 - share(last?.id ?? 'knee'))]

  const toeY = heelBack + footCm
  const instep = (girthOf('midfoot', 24) / Math.PI) * 0.92
  const ball = (girthOf('toe', 23) / Math.PI) * 0.62
  const ankleX = ankle?.atCm ?? 9
  const instepX = Math.max(ankleX * 0.8, instep + 0.4)
  const dorsum = [
    foot(instepX, ankleDepth * 0.5 + 1.5),
    foot(instep, heelBack + footCm * 0.56),
    foot(ball, heelBack + footCm * 0.76),
    foot(ball * 0.62, toeY - 1.6),
  ]
  const toe = [foot(ball * 0.5, toeY - 0.35), foot(ball * 0.2, toeY), foot(0.1, toeY - 0.9)]
  const sole = [
    foot(-0.1, heelBack + footCm * 0.8),
    foot(0.75, heelBack + footCm * 0.5),
    foot(0.1, heelBack + footCm * 0.2),
    foot(0.15, heelBack + 1.4),
  ]
  const heel = [foot(1.6, heelBack), foot(ankleX * 0.4, heelBack + 0.1), foot(ankleX * 0.72, (heelBack - ankleDepth * 0.5) / 2)]
  const front = [topFront, ...[...fronts].reverse(), ...dorsum]
  const back = [topBack, ...[...backs].reverse(), ...[...heel].reverse(), ...[...sole].reverse()]
  const outline = [...front, ...toe, ...sole, ...heel, ...backs, topBack]

  const placeAt = (axis: string, atCm: number, face: 'front' | 'back'): Point => {
    if (axis === 'leg') {
      const low = Math.min(...legStations.map((legStation) => legStation.atCm))
      if (atCm < low) return face === 'front' ? foot(atCm, ankleDepth * 0.45) : foot(atCm, heelBack + 0.4)
      return interpolate(face === 'front' ? [...fronts, topFront] : [...backs, topBack], atCm)
    }
    const y = heelBack + footCm - atCm
    const height = y < heelBack + footCm * 0.3 ? ankleDepth : y < heelBack + footCm * 0.62 ? instep * 0.96 : ball * 0.95
    return face === 'front' ? foot(height, y) : foot(0.2, y)
  }
  const stations = geometry.stations.map((station): DrawnStation => {
    if (station.axis === 'leg') return { station, front: placeAt('leg', station.atCm, 'front'), back: placeAt('leg', station.atCm, 'back') }
    if (station.id === 'heel-instep') return { station, front: foot(instepX, ankleDepth * 0.5 + 1.4), back: foot(1.2, heelBack + 0.6) }
    return { station, front: placeAt('foot', station.atCm, 'front'), back: placeAt('foot', station.atCm, 'back') }
  })
  const knee = legStations.find((legStation) => legStation.id === 'knee')
  return {
    outline,
    back,
    front,
    stations,
    malleolus: [joint[0] - 0.2, 0],
    toeTip: toe[1] ?? [0, toeY],
    kneecap: knee ? [knee.atCm, depth(knee.girthCm) * share('knee') - 1] : null,
    toenail: [foot(ball * 0.6, toeY - 1.5), foot(ball * 0.42, toeY - 0.35)],
    placeAt,
    bounds: boundsOf(outline),
    legFrontY: Math.max(...fronts.map((point) => point[1]), topFront[1]),
  }
}

/** The side view's depth of a round part of girth `girthCm`, cm. */
function depth(girthCm: number): number {
  return (girthCm / Math.PI) * 1.04
}

function share(id: string): number {
  return frontShare[id] ?? 0.5
}

function rotate(point: Point, about: Point, angle: number): Point {
  const [dx, dy] = [point[0] - about[0], point[1] - about[1]]
  return [about[0] + dx * Math.cos(angle) - dy * Math.sin(angle), about[1] + dx * Math.sin(angle) + dy * Math.cos(angle)]
}

function interpolate(points: readonly Point[], x: number): Point {
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]]
    if (a && b && x <= b[0]) {
      const t = b[0] === a[0] ? 0 : (x - a[0]) / (b[0] - a[0])
      return [x, a[1] + (b[1] - a[1]) * t]
    }
  }
  return points.at(-1) ?? [x, 0]
}
