export interface BedRaise {
  readonly angleDeg: number
  readonly raiseCm: number
}

/**
 * How far the foot of the bed is raised so that the patient's own weight balances the pull.
 * Without friction θ = asin(m_c/m_p); with friction the least θ solving m_p·(sin θ + μ·cos θ) = m_c.
 * @param pullKg m_c, counterweight, kg, 0 or more and below the patient's mass
 * @param patientKg m_p, kg
 * @param friction μ, 0 for no reliance on friction
 * @param wheelbaseCm 210 unless the bed is known
 * @example bedRaise(9, 82, 0, 210) // 6.30°, 23.0 cm; with μ 0.2: 0
 */
export function bedRaise(pullKg: number, patientKg: number, friction: number, wheelbaseCm: number): BedRaise {
  if (friction * patientKg >= pullKg || pullKg <= 0) return { angleDeg: 0, raiseCm: 0 }
  const reach = patientKg * Math.hypot(1, friction)
  const angle = Math.asin(Math.min(1, pullKg / reach)) - Math.atan(friction)
  return { angleDeg: (angle * 180) / Math.PI, raiseCm: wheelbaseCm * Math.sin(angle) }
}
