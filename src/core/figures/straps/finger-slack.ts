import { defineDefaults } from '../../quantities/defaults'

export const slackDefaults = defineDefaults('slack', {
  fingerCm: { value: 0.8, unit: 'cm', source: 'anatomy', note: 'half thickness of a finger' },
})

/**
 * How much longer a loop is with n fingers held under it on a round part (geometry of a belt over two circles):
 * slack = 4√(R·r) + 2r(n−1) − 2(a + (n−1)b)(R−r), cos a = (R−r)/(R+r), sin b = r/(R+r).
 * @param radiusCm R, radius of the part, cm, above the finger's
 * @param fingers n, 1 to 4
 * @param fingerCm r, finger half-thickness, cm; 0.8 unless measured
 * @returns cm of strap
 * @example fingerSlack(15, 2, 0.8) // 1.13
 */
export function fingerSlack(radiusCm: number, fingers: number, fingerCm = 0.8): number {
  const a = Math.acos((radiusCm - fingerCm) / (radiusCm + fingerCm))
  const b = Math.asin(fingerCm / (radiusCm + fingerCm))
  return 4 * Math.sqrt(radiusCm * fingerCm) + 2 * fingerCm * (fingers - 1) - 2 * (a + (fingers - 1) * b) * (radiusCm - fingerCm)
}

/**
 * Pressure under a strap on a round part: 10·F/(R·W).
 * @param pullN F, N
 * @param radiusCm R, cm, above 0
 * @param widthCm W, cm, above 0
 * @returns kPa
 */
export function strapPressure(pullN: number, radiusCm: number, widthCm: number): number {
  return (10 * pullN) / (radiusCm * widthCm)
}
