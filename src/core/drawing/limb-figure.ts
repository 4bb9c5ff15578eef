import type { Geometry, GeometryBand } from '../model/geometry'
import type { LimbFinding } from '../standing/findings-on-limb'
import { shapeArm } from './arm-shape'
import { collarForm } from './collar-form'
import { shapeColumn } from './column-shape'
import { bootRegion, regionAround } from './leg-regions'
import { shapeLeg, type LegShape } from './leg-shape'
import type { Bounds, Point } from './points'
import { feelingLineOnColumn, placeOnArm, placeOnColumn, placeOnLeg } from './site-places'
import { smoothPath } from './smooth-path'

/** A limb as lines alone, for paper: paths in cm, y down the page. */
export interface LimbFigure {
  readonly name: string
  readonly bounds: Bounds
  readonly skin: readonly string[]
  /** Slabs, straps and rings, each as a closed path. */
  readonly worn: readonly string[]
  /** Casts, boots and shells: as much of the limb as lies in these closed paths is covered. */
  readonly covers: readonly string[]
  /** Where feeling ends: a line across, and how much it is worth. */
  readonly lines: readonly { readonly path: string; readonly level: LimbFinding['level'] }[]
  /** What stands, with its place. */
  readonly marks: readonly { readonly finding: LimbFinding; readonly at: Point }[]
}

const down = ([x, y]: Point): Point => [x, -y]
const offSkinCm = 0.9
const wornKinds: readonly GeometryBand['kind'][] = ['slab', 'shell', 'zone', 'strap', 'ring', 'hold', 'bar']

/**
 * The limb of a patient with what it wears and what was found on it.
 * @returns null where no limb is drawn, as before the first girth
 */
export function limbFigure(geometry: Geometry, findings: readonly LimbFinding[]): LimbFigure | null {
  if (geometry.body === 'none' || geometry.stations.length === 0) return null
  const bands = geometry.bands.filter((band) => wornKinds.includes(band.kind) && band.toCm > 0)
  const figure = geometry.body === 'leg' ? leg(geometry, bands) : geometry.body === 'arm' ? arm(geometry, bands) : column(geometry, bands)
  return {
    name: figure.name,
    bounds: flipped(figure.bounds),
    skin: figure.skin,
    worn: figure.worn,
    covers: figure.covers ?? [],
    lines: findings.flatMap((finding) => {
      const path = figure.lineOf?.(finding)
      return path ? [{ path, level: finding.level }] : []
    }),
    marks: findings.flatMap((finding) => {
      const at = figure.placeOf(finding)
      return at ? [{ finding, at: down(at) }] : []
    }),
  }
}

interface Drawn {
  readonly name: string
  readonly bounds: Bounds
  readonly skin: readonly string[]
  readonly worn: readonly string[]
  readonly covers?: readonly string[]
  readonly placeOf: (finding: LimbFinding) => Point | null
  readonly lineOf?: (finding: LimbFinding) => string | null
}

function leg(geometry: Geometry, bands: readonly GeometryBand[]): Drawn {
  const shape = shapeLeg(geometry)
  const slab = bands.some((band) => band.kind === 'slab')
  const along = (band: GeometryBand): string => {
    // A slab lies behind the leg and under the foot; anything else goes round.
    if (band.kind === 'slab') {
      const back = shape.back.filter(([x]) => x <= band.toCm + 0.6)
      return smoothPath(
        [...back, ...back.map(([x, y]): Point => [x - (x < 4 ? offSkinCm : 0), y - (x < 4 ? 0 : offSkinCm)]).reverse()].map(down),
        true,
        0,
      )
    }
    if (band.kind === 'bar') return smoothPath(barAlong(band, shape).map(down), true, 0)
    return regionAround(band, shape, down, offSkinCm)
  }
  const isCover = (band: GeometryBand): boolean => band.kind === 'zone' || band.kind === 'shell'
  return {
    name: `${geometry.side ?? ''} leg from the side`.trim(),
    bounds: { ...shape.bounds, minX: shape.bounds.minX - 1.5, minY: shape.bounds.minY - 1.5 },
    skin: [smoothPath(shape.outline.map(down), true)],
    worn: bands.filter((band) => !isCover(band) && (!slab || band.kind === 'slab')).map(along),
    covers: bands
      .filter(isCover)
      .map((band) => (band.kind === 'shell' ? bootRegion(band, shape, down) : regionAround(band, shape, down, 2))),
    placeOf: ({ site }) => placeOnLeg(site, geometry, shape),
  }
}

/** A bar along the middle of a leg's side, as broad as a finger. */
function barAlong({ fromCm, toCm }: GeometryBand, shape: LegShape): readonly Point[] {
  const at = Array.from({ length: 9 }, (_, index) => fromCm + ((toCm - fromCm) * index) / 8)
  const middle = (cm: number): number => {
    const [front, back] = [shape.placeAt('leg', Math.max(0, cm), 'front'), shape.placeAt('leg', Math.max(0, cm), 'back')]
    return (front[1] + back[1]) / 2
  }
  const edge = (offCm: number): Point[] => at.map((cm): Point => [cm, middle(cm) + offCm])
  return [...edge(offSkinCm), ...edge(-offSkinCm).reverse()]
}

function arm(geometry: Geometry, bands: readonly GeometryBand[]): Drawn {
  const shape = shapeArm(geometry, geometry.side === 'right')
  const along = ({ fromCm, toCm }: GeometryBand): string => {
    const at = Array.from({ length: 9 }, (_, index) => fromCm + ((toCm - fromCm) * index) / 8)
    const edge = (sign: 1 | -1): Point[] => at.map((cm): Point => [cm, sign * 0.8 * shape.halfAt(cm)])
    return smoothPath([...edge(1), ...edge(-1).reverse()], true, 0)
  }
  return {
    name: `${geometry.side ?? ''} forearm from the palm side`.trim(),
    bounds: shape.bounds,
    skin: shape.paths,
    worn: bands.map(along),
    placeOf: ({ site }) => placeOnArm(site, geometry, shape),
  }
}

function column(geometry: Geometry, bands: readonly GeometryBand[]): Drawn {
  const shape = shapeColumn(geometry, 'front')
  const round = (band: GeometryBand): string => {
    if (geometry.body === 'neck') return smoothPath(collarForm(shape.body, 'front', band.toCm).outline.map(down), true, 0.42)
    const at = Array.from({ length: 9 }, (_, index) => band.fromCm + ((band.toCm - band.fromCm) * index) / 8)
    const edge = (side: 0 | 1): Point[] => at.map((cm): Point => [shape.edgesAt(cm)[side] + (side === 0 ? -offSkinCm : offSkinCm), cm])
    return smoothPath([...edge(0), ...edge(1).reverse()].map(down), true, 0)
  }
  return {
    name: geometry.body === 'neck' ? 'Neck and shoulders from the front' : 'Trunk from the front',
    bounds: shape.bounds,
    skin: shape.outlines.map((outline) => smoothPath(outline.map(down), true, 0.42)),
    worn: bands.filter((band) => band.id !== 'back').map(round),
    placeOf: ({ site, feelingLevel }) => placeOnColumn(site, geometry, shape, feelingLevel),
    lineOf: (finding) => {
      const ends = feelingLineOnColumn(finding, geometry, shape)
      return ends ? smoothPath(ends.map(down), false, 0) : null
    },
  }
}

function flipped({ minX, maxX, minY, maxY }: Bounds): Bounds {
  return { minX, maxX, minY: -maxY, maxY: -minY }
}
