import type { Patient } from '../../model/clinical-case'

/** Years, and the stature in the middle of girls' and boys' growth tables, cm: ours, an estimate for drawings alone. */
const growth = [
  [0, 52],
  [1, 75],
  [2, 87],
  [4, 103],
  [6, 116],
  [8, 127],
  [10, 138],
  [12, 150],
  [14, 161],
  [16, 168],
  [17, 170],
] as const

/**
 * How tall a patient is drawn, cm: as tall as they are, by their age where nobody measured it, and 170 where both are unknown. It decides nothing.
 */
export function drawnStatureCm({ heightCm, ageYears }: Pick<Patient, 'heightCm' | 'ageYears'>): number {
  if (heightCm !== undefined) return heightCm
  const next = growth.findIndex(([years]) => years >= (ageYears ?? Infinity))
  const [upTo, before] = [growth[next], growth[next - 1]]
  if (!upTo) return 170
  if (!before || ageYears === undefined) return upTo[1]
  return before[1] + ((upTo[1] - before[1]) * (ageYears - before[0])) / (upTo[0] - before[0])
}
