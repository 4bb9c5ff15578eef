/**
 * How far a brace slides on the leg when its hinge lies off the joint's turning point:
 * 2·|d|·sin(θ/2).
 * @param offsetCm |d|, cm, 0 or more
 * @param flexionDeg θ, 0 to 180
 * @returns cm
 * @example pistoning(2.2, 90) // 3.11
 */
export function pistoning(offsetCm: number, flexionDeg: number): number {
  return 2 * offsetCm * Math.sin((flexionDeg * Math.PI) / 360)
}

/**
 * Head tilt from a collar set off the neck height: atan((setting − height)/11 cm); positive when set too high.
 * @param settingCm collar setting, cm
 * @param neckCm shoulder line to underside of chin, cm
 * @returns degrees
 * @example headTilt(6, 4.8) // 6.2
 */
export function headTilt(settingCm: number, neckCm: number): number {
  return (Math.atan((settingCm - neckCm) / 11) * 180) / Math.PI
}
