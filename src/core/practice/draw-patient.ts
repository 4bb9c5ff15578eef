import { drawTruncatedNormal, mulberry32 } from '../figures/crew/draws'
import { swellings } from '../model/vocabulary'
import type { PracticePatient } from './practice-case'
import { seedNumber } from './seed'

/** Adults as they come: stature and body mass index, mean and sd. */
const statureCm = [170, 9.5] as const
const bodyMassIndex = [26, 4] as const

/** A made-up adult, the same for the same seed. */
export function drawPatient(seed: string): PracticePatient {
  const random = mulberry32(seedNumber(seed))
  const heightCm = Math.round(drawTruncatedNormal(random, ...statureCm))
  const massKg = Math.round(Math.max(16, drawTruncatedNormal(random, ...bodyMassIndex)) * (heightCm / 100) ** 2)
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T
  return { heightCm, massKg, side: pick(['left', 'right'] as const), swelling: pick(swellings), isFresh: random() < 0.8 }
}
