import type { Point } from './points'

/**
 * A head in head heights: x from its middle, y up from the chin; from the side it looks towards greater x. Eyes lie in the middle of its height.
 * Our own drawing, in an adult's proportions; `youngHead` makes a child's of it.
 */
export interface HeadForm {
  /** Closed outlines: face, ears. */
  readonly outlines: readonly (readonly Point[])[]
  /** A closed cap of hair. */
  readonly hair: readonly Point[]
  /** Features: eyes, brows, nose, mouth, jaw. */
  readonly features: readonly (readonly Point[])[]
}

const mirror = (points: readonly Point[]): readonly Point[] => points.map(([x, y]): Point => [-x, y])
const whole = (right: readonly Point[]): readonly Point[] => [...right, ...[...mirror(right)].reverse()]

const face: readonly Point[] = [
  [0.05, 0],
  [0.13, 0.02],
  [0.22, 0.09],
  [0.278, 0.2],
  [0.305, 0.34],
  [0.33, 0.5],
  [0.338, 0.64],
  [0.322, 0.78],
  [0.26, 0.91],
  [0.14, 0.985],
]
const ear: readonly Point[] = [
  [0.315, 0.39],
  [0.36, 0.4],
  [0.385, 0.5],
  [0.375, 0.57],
  [0.325, 0.56],
]
const hairline: readonly Point[] = [
  [0.332, 0.55],
  [0.3, 0.68],
  [0.2, 0.79],
  [0.08, 0.815],
]
const hairTop: readonly Point[] = [
  [0.345, 0.6],
  [0.352, 0.72],
  [0.325, 0.86],
  [0.25, 0.965],
  [0.12, 1.02],
]
const eye: readonly (readonly Point[])[] = [
  [
    [0.085, 0.487],
    [0.14, 0.518],
    [0.2, 0.49],
  ],
  [
    [0.09, 0.484],
    [0.142, 0.468],
    [0.196, 0.487],
  ],
  [
    [0.075, 0.565],
    [0.14, 0.592],
    [0.215, 0.57],
  ],
  [
    [0.128, 0.496],
    [0.142, 0.504],
    [0.156, 0.496],
    [0.142, 0.484],
    [0.128, 0.496],
  ],
]

export const headFromFront: HeadForm = {
  outlines: [ear, mirror(ear), whole(face)],
  hair: [...hairline, ...[...mirror(hairline)].reverse(), ...mirror(hairTop), ...[...hairTop].reverse()],
  features: [
    ...eye,
    ...eye.map(mirror),
    [
      [0.035, 0.46],
      [0.045, 0.36],
      [0.068, 0.31],
      [0.055, 0.28],
      [0.02, 0.268],
      [0, 0.262],
      [-0.02, 0.268],
      [-0.055, 0.28],
      [-0.068, 0.31],
    ],
    [
      [-0.125, 0.178],
      [-0.06, 0.184],
      [0, 0.176],
      [0.06, 0.184],
      [0.125, 0.178],
    ],
    [
      [-0.07, 0.138],
      [0, 0.128],
      [0.07, 0.138],
    ],
    [
      [-0.278, 0.2],
      [-0.22, 0.09],
      [-0.13, 0.02],
      [0, -0.004],
      [0.13, 0.02],
      [0.22, 0.09],
      [0.278, 0.2],
    ],
  ],
}

/** From behind: all hair down to the nape. */
export const headFromBehind: HeadForm = {
  outlines: [ear, mirror(ear), whole(face)],
  hair: whole([
    [0.1, 0.235],
    [0.22, 0.27],
    [0.29, 0.38],
    [0.325, 0.56],
    [0.352, 0.72],
    [0.325, 0.86],
    [0.25, 0.965],
    [0.12, 1.02],
  ]),
  features: [],
}

export const headFromSide: HeadForm = {
  outlines: [
    [
      [0.2, -0.005],
      [0.34, 0.002],
      [0.392, 0.03],
      [0.4, 0.075],
      [0.378, 0.118],
      [0.402, 0.148],
      [0.388, 0.176],
      [0.412, 0.204],
      [0.398, 0.246],
      [0.452, 0.268],
      [0.476, 0.298],
      [0.43, 0.4],
      [0.398, 0.478],
      [0.408, 0.53],
      [0.41, 0.58],
      [0.402, 0.68],
      [0.36, 0.82],
      [0.255, 0.93],
      [0.08, 0.995],
      [-0.14, 0.985],
      [-0.32, 0.9],
      [-0.425, 0.74],
      [-0.44, 0.58],
      [-0.41, 0.42],
      [-0.345, 0.29],
      [-0.3, 0.2],
      [-0.1, 0.12],
    ],
  ],
  hair: [
    [0.37, 0.8],
    [0.27, 0.945],
    [0.08, 1.02],
    [-0.15, 1.01],
    [-0.34, 0.92],
    [-0.45, 0.75],
    [-0.462, 0.58],
    [-0.43, 0.41],
    [-0.355, 0.275],
    [-0.2, 0.33],
    [-0.12, 0.45],
    [0.02, 0.6],
    [0.1, 0.56],
    [0.12, 0.66],
    [0.22, 0.76],
  ],
  features: [
    // Ear, jaw, eye with brow, nostril, mouth.
    [
      [-0.03, 0.4],
      [-0.06, 0.48],
      [-0.05, 0.56],
      [0.01, 0.575],
      [0.03, 0.53],
      [0.005, 0.47],
      [0, 0.41],
      [-0.03, 0.4],
    ],
    [
      [0, 0.38],
      [0.03, 0.24],
      [0.09, 0.12],
      [0.22, 0.02],
      [0.34, 0.002],
    ],
    [
      [0.295, 0.487],
      [0.325, 0.51],
      [0.362, 0.492],
    ],
    [
      [0.3, 0.484],
      [0.33, 0.474],
      [0.36, 0.484],
    ],
    [
      [0.345, 0.502],
      [0.352, 0.492],
      [0.345, 0.48],
    ],
    [
      [0.28, 0.572],
      [0.33, 0.59],
      [0.39, 0.567],
    ],
    [
      [0.405, 0.295],
      [0.392, 0.272],
      [0.41, 0.262],
    ],
    [
      [0.388, 0.176],
      [0.345, 0.178],
      [0.312, 0.172],
    ],
  ],
}

/** Statures between which a face grows up, cm: about five and about twelve years. Ours, an estimate. */
const [childCm, grownCm] = [108, 150]

/**
 * The head of somebody as tall as this: a child's face is small and low under a high brow, its cheeks round, its nose and chin short.
 * The measured face height is a third of the head at birth and half of it when grown; a child of five lies in between.
 */
export function youngHead(form: HeadForm, statureCm: number): HeadForm {
  const young = Math.min(1, Math.max(0, (grownCm - statureCm) / (grownCm - childCm)))
  if (young === 0) return form
  const change = ([x, y]: Point): Point => {
    const lower = y > 0 && y < 1 ? y ** (1 + 0.22 * young) : y
    // Cheeks are full between chin and ear; what sticks out of the face from the side does so less.
    const cheek = 1 + young * 0.13 * Math.max(0, 1 - Math.abs(lower - 0.2) / 0.3)
    const wide = x * (1 + 0.04 * young)
    const flat = x > 0.41 ? 0.41 + (x - 0.41) * (1 - 0.45 * young) : wide
    return [Math.abs(x) > 0.15 && Math.abs(x) < 0.35 ? wide * cheek : flat, lower]
  }
  const all = (points: readonly Point[]): readonly Point[] => points.map(change)
  return { outlines: form.outlines.map(all), hair: all(form.hair), features: form.features.map(all) }
}

/** A head put where it belongs: as high as `height`, its chin's middle at `chin`, in the unit of those. */
export function placeHead(form: HeadForm, chin: Point, height: number): HeadForm {
  const place = (points: readonly Point[]): readonly Point[] => points.map(([x, y]): Point => [chin[0] + x * height, chin[1] + y * height])
  return { outlines: form.outlines.map(place), hair: place(form.hair), features: form.features.map(place) }
}
