import { actionTexts } from '../model/action'
import type { Level } from '../model/finding'
import { feelings, pulses, type LimbFindings, type RoundInput } from '../model/observation'
import { asStanding } from '../model/standing'
import { missingItems } from '../rounds/missing-items'
import { situationOf, usualPeople } from '../standing/case-facts'
import { findingsOnLimb } from '../standing/findings-on-limb'
import { nameOfId } from '../standing/item-names'
import { findingsAfterRounds } from '../standing/fold-rounds'
import type { FindingsAfterRounds, StandingFinding } from '../standing/standing-finding'
import { legSlab } from '../techniques/leg-slab/leg-slab'
import {
  choiceAt,
  figureAt,
  type Bench,
  type BenchCaution,
  type BenchFigure,
  type BenchState,
  type ChoiceControl,
  type RangeControl,
} from './bench'
import { practiceCase, usualPatient } from './practice-case'
import { practicePlan } from './practice-limb'
import { quietLimb } from './quiet-limb'

const words = (list: readonly string[]): ChoiceControl['choices'] => list.map((id) => ({ id, label: id }))
const pulse: ChoiceControl = { kind: 'choice', id: 'pulse', label: 'Pulse on the foot', choices: words(pulses), usual: 'present' }
const feeling: ChoiceControl = { kind: 'choice', id: 'feeling', label: 'Feeling at the sole', choices: words(feelings), usual: 'normal' }
const stretch: ChoiceControl = {
  kind: 'choice',
  id: 'stretch',
  label: 'Toes stretched',
  choices: [
    { id: 'no', label: 'no pain' },
    { id: 'yes', label: 'pain' },
  ],
  usual: 'no',
}
const before: ChoiceControl = {
  kind: 'choice',
  id: 'before',
  label: 'The first round found',
  choices: [
    { id: 'well', label: 'all well' },
    { id: 'same', label: 'the same as now' },
  ],
  usual: 'well',
}
const refill: RangeControl = {
  kind: 'range',
  id: 'refill',
  label: 'Capillary refill',
  unit: 's',
  least: 0.5,
  greatest: 8,
  step: 0.5,
  usual: 1.5,
}
const pain: RangeControl = { kind: 'range', id: 'pain', label: 'Pain at rest', unit: 'of 10', least: 0, greatest: 10, step: 1, usual: 2 }

const side = usualPatient.side
const baselineMin = 0
const nowMin = 240
/** Quiet rounds are tried this far apart, min, and no longer than this. */
const againMin = 15
const mostRounds = 24
/** Of these the picture shows, three hours. */
const shownRounds = 12

const levelWords: Readonly<Record<Level, string>> = {
  none: 'nothing',
  known: 'was there before',
  warn: 'a warning',
  review: 'review now',
  urgent: 'urgent',
}

/** What a round makes stand, why, and what would end it: by the same judgement as the ward's. */
export const findingsBench: Bench = {
  id: 'findings',
  name: 'Findings',
  purpose: 'What a finding makes stand, which rule says so, and what would end it.',
  controls: [pulse, feeling, stretch, before, refill, pain],
  work: (state, ctx) => {
    const clinicalCase = practiceCase(legSlab, usualPatient, ctx.protocol)
    const { geometry } = practicePlan(legSlab, clinicalCase, ctx)
    const situation = situationOf(clinicalCase, { isOn: true, people: usualPeople, posture: 'lying', isWarm: false, pullKg: null })
    const found = limbOf(state)
    const first = roundOf(baselineMin, choiceAt(state, before) === 'same' ? found : quietLimb('leg', side), true)
    const now = roundOf(nowMin, found, false)
    const stands = (rounds: readonly RoundInput[], atMin: number): FindingsAfterRounds =>
      findingsAfterRounds({ clinicalCase, rounds, situationAt: () => situation, startMin: baselineMin, isAtRisk: false }, atMin)
    const standing = stands([first, now], nowMin)
    const shown = standing.findings.filter((finding) => finding.level !== 'none')
    const verdict = standing.verdicts.at(-1)
    const course = quietCourse([first, now], stands)
    const cautions: BenchCaution[] = []
    if (standing.level === 'urgent' || standing.level === 'review')
      cautions.push({
        level: standing.level === 'urgent' ? 'stop' : 'caution',
        text:
          (verdict?.actions ?? [])
            .slice(0, 4)
            .map((id) => actionTexts[id])
            .join(' ') || 'Look again now.',
        why: `${shown[0]?.text ?? ''}: ${levelWords[standing.level]}.`,
      })
    return {
      cautions,
      figures: [
        {
          id: 'level',
          label: 'What stands',
          value: null,
          unit: '',
          digits: 0,
          words: levelWords[standing.level],
          working: 'The worst of what stands: a finding stands until looks end it, not until the next round.',
        },
        {
          id: 'again',
          label: 'Look again',
          value: verdict?.againMin ?? null,
          unit: 'min',
          digits: 0,
          ...(verdict?.againMin == null ? { words: 'as the schedule says' } : {}),
          working: 'What the worst of it asks for; otherwise the rounds of the ward go on as planned.',
        },
        ...shown.slice(0, 6).map((finding) => figureOf(finding, course)),
        {
          id: 'missing',
          label: 'Not looked at',
          value: missingItems(clinicalCase, now).length,
          unit: '',
          digits: 0,
          working: 'A round with something not looked at stays due; here every item is looked at.',
        },
      ],
      scenes: [
        {
          kind: 'limb',
          id: 'limb',
          geometry,
          notes: {},
          findings: findingsOnLimb(
            geometry,
            shown.map((finding) => ({ id: finding.id, part: finding.part, level: asStanding(finding.level) })),
          ),
        },
        courseScene(stands([first], nowMin - 1).level, standing.level, course),
      ],
    }
  },
}

type Stands = (rounds: readonly RoundInput[], atMin: number) => FindingsAfterRounds

function limbOf(state: BenchState): LimbFindings {
  const quiet = quietLimb('leg', side)
  return {
    ...quiet,
    pulse: choiceAt(state, pulse) as (typeof pulses)[number],
    feeling: { ...quiet.feeling, tibial: choiceAt(state, feeling) as (typeof feelings)[number] },
    stretchPain: choiceAt(state, stretch) === 'yes',
    refillS: figureAt(state, refill),
    restPain: figureAt(state, pain),
  }
}

function roundOf(atMin: number, injured: LimbFindings, isBaseline: boolean): RoundInput {
  return { atMin, ...(isBaseline ? { baseline: true } : {}), limbs: [injured, quietLimb('leg', side === 'left' ? 'right' : 'left')] }
}

/** What stands after each of the quiet rounds that would follow. */
function quietCourse(rounds: readonly RoundInput[], stands: Stands): readonly FindingsAfterRounds[] {
  const tried = [...rounds]
  return Array.from({ length: mostRounds }, (_, index) => {
    const atMin = nowMin + (index + 1) * againMin
    tried.push(roundOf(atMin, quietLimb('leg', side), false))
    return stands(tried, atMin)
  })
}

/** One thing that stands, with what would end it: found by trying quiet rounds. */
function figureOf(finding: StandingFinding, course: readonly FindingsAfterRounds[]): BenchFigure {
  const ended = course.findIndex(({ findings }) => !findings.some((one) => one.id === finding.id && one.level !== 'none')) + 1
  const end =
    ended === 0
      ? 'Quiet rounds alone do not end it: a senior decides.'
      : `${ended === 1 ? 'One quiet complete round ends it' : `${ended} quiet complete rounds end it`}, ${ended * againMin} min after this one if they are ${againMin} min apart.`
  return {
    id: finding.id,
    label: nameOfId(finding.id),
    value: null,
    unit: '',
    digits: 0,
    words: levelWords[finding.level],
    working: `${finding.text}. ${end}`,
  }
}

/** What can stand, the least first. */
const lanes: readonly Level[] = ['none', 'known', 'warn', 'review', 'urgent']
const height = (level: Level): number => lanes.indexOf(level)

/** How long it stands when every round after it is quiet. */
function courseScene(before: Level, now: Level, course: readonly FindingsAfterRounds[]) {
  const levels = [now, ...course.slice(0, shownRounds).map((one) => one.level)]
  const points = levels.flatMap((level, index): readonly (readonly [number, number])[] => {
    const atMin = nowMin + index * againMin
    return [
      [atMin, height(index === 0 ? before : (levels[index - 1] ?? 'none'))],
      [atMin, height(level)],
    ]
  })
  return {
    kind: 'curves' as const,
    id: 'course',
    title: 'What stands, if every round after it is quiet',
    xLabel: 'minutes after the first round; a quiet round every 15 min after this one',
    yLabel: '',
    lanes: lanes.map((level) => levelWords[level]),
    lines: [
      {
        label: 'what stands',
        tone: now === 'none' ? ('ink' as const) : ('stop' as const),
        points: [[nowMin - 30, height(before)] as const, ...points],
      },
    ],
    atX: nowMin,
    words: `What stands with this round is ${levelWords[now]}; after three hours of quiet rounds it is ${levelWords[levels.at(-1) ?? 'none']}.`,
  }
}
