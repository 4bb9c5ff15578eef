import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { Step, StepAngle, StepTimer } from '../../model/step'
import { formatValue } from '../../planner/format-decision'
import { makeStep } from '../shared/make-step'
import { lowerTimer, releaseTimer, settingTimer } from '../shared/step-timers'
import { lastLook } from '../shared/last-look'
import { castParts, type CastFormation, type CastPart, type NumberedRoll, type ShapeId } from './cast-parts'
import type { LegCastStep } from './roles'

export interface RollFacts extends CastFormation {
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly angles: readonly StepAngle[]
  readonly ankleWords: string
  /** A part is lapped onto the one before by so much, cm. */
  readonly lapCm: number
  /** What is turned back at the edges. */
  readonly edge: 'padding' | 'stocking'
}

/** Everything between the first wetting and the last moulding, part by part. */
export function rollSteps(facts: RollFacts): readonly Step<LegCastStep>[] {
  const parts = castParts(facts)
  const rolls = parts.flatMap((part) => part.rolls)
  const firstOnFoot = rolls.find(({ roll }) => roll.zone === 'foot')?.id
  const lastRoll = rolls.at(-1)?.id
  const lastShape = parts.flatMap(({ shapes }) => shapes).at(-1)
  const steps: Step<LegCastStep>[] = []
  const add = (step: Omit<Parameters<typeof makeStep<LegCastStep>>[0], 'after'>): void =>
    void steps.push(makeStep<LegCastStep>({ ...step, after: [steps.at(-1)?.id ?? 'bone-points'] }))
  for (const part of parts) {
    for (const [index, rolled] of part.rolls.entries()) {
      if (rolled.id === firstOnFoot && facts.options['foot-hold'] !== 'own-chest') add(toeGrip)
      if (part.turnsBack && index === part.rolls.length - 1) add(turnBack(facts, part.turnsBack))
      add({
        ...rollStep(facts, part, rolled, rolls.length),
        ...rollClocks(facts, parts, rolled),
        ...(rolled.id === lastRoll ? { timer: { ...settingTimer(facts.set.minutes), starts: 'shown' as const } } : {}),
      })
    }
    for (const shape of part.shapes) add(shapeStep(facts, shape, shape === lastShape))
  }
  return steps
}

/** The foot is let go of where it will be rolled, before it is rolled. */
const toeGrip = {
  id: 'toe-grip' as const,
  text: 'The hand at the foot moves to the toe tips, called out; where toes are broken, a flat palm under the sole.',
  why: 'Fingers under a roll leave a dent, and lifted away they leave a bare patch.',
  prevents: 'A dent or a bare patch where the hand was.',
  minutes: [0, 0, 0.2] as const,
  wet: true,
  hands: [],
  say: 'We take your foot by the tips of the toes now.',
  where: ['toe'],
}

function rollStep(facts: RollFacts, part: CastPart, rolled: NumberedRoll, total: number) {
  const { options, isPlaster } = facts
  const { id, number, roll } = rolled
  const isLap = part.lapsOn !== null && id === part.rolls[0]?.id
  const water = options['water'] === 'press-out' ? 'press it out' : 'let it drain until it stops running'
  const width = roll.widthCm === null ? '' : `${formatValue(roll.widthCm, 'cm')} wide, `
  const reach = roll.reachCm === null ? '' : `: it reaches ${formatValue(Math.floor(roll.reachCm), 'cm')}`
  const isOverKnee = roll.zone === 'thigh' && part.id !== 'upper'
  return {
    id,
    text: [
      `Roll ${number} of ${total}, ${width}${placeWords(facts, part, rolled)}${reach}.`,
      isLap ? `Lap it ${facts.lapCm} cm onto the part before.` : '',
      `Keep a hand's length of tail free, ${isPlaster ? `wet it till the bubbles stop, ${water}` : 'wet it, squeeze once'}; roll close without lifting off, smooth as you go.`,
      isOverKnee ? 'Cross behind and in front of the knee in a figure-of-eight, two turns each way.' : '',
      number === 1 && options['position'] === 'seated' ? 'Seated, fluid pools in the leg: be quick.' : '',
    ]
      .filter(Boolean)
      .join(' '),
    why: number === 1 ? 'Lifted off and pulled back it tightens; rolled along it lies.' : 'Layers bond while the one below is wet.',
    prevents: 'Tight bands and layers that part.',
    minutes: [0.8, 1.2, 1.8] as const,
    wet: true,
    ...(number === 1 ? { onPatient: true, say: 'The first wet roll comes now: it is cold, then it gets warm.' } : {}),
    where: [
      roll.zone === 'thigh' ? 'cast-thigh' : roll.zone === 'foot' ? 'cast-foot' : 'cast-lower',
      ...(roll.reachCm === null ? [] : [id]),
    ],
  }
}

function placeWords({ options }: RollFacts, part: CastPart, { number, roll }: NumberedRoll): string {
  if (options['order'] === 'from-the-injury' && number === 1) return 'over the injury'
  switch (roll.zone) {
    case 'foot':
      return 'foot and ankle'
    case 'thigh':
      return part.id === 'upper' ? 'up the thigh to the groin' : 'over the knee, up onto the thigh'
    case 'leg':
      return part.id === 'ankle' ? 'ankle and lower leg' : 'lower leg'
  }
}

/** The clocks that a roll starts: until when the next may be laid on it, and with the first of a part until when that part can be shaped. */
function rollClocks(
  { set }: RollFacts,
  parts: readonly CastPart[],
  { id, number }: NumberedRoll,
): { readonly moreTimers?: readonly StepTimer<LegCastStep>[] } {
  const part = parts.find(({ rolls }) => rolls.some((roll) => roll.id === id))
  if (!part) return {}
  const within = part.rolls[part.rolls.findIndex((roll) => roll.id === id) + 1]
  const lapped = parts.findLast(({ lapsOn }) => lapsOn === id)?.rolls[0]
  const [next, lastShape] = [lapped ?? within, part.shapes.at(-1)]
  const minutes = set.workableShare * set.minutes
  const timers: readonly StepTimer<LegCastStep>[] = [
    ...(next
      ? [
          {
            id: `bond-${number}`,
            label: `Roll ${number} workable`,
            minutes,
            kind: 'set' as const,
            starts: 'shown' as const,
            until: next.id,
          },
        ]
      : []),
    ...(lastShape && id === part.rolls[0]?.id
      ? [{ id: `part-${part.id}`, label: partLabels[part.id], minutes, kind: 'set' as const, starts: 'shown' as const, until: lastShape }]
      : []),
    ...(id === parts.at(-1)?.rolls.at(-1)?.id ? [releaseTimer(set.releaseMin, 'shown'), lowerTimer(set.lowerMin, 'shown')] : []),
  ]
  return timers.length > 0 ? { moreTimers: timers } : {}
}

const partLabels: Readonly<Record<CastPart['id'], string>> = {
  ankle: 'Ankle workable',
  shin: 'Top edge workable',
  knee: 'Knee workable',
  upper: 'Upper edge workable',
  whole: 'Cast workable',
}

/** Edges turned back so that the last roll lies over them. */
function turnBack({ edge }: RollFacts, where: NonNullable<CastPart['turnsBack']>) {
  return {
    id: where === 'at the toes' ? ('turn-back-toes' as const) : ('turn-back' as const),
    text: `Turn the ${edge} back ${where}, before the last roll there: it goes over it.`,
    why: 'A padded edge can touch skin, a bare one cannot; under the last roll it stays.',
    prevents: 'Raw edges, padding that slips out.',
    minutes: [0.2, 0.3, 0.5] as const,
    wet: true,
    where: ['toe'],
  }
}

const kneeWords = 'above the femoral condyles (that shape holds the cast up), kneecap and its tendon'

/** One shaping of a part; the last of all ends with the last look. */
function shapeStep(facts: RollFacts, shape: ShapeId, isLast: boolean) {
  const { angles, ankleWords, isLong } = facts
  const look = isLast ? ` ${lastLook}` : ''
  const ankle = `round the malleoli, the ankle ${ankleWords}`
  const common = { id: shape, wet: true, ...(isLast ? { fits: ['toes-seen', 'edges', 'fibular-neck'] } : {}) }
  switch (shape) {
    case 'mould-ankle':
    case 'mould-knee':
    case 'mould': {
      const isKnee = shape === 'mould-knee'
      const words = isKnee ? kneeWords : shape === 'mould-ankle' ? ankle : isLong ? `${ankle}; ${kneeWords}` : `${ankle}, and the shin`
      return {
        ...common,
        text: `Mould ${words}, with flat palms before it sets. Angles and tilt again. Ask: is it too hot?${look}`,
        why: 'A cast holds by its shape, not by its thickness.',
        prevents: 'A cast that slides down, a sagging knee that cracks, a dropped foot.',
        minutes: [0.4, 0.6, 1] as const,
        say: isKnee
          ? 'I press above your knee now. Tell me where it hurts, and if it gets too hot.'
          : 'I bring your foot to its angle now; it pulls in the calf. Tell me where it hurts, and if it gets too hot.',
        angles: angles.filter(({ id }) => shape === 'mould' || (id === 'knee') === isKnee),
        where: isKnee ? ['patella'] : shape === 'mould' && isLong ? ['malleoli', 'patella'] : ['malleoli'],
      }
    }
    case 'upper-edge':
      return {
        ...common,
        say: 'I shape the upper edge now.',
        text: `Shape the upper edge while it is soft: flared off the skin, smooth all round.${look}`,
        why: 'The edge carries what slides; set sharp, it can only be cut.',
        prevents: 'An edge that digs in at the groin or behind the knee.',
        minutes: [0.2, 0.3, 0.5] as const,
        where: [isLong ? 'mid-thigh' : 'below-knee'],
      }
    case 'relief-cuts':
      return {
        ...common,
        text: `Four short relief cuts in the top edge before it sets: front, back and both sides.${look}`,
        why: 'Vessel and nerve lie behind that edge, and it will be bent against them.',
        prevents: 'A hard edge in the hollow of the knee.',
        minutes: [0.2, 0.3, 0.5] as const,
        where: ['below-knee'],
      }
  }
}
