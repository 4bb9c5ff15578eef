type Loose = Readonly<Record<string, unknown>>

/** Ankle angles counted up with the toes until version 2 of what carries them; since then with the sole, toes down above 90. */
function flip(deg: unknown): unknown {
  return typeof deg === 'number' ? 180 - deg : deg
}

/** Options with an ordered ankle in the sense of today. */
export function optionsInNewSense(body: unknown): unknown {
  const { options, ...rest } = body as { readonly options?: Loose }
  return options && 'ankle-ordered' in options
    ? { ...rest, options: { ...options, 'ankle-ordered': flip(options['ankle-ordered']) } }
    : (body as object)
}

/** A reading of the ankle's angle in the sense of today. */
export function angleInNewSense(body: unknown): unknown {
  const angle = body as Loose
  return angle['angleId'] === 'ankle' ? { ...angle, deg: flip(angle['deg']) } : angle
}

/** An overruled ankle angle in the sense of today. */
export function overruleInNewSense(body: unknown): unknown {
  const overrule = body as Loose
  return overrule['decision'] === 'ankle-angle' ? { ...overrule, value: flip(overrule['value']) } : overrule
}

/** A kept plan in the sense of today: its figures and drawing turn, its words were right and stay. */
export function planInNewSense(body: unknown): unknown {
  const { plan, ...rest } = body as { readonly plan?: Loose }
  return plan ? { ...rest, plan: turned(plan) } : (body as object)
}

function turned(plan: Loose): Loose {
  const geometry = plan['geometry'] as Loose | undefined
  const angles = geometry?.['angles'] as Loose | undefined
  const procedure = plan['procedure'] as { readonly steps?: readonly Loose[] } | undefined
  return {
    ...plan,
    ...(optionsInNewSense({ options: plan['options'] }) as object),
    decisions: ((plan['decisions'] ?? []) as readonly Loose[]).map(turnedDecision),
    ...(geometry && angles && 'ankle' in angles ? { geometry: { ...geometry, angles: { ...angles, ankle: flip(angles['ankle']) } } } : {}),
    ...(procedure?.steps ? { procedure: { ...procedure, steps: procedure.steps.map(turnedStep) } } : {}),
  }
}

function turnedDecision(decision: Loose): Loose {
  if (decision['id'] !== 'ankle-angle' || typeof decision['value'] !== 'number') return decision
  const value = 180 - decision['value']
  return { ...decision, value, display: String(decision['display']).replace(/^[\d.]+°/, `${value}°`) }
}

function turnedStep(step: Loose): Loose {
  const angles = step['angles'] as readonly Loose[] | undefined
  if (!angles) return step
  const turn = (one: Loose): Loose => ({
    ...one,
    targetDeg: flip(one['targetDeg']),
    lowDeg: flip(one['highDeg']),
    highDeg: flip(one['lowDeg']),
  })
  return { ...step, angles: angles.map((angle) => (angle['id'] === 'ankle' ? turn(angle) : angle)) }
}
