import type { CrewWindow } from '../../model/crew-input'
import type { Step, StepAngle, StepTimer } from '../../model/step'
import { formatValue } from '../../planner/format-decision'
import type { OptionValues } from '../../planner/technique'
import { makeStep } from '../shared/make-step'
import { settingTimer } from '../shared/step-timers'
import type { CastRoll, CastRolls } from './materials'

/** A roll is laid while the one below is workable: so much of its setting time. */
const bondShare = 0.8

const zoneWords: Readonly<Record<CastRoll['zone'], string>> = { foot: 'foot', leg: 'lower leg', thigh: 'over the knee to the groin' }

export interface RollFacts {
  readonly options: OptionValues
  readonly isLong: boolean
  readonly isPlaster: boolean
  readonly setMin: number
  readonly rolls: CastRolls
  readonly angles: readonly StepAngle[]
  readonly ankleWords: string
  /** What is turned back at the edges. */
  readonly edge: 'padding' | 'stocking'
}

/** A stretch of the cast that is rolled, moulded and left before the next one begins: it has a clock of its own. */
export interface CastPart {
  readonly id: 'lower' | 'knee' | 'whole'
  readonly rolls: readonly { readonly id: string; readonly roll: CastRoll; readonly place: string }[]
  /** The step that ends its moulding. */
  readonly mould: string
}

/** The parts of a cast in the order in which they are made, their rolls numbered throughout. */
export function castParts({ options, isLong, rolls }: Pick<RollFacts, 'options' | 'isLong' | 'rolls'>): readonly CastPart[] {
  const named = (list: readonly CastRoll[], first: number, place: (index: number, roll: CastRoll) => string): CastPart['rolls'] =>
    list.map((roll, index) => ({ id: `roll-${first + index}`, roll, place: place(index, roll) }))
  if (isLong && options['order'] === 'lower-part-first') {
    const upAndDown = (_: number, roll: CastRoll): string => (roll.zone === 'foot' ? 'foot and ankle' : 'lower leg, up and back down')
    return [
      { id: 'lower', rolls: named(rolls.lower, 1, upAndDown), mould: 'mould-ankle' },
      { id: 'knee', rolls: named(rolls.thigh, 1 + rolls.lower.length, () => 'over the knee to the groin'), mould: 'mould' },
    ]
  }
  const isFromInjury = options['order'] === 'from-the-injury'
  const ofZone = (zone: CastRoll['zone']): readonly CastRoll[] => rolls.lower.filter((roll) => roll.zone === zone)
  const ordered = isFromInjury ? [...ofZone('leg'), ...rolls.thigh, ...ofZone('foot')] : [...rolls.lower, ...rolls.thigh]
  const place = (index: number, roll: CastRoll): string => {
    if (index === ordered.length - 1 && ordered.length > 1)
      return isFromInjury ? 'the foot last, then the whole length' : 'the whole length'
    if (!isFromInjury) return zoneWords[roll.zone]
    if (index < Math.min(2, ordered.length - 1)) return 'over the injury'
    return roll.zone === 'thigh'
      ? 'up from the injury, over the knee'
      : roll.zone === 'foot'
        ? 'down from the injury, the foot'
        : 'lower leg'
  }
  return [{ id: 'whole', rolls: named(ordered, 1, place), mould: 'mould' }]
}

/** Everything between the first wetting and the last moulding, part by part. */
export function rollSteps(facts: RollFacts): readonly Step[] {
  const parts = castParts(facts)
  const total = parts.reduce((sum, part) => sum + part.rolls.length, 0)
  const steps: Step[] = []
  const last = (): string => steps.at(-1)?.id ?? 'bone-points'
  for (const part of parts) {
    for (const [index, { id, roll, place }] of part.rolls.entries()) {
      const isLastOfPart = index === part.rolls.length - 1
      if (isLastOfPart) steps.push(turnBack(facts, part, last()))
      const number = Number(id.slice('roll-'.length))
      steps.push(
        makeStep({
          id,
          text: rollText(facts, roll, place, number, total),
          why: number === 1 ? 'Lifted off and pulled back it tightens; rolled along it lies.' : 'Layers bond while the one below is wet.',
          prevents: isLastOfPart
            ? 'A seam where a roll ends: the last one runs the whole part before the earlier ones set.'
            : 'Tight bands and layers that part.',
          after: [last()],
          minutes: [0.8, 1.2, 1.8],
          wet: true,
          ...(number === 1 ? { onPatient: true } : {}),
          ...(number === 1 && facts.isLong
            ? { holds: { what: 'knee' as const, from: id, to: 'mould', place: 'hold-joint' as const } }
            : {}),
          ...rollClocks(facts, part, index),
          where: [roll.zone === 'thigh' ? 'cast-thigh' : roll.zone === 'foot' ? 'cast-foot' : 'cast-lower'],
        }),
      )
    }
    steps.push(mould(facts, part, last()))
    if (part.id === 'lower') steps.push(reliefCuts(last()))
  }
  return steps
}

/** What has to end while what is still soft: each roll while the one below is workable, each part moulded and cut before it sets. */
export function castWindows(facts: Pick<RollFacts, 'options' | 'isLong' | 'rolls'>): readonly CrewWindow[] {
  return castParts(facts).flatMap((part): readonly CrewWindow[] => {
    const ids = part.rolls.map((roll) => roll.id)
    const lastRoll = ids.at(-1) ?? ''
    return [
      ...ids.slice(1).map((id, index): CrewWindow => ({ from: ids[index] ?? '', at: 'start', to: id, share: bondShare })),
      { from: lastRoll, at: 'start', to: part.id === 'lower' ? 'relief-cuts' : part.mould, share: 1 },
    ]
  })
}

/**
 * The clocks that a roll starts: how long the next one may still bond to it, and from the last roll of a part how long that part may be
 * moulded. Each runs from its own wetting.
 */
function rollClocks({ setMin }: RollFacts, part: CastPart, index: number): { timer?: StepTimer; moreTimers?: readonly StepTimer[] } {
  const next = part.rolls[index + 1]
  if (next) {
    const number = part.rolls[index]?.id.slice('roll-'.length) ?? ''
    const bond: StepTimer = {
      id: `bond-${number}`,
      label: `Roll ${number} workable`,
      minutes: bondShare * setMin,
      kind: 'set',
      starts: 'shown',
      until: next.id,
    }
    return { moreTimers: [bond] }
  }
  if (part.id === 'lower')
    return { timer: { id: 'set-lower', label: 'Lower part setting', minutes: setMin, kind: 'set', starts: 'shown', until: 'relief-cuts' } }
  return { timer: { ...settingTimer(setMin), starts: 'shown' } }
}

function rollText({ options, isPlaster }: RollFacts, roll: CastRoll, place: string, number: number, total: number): string {
  const water = options['water'] === 'press-out' ? 'press it out' : 'let it drain until it stops running'
  const width = roll.widthCm === null ? '' : `${formatValue(roll.widthCm, 'cm')} wide, `
  const knee = roll.zone === 'thigh' ? ' Cross behind and in front of the knee in a figure-of-eight, two turns each way.' : ''
  const hurry = number === 1 && options['position'] === 'seated' ? ' Seated, fluid pools in the leg: be quick.' : ''
  return `Roll ${number} of ${total}, ${width}${place}. Keep a hand's length of tail free, ${isPlaster ? `wet it till the bubbles stop, ${water}` : 'wet it, squeeze once'}; roll close without lifting off, smooth as you go.${knee}${hurry}`
}

/** Edges turned back so that the last roll lies over them. */
function turnBack({ edge }: RollFacts, part: CastPart, after: string): Step {
  const where = part.id === 'lower' ? 'at the toes' : part.id === 'knee' ? 'at the groin' : 'at both ends'
  return makeStep({
    id: part.id === 'lower' ? 'turn-back-toes' : 'turn-back',
    text: `Turn the ${edge} back ${where}, before the last roll: it goes over it.`,
    why: 'A padded edge can touch skin, a bare one cannot; under the last roll it stays.',
    prevents: 'Raw edges, padding that slips out.',
    after: [after],
    minutes: [0.2, 0.3, 0.5],
    wet: true,
    where: ['toe'],
  })
}

function mould(facts: RollFacts, part: CastPart, after: string): Step {
  const { options, isLong, angles, ankleWords, rolls } = facts
  const knee = 'above the femoral condyles (that shape holds the cast up), kneecap and its tendon'
  const ankle = `round the malleoli, the ankle ${ankleWords}`
  const words = part.id === 'lower' ? ankle : part.id === 'knee' ? knee : isLong ? `${ankle}; ${knee}` : `${ankle}, and the shin`
  const first = rolls.lower.length > 0 ? 'roll-1' : part.mould
  const footHold = { what: 'foot' as const, from: first, to: 'mould', place: 'hold-distal' as const }
  return makeStep({
    id: part.mould,
    text: `Mould ${words}, with flat palms before it sets. Angles and tilt again. Ask: is it too hot?`,
    why: 'A cast holds by its shape, not by its thickness.',
    prevents: 'A cast that slides down, a sagging knee that cracks, a dropped foot.',
    after: [after],
    minutes: [0.4, 0.6, 1],
    wet: true,
    ...(part.id === 'knee'
      ? {}
      : { say: 'I bring your foot to its angle now; it pulls in the calf. Tell me where it hurts, and if it gets too hot.' }),
    ...(part.mould === 'mould' && options['foot-hold'] !== 'own-chest' ? { holds: footHold } : {}),
    angles: part.id === 'lower' ? angles.filter((angle) => angle.id !== 'knee') : angles,
    where: ['malleoli', isLong ? 'patella' : 'ankle'],
  })
}

function reliefCuts(after: string): Step {
  return makeStep({
    id: 'relief-cuts',
    text: 'Four short relief cuts in the top edge before it sets: front, back and both sides.',
    why: 'Vessel and nerve lie behind that edge, and it will be bent against them.',
    prevents: 'A hard edge in the hollow of the knee.',
    after: [after],
    minutes: [0.2, 0.3, 0.5],
    wet: true,
    where: ['below-knee'],
  })
}
