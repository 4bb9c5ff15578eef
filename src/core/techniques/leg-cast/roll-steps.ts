import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { Step, StepAngle, StepTimer } from '../../model/step'
import { formatValue } from '../../planner/format-decision'
import { line, linesOf, makeStep } from '../shared/make-step'
import { lowerTimer, releaseTimer, settingTimer } from '../shared/step-timers'
import { longestHeadline, type LaidLayer, type StepLine } from '../../model/step-line'
import type { CastFormation, CastPart, NumberedRoll, ShapeId } from './cast-parts'
import type { CastRoll, CastZone } from './plan-rolls'
import { isCloser, restOf, turnsOf, wayWords, type RollPlaces } from './roll-words'
import type { LegCastStep } from './roles'

export interface RollFacts extends CastFormation {
  /** The cast as it is divided. */
  readonly parts: readonly CastPart[]
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly angles: readonly StepAngle[]
  readonly ankleWords: string
  /** What is turned back at the edges. */
  readonly edge: 'padding' | 'stocking'
  /** Somebody holds, and tires. */
  readonly isHeldByHand: boolean
  /** By what the ways of the rolls are named; null without measured lengths. */
  readonly places: RollPlaces | null
  /** Layers of a pass by half overlap. */
  readonly passLayers: number
}

/** Everything between the first wetting and the last moulding, part by part. */
export function rollSteps(facts: RollFacts): readonly Step<LegCastStep>[] {
  const { parts } = facts
  const rolls = parts.flatMap((part) => part.rolls)
  const lastRoll = rolls.at(-1)?.id
  const lastShape = parts.flatMap(({ shapes }) => shapes).at(-1)
  const steps: Step<LegCastStep>[] = []
  const add = (step: WetStepDraft): void => {
    heldMin += step.minutes[1]
    const isDue = facts.isHeldByHand && heldMin > (step.lines.length < 3 ? restFromMin : restByMin) && step.lines.length < 4
    if (isDue) heldMin = 0
    const lines = isDue ? [...step.lines, ...restLines] : step.lines
    steps.push(makeStep<LegCastStep>({ ...step, lines, after: [steps.at(-1)?.id ?? 'bone-points'] }))
  }
  let palms: PalmsAt = 'mid-thigh'
  let heldMin = 0
  for (const part of parts) {
    const turnsAt = part.turnsBack === 'at the toes' ? part.rolls.findLast(({ roll }) => roll.zone === 'foot') : part.rolls.at(-1)
    for (const rolled of part.rolls) {
      if (part.turnsBack && rolled === (turnsAt ?? part.rolls.at(-1))) add(turnBack(facts, part.turnsBack))
      const needed: PalmsAt = rolled.roll.zone === 'thigh' ? 'under-calf' : 'mid-thigh'
      add({
        ...rollStep(facts, rolled, rolls.length, facts.isLong && needed !== palms ? needed : null),
        ...rollClocks(facts, parts, rolled),
        ...(rolled.id === lastRoll ? { timer: { ...settingTimer(facts.set.minutes), starts: 'shown' as const } } : {}),
      })
      palms = needed
    }
    for (const shape of part.shapes) add(shapeStep(facts, shape, shape === lastShape))
  }
  return steps
}

type WetStepDraft = Omit<Step<LegCastStep>, 'text' | 'after' | 'roles' | 'hands' | 'holds' | 'cautions' | 'headline' | 'lines'> & {
  readonly headline: string
  readonly lines: readonly StepLine[]
}

/** Whoever holds is reminded to change from so many likely minutes on, in a step with room for it, and by so many in any. */
const [restFromMin, restByMin] = [5.5, 8]

const restLines: readonly StepLine[] = [
  { id: 'rest', act: 'say', by: 'you', text: 'Holders: change now if arms tire, four hands on it, one by one.', rests: true },
]

/** Where the palms of the one at the knee lie: never under the roll. */
type PalmsAt = 'mid-thigh' | 'under-calf'

const palmLines: Readonly<Record<PalmsAt, string>> = {
  'mid-thigh': 'Knee holder: flat palms back under the thigh, one by one.',
  'under-calf': 'Knee holder: flat palms under the calf, one by one: "I have it".',
}

/** Left over less than this is not worth a word, cm. */
const restToNameCm = 30

function rollStep(facts: RollFacts, { id, number, roll }: NumberedRoll, total: number, palms: PalmsAt | null) {
  const { options, isPlaster, places } = facts
  const way = places ? wayWords(roll, places) : ''
  const name = `Roll ${number} of ${total}`
  const goal = way === '' ? placeWords[roll.zone] : way
  const width = roll.widthCm === null ? '' : `${formatValue(roll.widthCm, 'cm')} wide: `
  const wet = isPlaster ? 'wet till the bubbles stop' : 'wet it, squeeze once'
  const water = !isPlaster ? '' : options['water'] === 'press-out' ? ', press it out' : ', drain till it stops running'
  const turns = turnsOf(roll)
  const restCm = restOf(roll)
  const restWords = `About ${formatValue(Math.round(restCm / 10) * 10, 'cm')} are left over: cut them off.`
  const hurry = number === 1 && options['position'] === 'seated'
  return {
    id,
    headline: rollHeadline(name, `Roll ${number}`, goal),
    lines: linesOf(
      palms && line('hold', 'side', palmLines[palms], { at: palms, takes: ['knee'] }),
      line('wet', 'table', upperFirst(`${width}${wet}${water}.`), { uses: [rollItem(roll, isPlaster), 'bucket of water'] }),
      line('wind', 'you', windWords(facts, roll), {
        ...(roll.runs.length > 0 ? { puts: [layerOf(roll)] } : {}),
        at: zonePlaces[roll.zone],
      }),
      turns && line('wind', 'you', turnWords(turns, roll)),
      restCm >= restToNameCm && !(palms && turns) && line('cut', 'you', restWords),
      hurry && line('say', 'you', 'Seated, fluid pools in the leg: be quick.'),
    ),
    why: number === 1 ? 'Lifted off and pulled back it tightens; rolled along it lies.' : 'Layers bond while the one below is wet.',
    prevents: 'Tight bands and layers that part.',
    minutes: [0.8, 1.2, 1.8] as const,
    wet: true,
    ...(number === 1 ? { onPatient: true, say: 'The first wet roll comes now: it is cold, then it gets warm.' } : {}),
    where: [roll.zone === 'thigh' ? 'cast-thigh' : roll.zone === 'foot' ? 'cast-foot' : 'cast-lower', ...(way === '' ? [] : [id])],
  }
}

/** A roll and its way, as long as a headline may be. */
function rollHeadline(name: string, short: string, goal: string): string {
  const whole = `${name}: ${goal}`
  if (whole.length <= longestHeadline) return whole
  const forms = [`${short}: ${goal}`, `${short}: ${goal.replaceAll(' the ', ' ')}`, `${short}: ${goal.replace(/, ending at .*/, '')}`]
  return forms.find((form) => form.length <= longestHeadline) ?? forms.at(-1) ?? short
}

const placeWords: Readonly<Record<CastZone, string>> = {
  foot: 'foot and ankle',
  leg: 'lower leg',
  thigh: 'over the knee, up the thigh',
}

const zonePlaces: Readonly<Record<CastZone, string>> = { foot: 'midfoot', leg: 'calf', thigh: 'knee' }

function rollItem({ widthCm }: CastRoll, isPlaster: boolean): string {
  return widthCm === null ? 'rolls in order' : `${isPlaster ? 'plaster' : 'fibreglass'} roll, ${formatValue(widthCm, 'cm')} wide`
}

function windWords({ passLayers }: RollFacts, roll: CastRoll): string {
  return `A hand of tail; close, ${isCloser(roll, passLayers) ? 'the last pass by two thirds' : 'by half, never lifted'}; smooth it.`
}

function turnWords({ station, turns }: { readonly station: string; readonly turns: number }, { zone }: CastRoll): string {
  const count = formatValue(turns, null)
  return zone === 'thigh' && station === 'knee'
    ? `At the knee ${count} turns as an eight, crossed behind and in front.`
    : `Round heel and instep ${count} turns as an eight.`
}

/** From the lowest to the highest place of a roll, as a layer on the body. */
function layerOf({ runs, zone }: CastRoll): LaidLayer {
  const places = runs.flatMap(({ fromCm, toCm }) => [fromCm, toCm])
  return {
    layer: 'cast',
    axis: zone === 'foot' ? 'foot' : 'leg',
    fromCm: Math.min(...places),
    toCm: Math.max(...places),
    passes: runs.filter(({ layers }) => layers > 0).length,
  }
}

function upperFirst(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}`
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
    headline: `The ${edge} turned back ${where}`,
    lines: linesOf(line('smooth', 'you', `Turn the ${edge} back ${where}: the next roll goes over it.`)),
    why: 'A padded edge can touch skin, a bare one cannot; under the last roll it stays.',
    prevents: 'Raw edges, padding that slips out.',
    minutes: [0.2, 0.3, 0.5] as const,
    wet: true,
    where: ['toe'],
  }
}

/** The look before it sets, and its answers, as lines of whatever shapes last. */
const lastLookLines = [
  line('look', 'you', 'Last look: what pokes or squeezes, an edge at a nerve or in a fold?'),
  line('ease', 'you', 'Flare it, ease it or cut it now: later it can only be cut.'),
]

/** One shaping of a part; the last of all ends with the last look. */
function shapeStep(facts: RollFacts, shape: ShapeId, isLast: boolean) {
  const { angles, isLong } = facts
  const look = isLast ? lastLookLines : []
  const common = { id: shape, wet: true, ...(isLast ? { fits: ['toes-seen', 'edges', 'fibular-neck', 'rotation'] } : {}) }
  switch (shape) {
    case 'mould-ankle':
    case 'mould-knee':
    case 'mould': {
      const isKnee = shape === 'mould-knee'
      return {
        ...common,
        headline: isKnee
          ? 'Knee shaped, leg on one axis'
          : shape === 'mould' && isLong
            ? 'Ankle and knee shaped'
            : 'Ankle shaped, foot at its angle',
        lines: linesOf(...mouldLines(facts, shape, isLast), ...look),
        why: 'A cast holds by its shape, not by its thickness.',
        prevents: 'A cast that slides down, a sagging knee that cracks, a dropped foot, a turned leg.',
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
        headline: 'Upper edge flared off the skin',
        lines: linesOf(
          line('mould', 'you', 'Flare the upper edge off the skin while it is soft, smooth all round.'),
          ...axisLook(facts, isLast),
          ...look,
        ),
        why: 'The edge carries what slides; set sharp, it can only be cut.',
        prevents: 'An edge that digs in at the groin or behind the knee.',
        minutes: [0.2, 0.3, 0.5] as const,
        where: [isLong ? 'mid-thigh' : 'below-knee'],
      }
    case 'relief-cuts':
      return {
        ...common,
        headline: 'Top edge of the boot cut free',
        lines: linesOf(
          line('cut', 'you', 'Four short cuts in the top edge while soft: front, back, both sides.', { uses: ['shears'] }),
          ...look,
        ),
        why: 'Vessel and nerve lie behind that edge, and it will be bent against them.',
        prevents: 'A hard edge in the hollow of the knee.',
        minutes: [0.2, 0.3, 0.5] as const,
        where: ['below-knee'],
      }
  }
}

/** What is pressed where, and the look along the leg while it can still be turned. */
function mouldLines({ isLong, ankleWords }: RollFacts, shape: 'mould-ankle' | 'mould-knee' | 'mould', isLast: boolean) {
  const ankle = line('mould', 'you', `Flat palms round the malleoli; ankle ${ankleWords}.`)
  const axis = line(
    'look',
    'you',
    `${isLong ? 'Along thigh, shin and foot' : 'Along shin and foot'}: one axis, angles again. Ask: too hot?`,
  )
  if (shape === 'mould-knee') return [line('mould', 'you', 'Flat palms above the condyles, that shape holds it up; kneecap.'), axis]
  if (shape === 'mould-ankle')
    return [ankle, isLast ? axis : line('look', 'you', 'Angle and tilt again, from behind the sole. Ask: too hot?')]
  return [isLong ? line('mould', 'you', 'Flat palms: malleoli, then above the condyles and round the kneecap.') : ankle, axis]
}

/** With the last look of a long cast: along the whole leg, once more. */
function axisLook({ isLong }: RollFacts, isLast: boolean) {
  return isLast && isLong ? [line('look', 'you', 'Along thigh, shin and foot: one axis?')] : []
}
