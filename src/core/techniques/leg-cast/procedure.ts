import type { RollChoice } from '../../figures/wraps/roll-choice'
import { formatValue } from '../../planner/format-decision'
import type { DecidedSetting } from '../families/cast/decide-set-time'
import { hasFlag, type ClinicalCase } from '../../model/clinical-case'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepAngle } from '../../model/step'
import type { LaidLayer, Post, Posture, StepLine } from '../../model/step-line'
import type { Position } from '../../planner/shared-options'
import { line, linesOf, makeStep } from '../shared/make-step'
import { ankleAngle, footPlane, kneeAngle } from '../shared/step-angles'
import { cureTimer } from '../shared/step-timers'
import { hasStocking } from './materials'
import type { CastPart } from './cast-parts'
import type { CastRolls } from './plan-rolls'
import type { RollPlaces } from './roll-words'
import { rollSteps } from './roll-steps'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'
import type { LegCastStep } from './roles'

export interface CastFacts {
  readonly clinicalCase: ClinicalCase
  readonly options: OptionValues
  readonly isLong: boolean
  /** The injury is nearer to the ankle than to the knee. */
  readonly isLowInjury: boolean
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly rolls: CastRolls
  readonly parts: readonly CastPart[]
  /** By what the ways of the rolls are named; null without measured lengths. */
  readonly places: RollPlaces | null
  readonly passLayers: number
  /** Padding rolls by width; null before there is a limb to count them for. */
  readonly padding: RollChoice | null
  readonly kneeWords: string
  /** The aim of the knee's school, degrees. */
  readonly kneeDeg: number
  readonly ankleWords: string
  /** Null while the ordered angle is not entered. */
  readonly ankleDeg: number | null
  readonly openingMin: number
  readonly isFresh: boolean
}

/** The steps of a cast in a workable order, its rolls one by one. */
export function legCastSteps(facts: CastFacts): readonly Step<LegCastStep>[] {
  const { options } = facts
  const wet = rollSteps({
    ...facts,
    isHeldByHand: holderOf(facts) !== null,
    angles: heldAngles(facts),
    edge: hasStocking(options) ? 'stocking' : 'padding',
  })
  return [...drySteps(facts), ...wet, ...finishSteps(facts, wet.at(-1)?.id ?? 'bone-points')]
}

/** Who holds the foot: a helper, or the chest of whoever applies. */
function isOnChest({ options }: Pick<CastFacts, 'options'>): boolean {
  return options['foot-hold'] === 'own-chest'
}

function drySteps(facts: CastFacts): readonly Step<LegCastStep>[] {
  const { clinicalCase, isLong, options, kneeWords, ankleWords } = facts
  const { side } = clinicalCase.injury
  const holder = holderOf(facts)
  const onStocking = hasStocking(options)
  const held: readonly LegCastStep[] = isLong ? ['hold-foot', 'hold-thigh'] : ['hold-foot']
  const dressed: readonly LegCastStep[] = [...(onStocking ? (['stocking'] as const) : held), 'lay-out']
  return [
    ...openingSteps({
      side,
      holdsLong: true,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: isOnChest(facts) ? 'Stand so that the sole leans square against your chest.' : 'Stand on a step if the hold needs height.',
      settle: settleLines(facts),
      chosen: { clinicalCase, options, supported: 'the thigh and the calf' },
      say: 'I wrap your leg in wet rolls all round. They get warm, then hard. Tell me at once if it is too hot or anything pinches.',
      layOut: [
        ...(onStocking ? ['stocking'] : []),
        ...(isProppedCalf(facts) ? ['prop for the calf'] : []),
        'padding',
        'rolls in order',
        'bucket of water with thermometer',
        'shears',
        'marker',
      ].join(', '),
    }),
    holdFoot(facts),
    ...(isLong ? [holdThigh(facts)] : []),
    ...(onStocking ? [stocking(facts, held)] : []),
    ...(isLong ? [paddingThigh(facts, dressed)] : []),
    ...(isOnChest(facts) ? [] : [toeGrip(isLong ? ['padding-thigh'] : dressed)]),
    makeStep({
      id: 'padding',
      headline: isLong ? 'Lower leg and foot padded' : 'Padded, with room to swell',
      lines: linesOf(
        isLong && line('hold', 'side', 'Knee holder: flat palms back under the thigh, one by one.', { at: 'mid-thigh', takes: ['knee'] }),
        line('wind', 'you', padWords(facts), { at: 'calf', uses: padRolls(facts, 'lower'), puts: padding(facts, 'lower') }),
        line('press', 'you', `Malleoli, shin crest and fibular neck have more; no crease.`),
      ),
      why: 'Two even layers are the room for swelling; bone needs four.',
      say: 'The soft padding goes round your leg now.',
      prevents: 'A missed heel, an overpadded ankle, ridges, no room.',
      after: isLong ? ['padding-thigh', ...dressed] : dressed,
      minutes: isLong ? [1.2, 1.8, 3] : [2, 3, 5],
      onPatient: true,
      where: ['padding', 'malleoli', 'fibular-neck'],
    }),
    makeStep({
      id: 'bone-points',
      headline: `Bony points felt, angles looked at`,
      lines: linesOf(
        line('press', 'you', 'Feel every bony point through the padding.', { at: 'malleoli' }),
        line(
          'look',
          'you',
          isLong ? `Knee ${kneeWords}, ankle ${ankleWords}; all on one axis.` : `Ankle ${ankleWords}; shin and foot on one axis.`,
        ),
        holder && line('hold', holder, 'Holders: change now if arms tire, four hands on it, one by one.', { rests: true }),
      ),
      why: 'What is wrong now is wrong for weeks.',
      prevents: 'A turned foot, a pressed nerve at the fibular neck.',
      say: 'It will get warm for some minutes; that is the setting. Too hot, and it comes off: say so.',
      after: ['padding', ...held],
      minutes: [0.3, 0.6, 1],
      confirm: `Rolling on the ${side?.toUpperCase() ?? 'injured'} leg`,
      where: ['malleoli', 'fibular-neck'],
    }),
  ]
}

/** How the patient is settled for a cast: the leg lies until hands or a prop take it. */
function settleLines(facts: CastFacts): readonly Omit<StepLine, 'id'>[] {
  const { options, clinicalCase } = facts
  if (hasFlag(clinicalCase, 'cannot-be-moved'))
    return [
      line('look', 'you', 'As found, in bed or chair.', { moves: 'as-found' }),
      line('hold', 'legs', `One more holder, seated, steadies ${facts.isLong ? 'hip and trunk' : 'the thigh'}.`, {
        takes: ['thigh'],
        rests: true,
      }),
    ]
  const lies: Readonly<Record<Position, readonly [string, Posture]>> = {
    lying: ['On the back; the leg lies on the couch until hands take it.', 'on-back'],
    'face-down': ['Face down, knee bent square, shin upright; chest on a pillow.', 'face-down'],
    hanging: ['Sitting on the edge, thigh on the couch, the lower leg hanging.', 'sitting'],
    seated: ['Seated, the leg out in front on a chair until hands take it.', 'sitting'],
  }
  const [words, moves] = lies[options['position'] as Position] ?? lies.lying
  return [
    line('turn', 'you', words, { moves, needs: 1 }),
    isOnChest(facts)
      ? line('say', 'you', 'Stand so that the sole can lean square against your chest.')
      : line('say', 'foot', 'Take a stool or a step now, before the long hold; bed at hip height.'),
  ]
}

/** Short, held by one's own chest: the calf needs a prop, for nobody else lifts it. */
function isProppedCalf(facts: CastFacts): boolean {
  return isOnChest(facts) && !facts.isLong && liesOut(facts.options)
}

/** The leg lies, or is held out: face down the shin stands, and over an edge it hangs. */
function liesOut({ position }: OptionValues): boolean {
  return position !== 'face-down' && position !== 'hanging'
}

/** Whoever of the holders speaks for all of them; null where a chest and a prop do it alone. */
function holderOf(facts: CastFacts): Post | null {
  if (!isOnChest(facts)) return 'foot'
  if (facts.isLong) return 'side'
  return hasFlag(facts.clinicalCase, 'cannot-be-moved') ? 'legs' : null
}

const footHeld = { what: 'foot', from: 'hold-foot', to: 'transfer', place: 'hold-distal' } as const

function holdFoot(facts: CastFacts): Step<LegCastStep> {
  const { isLong, ankleWords } = facts
  const common = {
    id: 'hold-foot' as const,
    why: 'Let go of once, the foot drops and the break moves.',
    prevents: 'Movement at the fracture before anything holds it.',
    after: ['baseline'] as const,
    minutes: [0.1, 0.2, 0.4] as const,
    where: ['heel-instep'],
  }
  if (isOnChest(facts))
    return makeStep<LegCastStep>({
      ...common,
      headline: 'The foot leans on your chest',
      lines: linesOf(
        isProppedCalf(facts) &&
          line('lay', 'you', 'Calf on the prop, knee bent, the foot clear.', {
            uses: ['prop for the calf'],
            takes: ['knee'],
            gives: [{ what: 'knee', to: 'prop' }],
          }),
        line('hold', 'you', `Sole against your chest, ankle ${ankleWords}; hands free.`, {
          takes: ['foot'],
          gives: [{ what: 'foot', to: 'chest' }],
          at: 'toe-tips',
        }),
      ),
      say: 'I lean your foot against me now. Let it be heavy.',
    })
  return makeStep<LegCastStep>({
    ...common,
    headline: 'The foot is held',
    lines: linesOf(
      line('hold', 'foot', `Heel in one palm, forefoot in the other; ankle ${ankleWords}.`, { takes: ['foot'], at: 'heel-instep' }),
      isLong
        ? line('say', 'foot', 'Lift nothing yet: the knee comes with it.')
        : liesOut(facts.options)
          ? line('lift', 'foot', 'Lift the foot clear, knee bent; held until it is set down.', { needs: 1 })
          : line('hold', 'foot', 'Steady it where it is; held until it is set down.'),
      !isLong && line('hold', 'foot', 'Sit, or elbows propped on the couch.', { rests: true }),
    ),
    hands: [],
    holds: { ...footHeld, changes: [{ at: 'toe-grip', place: 'hold-distal' }] },
    say: isLong
      ? 'A hand takes your foot. We lift in a moment, together.'
      : 'We hold your leg now until the cast is hard. Let it be heavy.',
  })
}

function holdThigh({ kneeWords, options }: CastFacts): Step<LegCastStep> {
  const other = options['foot-hold'] === 'own-chest' ? 'you' : 'the foot holder'
  return makeStep<LegCastStep>({
    id: 'hold-thigh',
    headline: 'Thigh and knee are lifted with it',
    lines: linesOf(
      line('hold', 'side', `Far side: flat hands under thigh and knee, ${kneeWords}.`, { takes: ['knee'], at: 'mid-thigh' }),
      line('lift', 'side', `Lift with ${other}, on the count; held until it is set down.`, { needs: 2 }),
      line('hold', 'side', 'Both holders: sit, or elbows propped on the couch.', { rests: true }),
    ),
    why: 'Lifted by the foot alone the break bends; the knee holder is a person of their own.',
    prevents: 'A break that bends, a sagging knee that cracks.',
    after: ['baseline', 'hold-foot'],
    minutes: [0.2, 0.4, 0.8],
    hands: [],
    holds: { what: 'knee', from: 'hold-thigh', to: 'transfer', place: 'hold-joint' },
    say: 'We lift your leg now and hold it until the cast is hard. Let it be heavy.',
    where: ['mid-thigh'],
  })
}

function stocking(facts: CastFacts, held: readonly LegCastStep[]): Step<LegCastStep> {
  return makeStep<LegCastStep>({
    id: 'stocking',
    headline: 'Stocking on, without a crease',
    lines: linesOf(
      isOnChest(facts)
        ? line('lay', 'you', 'Up from the midfoot: the sole stays free, against your chest.', {
            uses: [facts.places ? 'stockinette' : 'stocking'],
            at: 'calf',
          })
        : line('lay', 'you', 'Over toes and foot, past each hand in turn, up the leg.', {
            uses: [facts.places ? 'stockinette' : 'stocking'],
            at: 'calf',
          }),
      line('smooth', 'you', 'Started high, because it creeps down; no crease.'),
    ),
    why: 'A crease under plaster is a ridge for six weeks.',
    prevents: 'Sores from creases, a bare upper edge.',
    after: [...held, 'lay-out'],
    minutes: [0.5, 1, 2],
    onPatient: true,
    say: 'The stocking goes on first.',
  })
}

/** The thigh first, while the palms of the knee holder are below it. */
function paddingThigh(facts: CastFacts, after: readonly LegCastStep[]): Step<LegCastStep> {
  const start = hasStocking(facts.options)
    ? 'Over the stocking, groin down to the knee'
    : 'Groin down to the knee, a turn left to fold back'
  return makeStep<LegCastStep>({
    id: 'padding-thigh',
    headline: 'Thigh and knee padded',
    lines: linesOf(
      line('hold', 'side', 'Knee holder: flat palms under the calf, one by one: "I have it".', { at: 'under-calf', takes: ['knee'] }),
      line('wind', 'you', `${start}; half overlap.`, { at: 'mid-thigh', uses: padRolls(facts, 'thigh'), puts: padding(facts, 'thigh') }),
      line('press', 'you', 'Kneecap and condyles have more; no crease behind the knee.'),
    ),
    why: 'Two even layers are the room for swelling; bone needs four.',
    prevents: 'A crease behind the knee, a bare upper edge.',
    after,
    minutes: [0.8, 1.2, 2],
    onPatient: true,
    say: 'The soft padding goes round your leg now.',
    where: ['padding', 'patella'],
  })
}

/** The foot is let go of where it will be wrapped, before it is wrapped. */
function toeGrip(after: readonly LegCastStep[]): Step<LegCastStep> {
  return makeStep<LegCastStep>({
    id: 'toe-grip',
    headline: 'The foot is held by the toe tips',
    lines: linesOf(
      line('hold', 'foot', 'One hand to the toe tips: "I have it"; then the heel is let go.', { takes: ['foot'], at: 'toe-tips' }),
      line('hold', 'foot', 'Toes broken: a flat palm under their tips instead.'),
    ),
    why: 'Fingers under a roll leave a dent, and lifted away they leave a bare patch.',
    prevents: 'A dent or a bare patch where the hand was.',
    after,
    minutes: [0, 0, 0.2],
    hands: [],
    say: 'We take your foot by the tips of the toes now.',
    where: ['toe'],
  })
}

/** What is padded with the thigh, and what with the lower leg and foot; nothing to say without measured lengths. */
function padding({ places, isLong }: CastFacts, part: 'thigh' | 'lower'): readonly LaidLayer[] {
  if (!places) return []
  const layer = { layer: 'padding', passes: 1 }
  if (part === 'thigh') return [{ ...layer, axis: 'leg', fromCm: places.bootTopCm, toCm: places.topCm }]
  return [
    { ...layer, axis: 'leg', fromCm: 0, toCm: isLong ? places.bootTopCm : places.topCm },
    { ...layer, axis: 'foot', fromCm: places.toeCm, toCm: places.instepCm },
  ]
}

/** The padding rolls of a part as they are laid out: those of the thigh's width with the thigh. */
function padRolls({ padding, isLong }: CastFacts, part: 'thigh' | 'lower'): readonly string[] {
  if (!padding) return ['padding']
  const thighCm = isLong ? padding.zones.find(({ zone }) => zone === 'thigh')?.widthCm : undefined
  const rolls = padding.rolls
    .filter(({ widthCm }) => (part === 'thigh') === (widthCm === thighCm))
    .map(({ widthCm, count }) => `${count} × padding roll, ${formatValue(widthCm, 'cm')} wide`)
  return rolls.length > 0 ? rolls : ['padding roll']
}

function padWords(facts: CastFacts): string {
  if (facts.isLong) return 'On from the knee to the toes, unrolled outward, half overlap.'
  return hasStocking(facts.options)
    ? 'Over the stocking, from the top to the toes, half overlap.'
    : 'From the top to the toes, a turn left to fold back; half overlap.'
}

/** Knee by its school's band, ankle at its angle, sole level. */
function heldAngles({ isLong, options, kneeDeg, ankleDeg }: CastFacts): readonly StepAngle[] {
  const knee = options['knee'] === 'thirty' ? kneeAngle(kneeDeg, 30, 40) : kneeAngle(kneeDeg, 15, 20)
  return [...(isLong ? [knee] : []), ...(ankleDeg === null ? [] : [ankleAngle(ankleDeg)]), footPlane]
}

function finishSteps(facts: CastFacts, lastShape: LegCastStep): readonly Step<LegCastStep>[] {
  const { isLong, isFresh, openingMin, set } = facts
  const holder = holderOf(facts) ?? 'you'
  const isHeldByHand = holder !== 'you'
  const whole = isLong ? 'Knee and foot' : 'The foot'
  return [
    makeStep({
      id: 'hold-set',
      headline: `${whole} held still until it is hard`,
      lines: linesOf(
        line('hold', holder, `${whole} still: hard to the knuckle, no sooner than the clock.`),
        line('say', 'patient', '"Too hot" means: take it off.'),
        isHeldByHand && line('hold', holder, 'Arms tire: change, four hands on it, "I have it".', { rests: true }),
      ),
      why: 'At the likely setting time half of all batches are still soft; the classic failure is a sagging knee that cracks.',
      prevents: 'A crack at the knee, a foot that drops in the last minute.',
      after: [lastShape],
      minutes: [2, 4, 8],
      ...(isOnChest(facts) && !isLong ? {} : { hands: ['apply'] as const }),
      fits: isLong ? ['knee-angle', 'ankle-angle'] : ['ankle-angle'],
      angles: heldAngles(facts),
      timer: cureTimer(set.cureMin),
      where: [isLong ? 'knee' : 'ankle'],
    }),
    ...(isLong
      ? [
          makeStep({
            id: 'reinforce',
            headline: 'The knee looked at from both sides',
            lines: linesOf(line('look', 'you', 'The turns cross on both sides; no wrinkle behind, no crack.', { at: 'knee' })),
            why: 'The knee carries the whole lower leg.',
            prevents: 'A cast that breaks in two on the way to the ward.',
            after: ['hold-set'],
            minutes: [0.2, 0.4, 0.8] as const,
            fits: ['knee-crack'],
            where: ['knee'],
          }),
        ]
      : []),
    makeStep({
      id: 'trim',
      headline: 'All toes seen',
      lines: linesOf(
        line('cut', 'you', 'Trim until all toes are seen.', { at: 'toe', uses: ['shears'] }),
        line('press', 'you', 'A finger round both edges.'),
        line('lay', 'you', 'Mark the day, the hour and the level of the break on it.', { uses: ['marker'] }),
      ),
      why: 'Toes are the window for every later check.',
      prevents: 'Toes that nobody can look at, an edge that cuts.',
      after: [isLong ? 'reinforce' : 'hold-set'],
      minutes: [0.3, 0.7, 1.5],
      where: ['toe'],
    }),
    makeStep({
      id: 'transfer',
      headline: 'Set down, uncovered until it is cool',
      lines: linesOf(
        line('lift', holder, `Under thigh and calf, never by the heel; down ${lowerShort}.`, {
          needs: isLong ? 2 : 1,
          ...(isHeldByHand ? {} : { takes: isProppedCalf(facts) ? (['foot', 'knee'] as const) : (['foot'] as const) }),
          gives: [
            { what: 'foot', to: 'bed' },
            ...(isLong || isProppedCalf(facts) ? [{ what: 'knee' as const, to: 'bed' as const }] : []),
            ...(hasFlag(facts.clinicalCase, 'cannot-be-moved') ? [{ what: 'thigh' as const, to: 'bed' as const }] : []),
          ],
        }),
        line('hold', holder, 'Sooner only with one named hand above and one below.'),
        line('lay', 'you', 'In open air: no pillow, no plastic, no blanket until it is cool.'),
      ),
      say: 'We set your leg down now.',
      why: 'Heat that cannot leave burns; a soft cast dents on what it lies on.',
      prevents: 'Burns and heel sores.',
      after: ['trim'],
      minutes: [0.5, 1, 2],
      ...(isFresh
        ? { timer: { id: 'opening', label: 'Hard enough to open', minutes: openingMin, kind: 'wait', starts: 'done' } as const }
        : {}),
      moreTimers: [{ id: 'cool', label: 'Uncovered until cool', minutes: 30, kind: 'cooling', starts: 'shown' }],
      where: ['heel-instep'],
    }),
    closingCheck(['trim'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}

const lowerShort = 'not before its clock'

/** What to look at on the finished cast. */
export function legCastFit(isLong: boolean): readonly FitTest[] {
  return [
    { id: 'toes-seen', text: 'All toes seen', why: 'They are the window for every round.', remedy: 'Trim the end back.', where: ['toe'] },
    {
      id: 'edges',
      text: 'Edges padded all round',
      why: 'A bare edge cuts.',
      remedy: 'Turn back and tape down.',
      where: ['toe', 'below-knee'],
    },
    ...(isLong
      ? [
          {
            id: 'knee-crack',
            text: 'No crack or crease at the knee',
            why: 'It breaks there first.',
            remedy: 'Reinforce with crossing turns, or make it again.',
            where: ['knee'],
          },
          {
            id: 'knee-angle',
            reads: 'knee' as const,
            text: 'Knee angle measured',
            why: 'It sets as it is held.',
            remedy: 'Still soft: correct it. Set: wedge or make it again.',
            where: ['knee'],
          },
        ]
      : []),
    {
      id: 'ankle-angle',
      reads: 'ankle',
      text: 'Ankle angle measured',
      why: 'A dropped foot cannot stand flat.',
      remedy: 'Still soft: correct it. Set: make it again.',
      where: ['ankle'],
    },
    { id: 'rotation', text: 'Thigh and foot on one axis', why: 'Turned is as wrong as bent.', remedy: 'Make it again.', where: ['toe'] },
    {
      id: 'fibular-neck',
      text: 'No pressure at the fibular neck',
      why: 'The nerve that lifts the foot lies there.',
      remedy: 'Trim or window the edge.',
      where: ['fibular-neck'],
    },
  ]
}

/** Care in words. */
export const legCastCare: readonly string[] = [
  'No weight through the cast unless it is ordered by name.',
  'Open air until it is cool, 20 to 30 minutes; then a cloth pillow with the heel hanging.',
  'Limb at heart level; toes moved every hour while awake.',
  'Nothing is pushed down inside it; keep it dry.',
  'More pain, pain when the toes are stretched, numb or blue toes: call at once, day or night.',
  'Calf pain or breathlessness: call at once.',
]
