import { known, sentence } from '../../../planner/answer'
import { calfGirth, insideLeg, lowerLegLength } from '../../../figures/body/measurements/leg'
import type { Must } from '../../../model/order-rule'
import type { StepRoles } from '../../../model/step-role'
import type { DecisionDefinition } from '../../../model/decision-definition'
import type { FitTest } from '../../../model/plan'
import type { Step, StepPull, StepStraps } from '../../../model/step'
import type { Side } from '../../../model/vocabulary'
import { checkHitchCap, decidePull } from './decide-pull'
import { layOut } from '../sized/decide-size'
import { decideStrapPlaces, type StrapArrangement } from './decide-strap-places'
import { measureSpan } from './measure-span'
import { workingOf, type PlanDraft } from '../../../planner/draft'
import { lyingOption, suppliesOption } from '../../../planner/shared-options'
import type { Technique, TechniqueOutcome } from '../../../planner/technique'
import { decidePeople } from '../../shared/decide-people'
import { extraHolder } from '../../shared/extra-holder'
import { convertMin, decideConvert, drawFieldSplint, fieldRounds, fieldSchedule, strapsOf } from './field-splint'
import { judgeTraction, loadOption, requireMass } from './judge-traction'
import { placeName, pullOf, pullWords, strapsAt } from './step-pull'
import { tractionTroubles } from './traction-troubles'

/** What the steps of a field splint are told. */
export interface FieldFacts {
  readonly side: Side | undefined
  readonly lengthWords: string
  readonly pullWords: string
  readonly strapWords: string
  /** Null before there is a body mass. */
  readonly pull: StepPull
  readonly straps: StepStraps
  /** Minutes until it has to be changed. */
  readonly convertMin: number
}

/** What one field splint is, beyond what all of them share. */
export interface FieldSplint {
  readonly id: string
  readonly name: string
  readonly purpose: string
  readonly decisions: readonly DecisionDefinition[]
  /** Schools of pull, the usual one first. */
  readonly loads: readonly ('tenth' | 'relief')[]
  /** "pole splint": as it is laid out and looked for in the store. */
  readonly item: string
  readonly usualStraps: number
  /** How they are spread, as the words of its step say. */
  readonly straps: StrapArrangement
  /** The decision of its length: inside leg and so much beyond the heel, cm. */
  readonly length: { readonly decision: string; readonly beyondCm: number; readonly formula: string }
  /** Fewest people when the patient may be moved. */
  readonly leastPeople: (draft: PlanDraft) => number
  readonly relief: readonly string[]
  /** Minutes from the first touch to the end where its station is timed. */
  readonly limitMin?: number
  /** Decisions that follow from its length. */
  readonly afterLength?: (draft: PlanDraft, lengthCm: number) => void
  /** Decisions about the way it goes. */
  readonly beforeConvert?: (draft: PlanDraft) => void
  readonly steps: (facts: FieldFacts, draft: PlanDraft) => readonly Step[]
  readonly fit: readonly FitTest[]
  readonly care: readonly string[]
  /** What each of its steps does, as rules see it. */
  readonly roles: StepRoles
  /** Orders of its steps that are binding. */
  readonly musts: readonly Must[]
  readonly release: readonly string[]
  /** How it comes off, the pull kept by hand. */
  readonly comesOff: readonly string[]
}

/** A traction splint for the way in: pull by an ankle hitch against the groin, changed within two hours. */
export function fieldTraction(splint: FieldSplint): Technique {
  return {
    id: splint.id,
    name: splint.name,
    purpose: splint.purpose,
    bodyRegion: 'leg',
    regions: ['thigh'],
    patterns: ['femoral-shaft-fracture'],
    decisions: splint.decisions,
    options: [loadOption(splint.loads), suppliesOption, lyingOption],
    measurements: () => [
      { definition: insideLeg, need: 'required' },
      { definition: lowerLegLength, need: 'optional' },
      { definition: calfGirth, need: 'optional' },
    ],
    uses: () => [splint.id],
    puts: ['limb-device', 'leg-pull', 'ankle-hitch', 'skin-edges', 'unfelt-edges', 'over-injury'],
    judge: judgeTraction,
    answer: (said) => sentence(known`Set the ${splint.item} to ${said.brief(splint.length.decision)}`, known`pull ${said.brief('load')}`),
    plan: (draft, options) => planField(splint, draft, String(options['load'])),
    changesTo: ['suspended-ring-traction', 'ring-traction'],
    rounds: fieldRounds,
    roles: splint.roles,
    musts: splint.musts,
    onUrgent: { holds: 'pull', actions: splint.release },
    comesOff: splint.comesOff,
    troubles: tractionTroubles({ release: splint.release, grip: 'ankle hitch', hasCord: false, hasWeights: false }),
  }
}

function planField(splint: FieldSplint, draft: PlanDraft, school: string): TechniqueOutcome {
  const massKg = requireMass(draft)
  const span = measureSpan(draft)
  const lengthCm = decideLength(splint, draft)
  if (lengthCm !== null) splint.afterLength?.(draft, lengthCm)
  if (massKg !== null) checkHitchCap(draft, decidePull(draft, { decision: 'load', school, massKg, strips: null, isSkin: false }))
  const straps = strapsOf(draft, splint.id, splint.usualStraps, splint.item)
  const placesCm = span ? decideStrapPlaces(draft, span, straps.count, span.insideLegCm, straps.count === 4 ? splint.straps : 'spread') : []
  const namedPlaces = placesCm.map((atCm, index) => ({ atCm, name: straps.names[index] ?? (span ? placeName(atCm, span) : '') }))
  splint.beforeConvert?.(draft)
  decideConvert(draft)
  const lengthWords = lengthCm === null ? 'by the inside leg' : `${lengthCm.toFixed(0)} cm`
  layOut(draft, 'splint', splint.item, lengthCm === null ? `length ${lengthWords}` : lengthWords)
  const pull = pullOf(draft, 'load')
  const steps = splint.steps(
    {
      side: draft.clinicalCase.injury.side,
      lengthWords,
      pullWords: pullWords(draft, 'load', pull),
      pull,
      straps: strapsAt(namedPlaces),
      convertMin,
      strapWords:
        namedPlaces.length > 0
          ? `at ${namedPlaces.map((namedPlace) => `${namedPlace.atCm} cm (${namedPlace.name})`).join(', ')} above the sole${straps.direction ? `, each ${straps.direction}` : ''}`
          : 'clear of injury and knee',
    },
    draft,
  )
  decidePeople(draft, {
    floor: splint.leastPeople(draft) + extraHolder(draft.clinicalCase),
    steps,
    relief: splint.relief,
    ...(splint.limitMin === undefined ? {} : { limitMin: splint.limitMin }),
  })
  return {
    steps,
    fit: splint.fit,
    care: splint.care,
    schedule: fieldSchedule(draft),
    geometry: drawFieldSplint(draft, span, placesCm, splint.length.beyondCm, splint.length.decision, pull.expectedKg),
  }
}

function decideLength({ length }: FieldSplint, draft: PlanDraft): number | null {
  const inside = draft.measure(insideLeg)
  if (!inside) return null
  return draft.decide({
    id: length.decision,
    value: inside.value + length.beyondCm,
    sd: inside.sd,
    source: 'practice',
    formula: length.formula,
    working: [workingOf(inside), { label: 'Beyond the heel', value: length.beyondCm, unit: 'cm', from: 'default' }],
  })
}
