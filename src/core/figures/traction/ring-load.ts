/**
 * Cord tension and ring load of a ring splint: a ring cannot pull, so the tension is the
 * greater of the set pull and what the counterweight and the suspension pull footward; the rest presses the ring.
 * @param setPullN pull tied into the cord, N
 * @param footwardN counterweight pull and footward axial part of the suspension, N
 */
export function ringLoad(setPullN: number, footwardN: number): { tensionN: number; ringN: number } {
  const tensionN = Math.max(setPullN, footwardN)
  return { tensionN, ringN: tensionN - footwardN }
}

/**
 * Pressure under the ring: 10·load/(0.35·girth·3 cm).
 * @param ringN load on the ring, N
 * @param groinGirthCm oblique groin girth, cm, above 0
 * @returns kPa
 */
export function ringPressure(ringN: number, groinGirthCm: number): number {
  return (10 * ringN) / (0.35 * groinGirthCm * 3)
}

/**
 * Shear under adhesive strips on both sides: 10·tension/(2·length·7.5 cm).
 * @param tensionN cord tension, N
 * @param stripCm length that holds, cm, above 0
 * @returns kPa
 */
export function skinShear(tensionN: number, stripCm: number): number {
  return (10 * tensionN) / (2 * stripCm * 7.5)
}
