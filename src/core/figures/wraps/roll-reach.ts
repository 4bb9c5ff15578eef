/**
 * How far along the limb one roll goes: (length − turns on one place) × stretch ÷ girth × width × (1 − overlap).
 * @param rollLengthCm as it is on the pack, cm, above 0
 * @param girthCm over the padding, cm, above 0
 * @param widthCm roll width, cm, above 0
 * @param overlap share of the width that lies over the turn before, 0 to under 1
 * @param turnsCm length used up by turns that go nowhere, such as the figure-of-eight at heel or knee, cm
 * @param stretch how much longer it is wound than it lies: 1 for plaster
 * @returns cm along the limb, 0 where the turns take all of it
 * @example rollReach(270, 40, 15, 0.5, 0, 1) // 50.6
 */
export function rollReach(
  rollLengthCm: number,
  girthCm: number,
  widthCm: number,
  overlap: number,
  turnsCm: number,
  stretch: number,
): number {
  return (Math.max(0, rollLengthCm * stretch - turnsCm) / girthCm) * widthCm * (1 - overlap)
}
