import type { HeldThing } from '../model/held-thing'
import type { Plan } from '../model/plan'
import { hasRole } from '../model/decision-definition'
import type { Technique } from '../planner/technique'
import type { Protocol } from '../quantities/defaults'
import { hasStepRole } from '../model/step-role'
import { longestHeadline, longestLine, type Posture } from '../model/step-line'
import { freeHandedActs, handsOf, isOfHolding } from './act-hands'
import { judgeRolls } from './judge-rolls'
import type { SceneFault, SceneRule } from './scene-fault'
import { isPost, playScene, type Frame } from './play-scene'

export interface SceneQuestion {
  readonly plan: Pick<Plan, 'procedure' | 'geometry' | 'fit' | 'rolls' | 'materials'>
  /** What is carried whenever the body is worked on, until it is set down or set. */
  readonly carries: readonly HeldThing[]
  /** Turns that are to be made at a joint, by station. */
  readonly turns?: Readonly<Record<string, number>>
  /** Layers of rolls that are wanted everywhere; null where none are counted. */
  readonly layers?: number | null
}

/** What is judged of a plan; null where its technique is not cut into lines. */
export function sceneOf(
  technique: Pick<Technique, 'carries' | 'turns' | 'decisions'>,
  plan: Plan,
  protocol: Protocol,
): SceneQuestion | null {
  const { options } = plan
  if (!technique.carries) return null
  const counted = technique.decisions.find((definition) => hasRole(definition, 'layers-on'))
  const layers = plan.decisions.find(({ id }) => id === counted?.id)?.value
  return {
    plan,
    carries: technique.carries(options),
    turns: plan.rolls?.length ? (technique.turns?.(options, protocol) ?? {}) : {},
    layers: typeof layers === 'number' ? layers : null,
  }
}

/**
 * Judges a procedure that is cut into lines: whether the hands that are there can do what it says, in its order.
 * @returns every fault with its step and line; empty where all holds
 */
export function judgeScene(question: SceneQuestion): readonly SceneFault[] {
  const { steps } = question.plan.procedure
  const frames = playScene(steps)
  return [
    ...frames.flatMap((frame) => [
      ...judgeCarried(frame, question.carries),
      ...judgeHands(frame),
      ...judgeGrip(frame, question.plan.geometry),
      ...judgePosture(frame),
      ...judgeClosing(frame, frames),
      ...judgeHoldTime(frame),
    ]),
    ...judgeThings(frames),
    ...judgeEnd(frames),
    ...judgeFits(question.plan),
    ...judgeLength(frames),
    ...judgeRolls(question.plan, question.layers ?? null, question.turns ?? {}),
  ]
}

const fault = ({ step, line }: Frame, rule: SceneRule, text: string): SceneFault => ({ rule, step: step.id, line: line.id, text })

/** Carried from its lift to its release; nothing is given that nobody has. */
function judgeCarried(frame: Frame, carries: readonly HeldThing[]): readonly SceneFault[] {
  const { step, line, before, after } = frame
  const given = (line.gives ?? []).filter(({ what }) => !before.carried.has(what) && !line.takes?.includes(what))
  const isWorked = hasStepRole(step, 'first-layer', 'pads', 'wets', 'wraps', 'lays-on', 'moulds', 'holds-to-set', 'opens', 'takes-off')
  const missing = isWorked ? carries.filter((what) => !after.carried.has(what)) : []
  const isOnSide =
    after.posture === 'on-side' && ![...after.carried.entries()].some(([what, { by }]) => what === 'patient-on-side' && isPost(by))
  return [
    ...given.map(({ what }) => fault(frame, 'uncarried', `Nobody has the ${what} that is given here.`)),
    ...(line.act === 'lift' &&
    !line.takes?.length &&
    ![...after.carried.values(), ...before.carried.values()].some(({ by }) => by === line.by)
      ? [fault(frame, 'uncarried', `${line.by} is to lift, and holds nothing.`)]
      : []),
    ...missing.map((what) => fault(frame, 'uncarried', `The ${what} is carried by nobody.`)),
    ...(isOnSide ? [fault(frame, 'uncarried', 'The patient lies on the side, and nobody holds them there.')] : []),
  ]
}

/** Nobody has three hands; whoever winds, saws, ties or ratchets holds nothing. */
function judgeHands(frame: Frame): readonly SceneFault[] {
  const { line, before } = frame
  if (isOfHolding(line.act)) return []
  const held = [...before.carried.values()].filter(({ by }) => by === line.by).reduce((sum, { hands }) => sum + hands, 0)
  const isFree = !freeHandedActs.includes(line.act) || held === 0
  return held + handsOf(line) <= 2 && isFree ? [] : [fault(frame, 'three-hands', `${line.by} holds and is to ${line.act} as well.`)]
}

/** A place is held so far to both sides, cm. */
const gripCm = 4

/** No hand lies where its layer is laid. */
function judgeGrip(frame: Frame, geometry: Plan['geometry']): readonly SceneFault[] {
  const { line, after } = frame
  return (line.puts ?? []).flatMap((layer) =>
    [...after.carried.entries()].flatMap(([what, { by, at }]) => {
      if (!isPost(by) || at === null) return []
      const place = [...geometry.stations, ...geometry.marks].find(({ id }) => id === at)
      if (!place) return [fault(frame, 'grip-under-layer', `No place of the lane is called ${at}.`)]
      const isUnder = place.axis === layer.axis && place.atCm + gripCm > layer.fromCm && place.atCm - gripCm < layer.toCm
      return isUnder ? [fault(frame, 'grip-under-layer', `The hand that holds the ${what} at ${at} lies under the ${layer.layer}.`)] : []
    }),
  )
}

const postureWords: readonly (readonly [RegExp, Posture])[] = [
  [/\bon the side\b/i, 'on-side'],
  [/\b(flat )?on the back\b/i, 'on-back'],
  [/\bface down\b/i, 'face-down'],
]

/** Words of posture come from what stands, and it changes only by a line that moves it. */
function judgePosture(frame: Frame): readonly SceneFault[] {
  const { step, line, before, after } = frame
  const isTurnedUp = line.moves === 'on-side' && before.posture !== 'on-back' && before.posture !== 'face-down'
  return [
    ...(after.posture === null && hasStepRole(step, 'baseline', 'first-layer') ? ['Nobody has said how the patient lies.'] : []),
    ...(line.act === 'turn' && line.moves === undefined ? ['It turns the patient, and does not say how they lie then.'] : []),
    ...(isTurnedUp ? [`Rolled to the side from ${before.posture ?? 'nowhere'}: lay them flat first.`] : []),
    ...postureWords
      .filter(([words, posture]) => words.test(line.text) && after.posture !== posture)
      .map(([, posture]) => `It speaks of ${posture}, and the patient is ${after.posture ?? 'not settled'}.`),
  ].map((text) => fault(frame, 'posture', text))
}

/** What closes into a ring is closed after both parts lie round. */
function judgeClosing(frame: Frame, frames: readonly Frame[]): readonly SceneFault[] {
  const { line } = frame
  if (line.act !== 'close' || !line.joins) return []
  const lying = new Set(frames.slice(0, frames.indexOf(frame)).flatMap((one) => (one.line.act === 'lay' ? (one.line.joins ?? []) : [])))
  const missing = line.joins.filter((part) => !lying.has(part))
  return missing.map((part) => fault(frame, 'closed-before-round', `It is closed before the ${part} lies round.`))
}

/** How long hands hold before they tire, likely minutes (our estimates); propped or seated so much longer. */
const holdLimitsMin: Partial<Readonly<Record<HeldThing, readonly [free: number, propped: number]>>> = {
  pull: [3, 6],
  foot: [5, 10],
  knee: [5, 10],
  thigh: [5, 10],
  break: [5, 10],
  head: [10, 20],
  'patient-on-side': [5, 5],
}

/** A hold has a limit; then it is propped, seated, or changed by name. */
function judgeHoldTime(frame: Frame): readonly SceneFault[] {
  const { before, after } = frame
  return [...after.carried.entries()].flatMap(([what, { by, hands, sinceMin, isPropped }]) => {
    const limits = holdLimitsMin[what]
    if (!limits || !isPost(by) || hands === 0) return []
    const endMin = sinceMin + limits[isPropped ? 1 : 0]
    if (after.clockMin <= endMin || before.clockMin > endMin) return []
    return [fault(frame, 'long-hold', `The ${what} is held for more than ${limits[isPropped ? 1 : 0]} min, and nobody changes.`)]
  })
}

/** A thing and how many: "2 × padding roll, 10 cm wide". */
interface Counted {
  readonly name: string
  readonly count: number | null
}

function counted(text: string): Counted {
  const [, count, name] = /^(\d+) × (.+)$/.exec(text) ?? []
  return name === undefined ? { name: text, count: null } : { name, count: Number(count) }
}

/** Used is laid out, with its qualifier; laid out is used, or named spare. */
function judgeThings(frames: readonly Frame[]): readonly SceneFault[] {
  const last = frames.at(-1)
  if (!last) return []
  const unlaid = frames.flatMap((frame) =>
    (frame.line.act === 'fetch' ? [] : (frame.line.uses ?? []))
      .filter((thing) => !(frame.before.laidOut ?? []).some((item) => item.includes(counted(thing).name)))
      .map((thing) => fault(frame, 'not-laid-out', `${thing}: used here, and not laid out.`)),
  )
  const used = last.after.used.map(counted)
  const laid = new Map<string, number | null>()
  for (const { name, count } of (last.after.laidOut ?? []).map(counted))
    laid.set(name, count === null ? (laid.get(name) ?? null) : (laid.get(name) ?? 0) + count)
  const unused = [...laid].flatMap(([name, count]) => {
    if (/\bspare\b/.test(name)) return []
    const own = used.filter((thing) => name.includes(thing.name))
    if (own.length === 0) return [`${name}: laid out, and never used.`]
    const times = own.reduce((sum, thing) => sum + (thing.count ?? 1), 0)
    return count !== null && own.every((thing) => thing.name === name) && count !== times
      ? [`${name}: ${count} laid out, ${times} used.`]
      : []
  })
  const at = frames.find(({ line }) => line.act === 'fetch') ?? last
  return [...unlaid, ...unused.map((text) => fault(at, 'not-used', text))]
}

/** When all is done no hand holds any more. */
function judgeEnd(frames: readonly Frame[]): readonly SceneFault[] {
  const last = frames.at(-1)
  if (!last) return []
  return [...last.after.carried.entries()].flatMap(([what, { by }]) =>
    isPost(by) || by === 'chest' ? [fault(last, 'still-held', `${by} still holds the ${what} when all is done.`)] : [],
  )
}

/** Every fit test is asked in a step, while it can be mended. */
function judgeFits({ fit, procedure }: SceneQuestion['plan']): readonly SceneFault[] {
  const asked = new Set(procedure.steps.flatMap((step) => step.fits ?? []))
  const last = procedure.steps.at(-1)?.id ?? ''
  return fit
    .filter(({ id }) => !asked.has(id))
    .map(({ text }) => ({ rule: 'asked-late', step: last, line: null, text: `"${text}" is asked only when it is done.` }))
}

const mostLines = 4
const mostTicks = 4

/** Short lines everywhere; short steps where hands are full. */
function judgeLength(frames: readonly Frame[]): readonly SceneFault[] {
  const steps = [...new Set(frames.map(({ step }) => step))]
  return [
    ...frames.flatMap((frame) =>
      frame.line.text.length > longestLine ? [fault(frame, 'too-long', `${frame.line.text.length} characters.`)] : [],
    ),
    ...steps.flatMap((step): readonly SceneFault[] => {
      const own = frames.filter((frame) => frame.step === step)
      const isFull = step.wet || own.some(({ before }) => [...before.carried.values()].some(({ by, hands }) => isPost(by) && hands > 0))
      const ticks = (step.fits?.length ?? 0) + (step.straps?.straps.length ?? 0)
      return [
        ...((step.headline?.length ?? 0) > longestHeadline ? [`The headline has ${step.headline?.length} characters.`] : []),
        ...(isFull && own.length > mostLines ? [`${own.length} lines while hands are full.`] : []),
        ...(isFull && ticks > mostTicks ? [`${ticks} ticks while hands are full.`] : []),
      ].map((text) => ({ rule: 'too-long', step: step.id, line: null, text }))
    }),
  ]
}
