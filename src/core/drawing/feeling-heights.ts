/**
 * How high on a trunk the skin of a spinal level lies in front, as a share of the way from pubic bone to the notch of the breastbone, from
 * the landmarks that are taught: nipples T4, tip of the breastbone T6, navel T10, groin T12 to L1. C5 to T1 is skin of the arms: the trunk is
 * lost from under the collar bones down, and from above them where C4 or more is lost.
 */
const landmarks: Readonly<Record<string, number>> = {
  C2: 1.04,
  C3: 1.03,
  C4: 1.02,
  C5: 0.99,
  C6: 0.985,
  C7: 0.98,
  C8: 0.975,
  T1: 0.97,
  T2: 0.93,
  T3: 0.85,
  T4: 0.78,
  T5: 0.72,
  T6: 0.66,
  T7: 0.57,
  T8: 0.49,
  T9: 0.41,
  T10: 0.325,
  T11: 0.22,
  T12: 0.12,
  L1: 0.04,
}

/**
 * The height of a level of feeling on the trunk, cm from the pubic bone.
 * @param lengthCm from pubic bone to notch
 * @returns null where nothing of the trunk is lost: a level of leg or seat
 */
export function feelingHeightCm(level: string, lengthCm: number): number | null {
  const share = landmarks[level]
  return share === undefined ? null : share * lengthCm
}

/**
 * The level of feeling whose skin lies nearest to a height on the trunk: what a tap there means.
 * @param heightCm from the pubic bone up
 * @param lengthCm from pubic bone to notch, over 0
 */
export function feelingLevelAt(heightCm: number, lengthCm: number): string {
  const share = heightCm / lengthCm
  const nearest = Object.entries(landmarks).toSorted(([, a], [, b]) => Math.abs(a - share) - Math.abs(b - share))[0]
  return nearest?.[0] ?? 'T12'
}
