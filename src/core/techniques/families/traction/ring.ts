import { asEstimate } from '../../../planner/format-decision'
import { obliqueGroinGirth } from '../../../figures/body/measurements/traction'
import type { Estimate } from '../../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../../planner/draft'
import { decideSize } from '../sized/decide-size'
import { greatestGirthGrowth } from '../../../figures/swelling/girth-growth'
import { gravity } from '../../../figures/traction/leg-masses'
import { ringPressure } from '../../../figures/traction/ring-load'
import { defineDefaults, readDefaults } from '../../../quantities/defaults'
import { hasFlag, type ClinicalCase } from '../../../model/clinical-case'
import type { Strips } from './decide-pull'
import type { OptionValues, TechniqueOption } from '../../../planner/technique'

export const ringDefaults = defineDefaults('ring', {
  noteKPa: { value: 4.3, unit: 'kPa', source: 'practice', note: '32 mmHg', label: 'Relief plan above' },
  cautionKPa: { value: 8, unit: 'kPa', source: 'practice', label: 'Unload above' },
  stopKPa: { value: 14, unit: 'kPa', source: 'practice', guard: 'never-more', label: 'Stop above', greatest: 20 },
  plusFourCm: { value: 4, unit: 'cm', source: 'practice', label: 'Added to the thigh’s girth' },
})

const rules = {
  range: { id: 'range', label: 'Range', why: 'Girth and swelling allowance into the labelled range, the larger if between.' },
  'plus-four': { id: 'plus-four', label: 'Girth + 4 cm', why: 'Wards that expect days of swelling and care of the ring skin.' },
}
const lengths = {
  'plus-fifteen': { id: 'plus-fifteen', label: 'Inside leg + 15 cm', why: 'Room for the knot and a short pull.' },
  'plus-twenty': { id: 'plus-twenty', label: 'Inside leg + 20 cm', why: 'Room for a windlass and for re-tightening.' },
}

/** Ring rule, length rule and kind of strips, the technique's preferred one first. */
export function ringOptions(ringRule: keyof typeof rules, lengthRule: keyof typeof lengths): readonly TechniqueOption[] {
  const first = <K extends string, V>(table: Record<K, V>, key: K): readonly V[] => [
    table[key],
    ...(Object.keys(table) as K[]).filter((one) => one !== key).map((one) => table[one]),
  ]
  return [
    { id: 'ring-rule', label: 'Ring by', default: () => ringRule, values: first(rules, ringRule) },
    { id: 'length-rule', label: 'Splint length', default: () => lengthRule, values: first(lengths, lengthRule) },
    {
      id: 'strips',
      label: 'Strips',
      default: () => 'adhesive',
      values: [
        { id: 'adhesive', label: 'Adhesive', why: 'Hold up to 5 kg on sound skin.' },
        { id: 'non-adhesive', label: 'Non-adhesive', why: 'Fragile or allergic skin: at most 3 kg.' },
      ],
    },
  ]
}

/** The strips to use: non-adhesive is forced by fragile skin or an adhesive allergy, with a caution by the flag. */
export function resolveStrips(draft: PlanDraft, options: OptionValues): Strips {
  for (const flag of forcesNonAdhesive(draft.clinicalCase)) {
    draft.caution({
      level: 'caution',
      code: flag,
      ...(flag === 'fragile-skin' ? { lasts: true } : {}),
      decisions: ['traction'],
      at: ['first-layer'],
      text: 'Non-adhesive strips, at most 3 kg.',
      why: flag === 'fragile-skin' ? 'Adhesive takes the skin with it.' : 'Adhesive blisters allergic skin within a day.',
    })
  }
  return stripsOf(draft.clinicalCase, options)
}

/** The strips that an option and the skin leave. */
export function stripsOf(clinicalCase: ClinicalCase, options: OptionValues): Strips {
  return forcesNonAdhesive(clinicalCase).length > 0 || options['strips'] === 'non-adhesive' ? 'non-adhesive' : 'adhesive'
}

function forcesNonAdhesive(clinicalCase: ClinicalCase): readonly ('fragile-skin' | 'adhesive-allergy')[] {
  return (['fragile-skin', 'adhesive-allergy'] as const).filter((flag) => hasFlag(clinicalCase, flag))
}

/** Decides `ring` by the chosen rule from stock, and returns its size. */
export function decideRing(draft: PlanDraft, technique: string, options: OptionValues): { size: string | null; groin: Estimate | null } {
  const groin = draft.require(obliqueGroinGirth)
  const isPlusFour = options['ring-rule'] === 'plus-four'
  const { plusFourCm } = readDefaults(ringDefaults, draft.ctx.protocol)
  const allowanceCm = isPlusFour ? plusFourCm : greatestGirthGrowth(draft.clinicalCase, draft.ctx.protocol) * (groin?.value ?? 0)
  const ring = decideSize(draft, {
    decision: 'ring',
    matches: (item) => item.technique === technique,
    readings: [{ definition: obliqueGroinGirth, estimate: groin, allowanceCm }],
    prefer: 'larger',
    rule: isPlusFour ? 'plus-four' : 'odds',
    school: isPlusFour ? 'Girth + 4 cm' : 'Girth and swelling into the range',
    steps: ['build'],
  })
  return { size: ring?.size ?? null, groin }
}

/** Decides `splint-length`: inside leg and 15 or 20 cm. */
export function decideSplintLength(draft: PlanDraft, inside: Estimate, options: OptionValues): number {
  const addCm = options['length-rule'] === 'plus-twenty' ? 20 : 15
  return draft.decide({
    id: 'splint-length',
    value: inside.value + addCm,
    sd: inside.sd,
    source: 'practice',
    school: `Inside leg + ${addCm} cm`,
    formula: `Inside leg + ${addCm} cm.`,
    working: [workingOf(inside), { label: 'Beyond the heel', value: addCm, unit: 'cm', from: 'option' }],
  })
}

/** Decides `ring-pressure` and raises it once, at the highest level reached; fixed traction has no counterweight to add. */
export function decideRingPressure(draft: PlanDraft, ringN: number, groin: Estimate, hasCounterweight: boolean): void {
  const limits = readDefaults(ringDefaults, draft.ctx.protocol)
  const computedKPa = ringPressure(ringN, groin.value)
  const saidKPa = draft.decide({
    id: 'ring-pressure',
    value: computedKPa,
    display: asEstimate(`${computedKPa.toFixed(1)} kPa (${(computedKPa * 7.50062).toFixed(0)} mmHg)`),
    source: 'model',
    formula: '10 × load on the ring ÷ (0.35 × groin girth × 3 cm).',
    working: [
      { label: 'Load on the ring', value: ringN, unit: 'N', from: 'computed' },
      { label: 'Load on the ring', value: ringN / gravity, unit: 'kg', from: 'computed' },
      workingOf(groin),
    ],
  })
  // A floor judges the worse of what was worked out and what was said.
  const kPa = Math.max(computedKPa, saidKPa)
  if (kPa > limits.noteKPa) {
    const level = kPa > limits.stopKPa ? 'stop' : kPa > limits.cautionKPa ? 'caution' : 'note'
    draft.caution({
      level,
      ...(level === 'stop' ? { isFloor: true } : {}),
      code: 'ring-pressure',
      decisions: ['ring-pressure'],
      at: ['rigid-on', 'check-after'],
      text:
        level === 'note'
          ? 'Write a relief plan for the skin under the ring.'
          : level === 'caution'
            ? `Unload the ring: ease the cord${hasCounterweight ? ' or add counterweight' : ''}.`
            : `Not like this: less pull,${hasCounterweight ? ' more counterweight,' : ''} or another technique.`,
      why: `In this estimate the ring presses ${kPa.toFixed(1)} kPa (${(kPa * 7.50062).toFixed(0)} mmHg).`,
    })
  }
}
