import { hasFlag } from '../../../model/clinical-case'
import type { PlanDraft } from '../../../planner/draft'
import { formatValue } from '../../../planner/format-decision'
import { defineDefaults, readDefaults } from '../../../quantities/defaults'
import { gravity } from '../../../figures/traction/leg-masses'

export const pullDefaults = defineDefaults('pull', {
  massShare: { value: 0.1, unit: 'ratio', source: 'practice', guard: 'never-more', label: 'Pull, share of body mass' },
  fieldMostKg: { value: 7, unit: 'kg', source: 'practice', guard: 'never-more', label: 'Most in the field' },
  skinMostKg: { value: 5, unit: 'kg', source: 'practice', guard: 'never-more', label: 'Most on skin', greatest: 8 },
  nonAdhesiveMostKg: { value: 3, unit: 'kg', source: 'practice', guard: 'never-more', label: 'Most on strips that do not stick' },
  leastBodyKg: { value: 12, unit: 'kg', source: 'practice', guard: 'never-less', label: 'No pull under this body mass' },
})

export type Strips = 'adhesive' | 'non-adhesive'

export interface PullRequest {
  readonly decision: 'traction' | 'load'
  readonly school: string
  readonly massKg: number
  /** What holds on the skin, whose cap counts; null for a hitch or a pin. */
  readonly strips: Strips | null
  /** Whether the skin's cap, not the field's, gives the expected figure. */
  readonly isSkin: boolean
}

/**
 * Decides the set pull by its school: a tenth of body mass within the device's cap, or to relief with
 * that figure as what to expect. Relief is refused to patients who cannot report it.
 * @returns kg, the overruled figure where there is one
 */
export function decidePull(draft: PlanDraft, request: PullRequest): number {
  const limits = readDefaults(pullDefaults, draft.ctx.protocol)
  const mostKg = request.isSkin ? capOf(draft, request.strips) : limits.fieldMostKg
  const expectedKg = Math.min(limits.massShare * request.massKg, mostKg)
  const refusals = (['unresponsive', 'nerve-block'] as const).filter((flag) => hasFlag(draft.clinicalCase, flag))
  const isRelief = request.school === 'relief'
  for (const flag of isRelief ? refusals : []) {
    draft.caution({
      level: 'caution',
      code: flag,
      decisions: [request.decision],
      at: ['pulls'],
      text: `Pull to the figure and to equal length, not to relief${flag === 'nerve-block' ? ', while the block lasts' : ''}.`,
      why: 'The patient cannot say when the pain eases, so relief would mean pulling too far.',
    })
  }
  const isRefused = refusals.length > 0
  const shown = formatValue(expectedKg, 'kg')
  return draft.decide({
    id: request.decision,
    value: expectedKg,
    display: isRelief ? (isRefused ? `${shown} and equal length` : `to relief, expect about ${shown}`) : shown,
    ...(isRelief && !isRefused ? { status: 'caution' as const } : {}),
    source: 'practice',
    school: isRelief
      ? 'Until pain eases and length matches the other leg'
      : request.isSkin
        ? 'Within what skin bears'
        : 'A tenth of body mass',
    formula: `A tenth of body mass, at most ${mostKg} kg${request.isSkin ? ' on skin' : ' for one leg'}.`,
    working: [
      { label: 'Body mass', value: request.massKg, unit: 'kg', from: 'measured' },
      { label: 'At most', value: mostKg, unit: 'kg', from: 'default' },
      { label: 'As a force', value: gravity * expectedKg, unit: 'N', from: 'computed' },
    ],
  })
}

/** Most kg that the skin may hold, by kind of strips; a pin counts as adhesive strips for the expected pull. */
export function capOf(draft: PlanDraft, strips: Strips | null): number {
  const limits = readDefaults(pullDefaults, draft.ctx.protocol)
  return strips === 'non-adhesive' ? limits.nonAdhesiveMostKg : limits.skinMostKg
}

/** Stops a pull of more than an ankle hitch may take, whoever set it: a floor. */
export function checkHitchCap(draft: PlanDraft, pullKg: number): void {
  const { fieldMostKg } = readDefaults(pullDefaults, draft.ctx.protocol)
  if (pullKg <= fieldMostKg + 1e-9) return
  draft.caution({
    level: 'stop',
    isFloor: true,
    code: 'over-hitch-cap',
    decisions: ['load'],
    at: ['pulls'],
    text: `Pull no more than ${fieldMostKg} kg by an ankle hitch.`,
    why: `${formatValue(pullKg, 'kg')} are set; the hitch cuts the skin over the ankle and its vessels.`,
  })
}

/** Raises `over-skin-cap` when the cord pulls the skin with more than it may. */
export function checkSkinCap(draft: PlanDraft, tensionN: number, massKg: number, strips: Strips): void {
  const limits = readDefaults(pullDefaults, draft.ctx.protocol)
  const capKg = capOf(draft, strips)
  const tensionKg = tensionN / gravity
  const isOver = tensionKg > capKg + 1e-9
  if (!isOver && tensionKg <= Math.min(limits.massShare * massKg, capKg) + 1e-9) return
  draft.caution({
    level: isOver ? 'stop' : 'caution',
    ...(isOver ? { isFloor: true } : {}),
    code: 'over-skin-cap',
    decisions: ['cord-tension', 'traction'],
    at: ['first-layer', 'pulls'],
    text: 'Take a lighter counterweight or pull, or have a bone pin considered.',
    why: `The cord pulls the skin with ${formatValue(tensionKg, 'kg')}; ${isOver ? `${capKg} kg is the most it may bear` : 'a tenth of body mass is the rule'}.`,
  })
}
