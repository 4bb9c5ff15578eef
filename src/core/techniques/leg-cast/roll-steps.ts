import type { Step, StepTimer } from '../../model/step'
import { formatValue } from '../../planner/format-decision'
import { line, linesOf, makeStep } from '../shared/make-step'
import { lowerTimer, releaseTimer, settingTimer } from '../shared/step-timers'
import { longestHeadline, type LaidLayer, type StepLine } from '../../model/step-line'
import type { CastPart, NumberedRoll } from './cast-parts'
import type { CastRoll, CastZone } from './roll-zones'
import { isCloser, restOf, turnsOf, wayWords } from './roll-words'
import type { LegCastStep } from './roles'
import type { RollFacts } from './roll-facts'
import { shapeStep } from './shape-steps'

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
