import type { ClinicalCase } from '../../model/clinical-case'
import { hasFlag } from '../../model/clinical-case'
import type { Side } from '../../model/vocabulary'
import type { Step } from '../../model/step'
import type { StepLine } from '../../model/step-line'
import { positionWords, type Position } from '../../planner/shared-options'
import type { OptionValues } from '../../planner/technique'
import { line, linesOf, makeStep } from './make-step'
import type { OpeningStep } from './opening-roles'

export interface OpeningFacts<Head extends string = never> {
  readonly side: Side | undefined
  /** How the patient is settled, beside the words of the chosen position. */
  readonly position?: string
  /** How the patient is settled, line by line; in place of `position` and `chosen` once a technique is cut into lines. */
  readonly settle?: readonly Omit<StepLine, 'id'>[]
  /** Somebody holds for minutes: how they sit or stand, and how high the bed is. */
  readonly holdsLong?: true
  /** The position that was chosen, for a limb; left out where the technique has one of its own. */
  readonly chosen?: { readonly clinicalCase: ClinicalCase; readonly options: OptionValues; readonly supported: string }
  /** What is laid out, in the order of use. */
  readonly layOut: string
  /** What is compared: "both legs", "all four limbs". */
  readonly compared: string
  /** Places on the lane where the baseline is felt. */
  readonly where?: readonly string[]
  /** What the patient is told will come, as it is said aloud. */
  readonly say: string
  /** Where a spine may be hurt: the step that takes the head, before anything else. */
  readonly head?: Step<Head>
}

/**
 * What begins every application: the head held first where the spine may be hurt; own protection beside identity and consent; then the
 * position, what is laid out, and the baseline before any device.
 */
export function openingSteps<Head extends string = never>(facts: OpeningFacts<Head>): readonly Step<OpeningStep | Head>[] {
  const first: readonly Head[] = facts.head ? [facts.head.id] : []
  return [
    ...(facts.head ? [facts.head] : []),
    makeStep<OpeningStep | Head>({
      id: 'protect',
      headline: 'Gloves on, eyes covered',
      lines: linesOf(line('lay', 'you', 'Gloves on; eyes covered where something may splash or fly.')),
      why: 'Wet gloves cannot be changed half way, and what splashes sets in an eye.',
      prevents: 'Hands that have to let go to be protected.',
      after: first,
      minutes: [0.2, 0.4, 1],
    }),
    makeStep<OpeningStep | Head>({
      id: 'identity',
      headline: facts.side ? 'The right patient, the right side' : 'The right patient',
      lines: linesOf(
        line('read', 'you', 'Read aloud with the patient: name, date of birth or number.'),
        facts.side !== undefined && line('say', 'you', `And the side: ${facts.side.toUpperCase()}.`),
      ),
      why: facts.side ? 'Readings may come from the other side; the work must not.' : 'Two people with one name are one door apart.',
      prevents: `The work on the wrong ${facts.side ? 'limb or the wrong ' : ''}patient.`,
      after: first,
      minutes: [0.2, 0.3, 0.5],
      confirm: facts.side ? `Both identifiers and ${facts.side.toUpperCase()} confirmed aloud` : 'Both identifiers confirmed aloud',
    }),
    makeStep<OpeningStep | Head>({
      id: 'explain',
      headline: 'Explained, agreed, pain eased',
      lines: linesOf(
        line('say', 'you', 'Explain what comes, and ask for consent.'),
        line('ease', 'you', 'Give pain relief before anything moves.'),
      ),
      why: 'Who knows what comes does not pull away from it.',
      prevents: 'A patient who jerks at the worst moment.',
      say: facts.say,
      after: first,
      minutes: [0.5, 1, 3],
    }),
    makeStep<OpeningStep | Head>({
      id: 'position',
      ...(facts.settle ? { headline: 'Patient settled, hands placed', lines: linesOf(...facts.settle) } : { text: positionText(facts) }),
      why: 'Work that takes minutes needs a comfortable patient and a steady stance.',
      prevents: 'Shifting the patient half way through.',
      after: ['identity', 'explain'],
      minutes: [0.5, 1, 2],
    }),
    makeStep<OpeningStep | Head>({
      id: 'lay-out',
      headline: 'Laid out in the order of use',
      lines: linesOf(line('fetch', 'table', 'Everything on the list, within reach of your hand.')),
      items: facts.layOut.split(/[,;] /),
      why: 'Once it has begun nobody can leave to fetch.',
      prevents: 'Standing with full hands and a part missing.',
      after: [],
      hands: ['fetch'],
      minutes: [1, 2, 4],
    }),
    makeStep<OpeningStep | Head>({
      id: 'baseline',
      headline: 'How it is before anything is put on',
      lines: linesOf(
        line('open', 'you', 'Rings and tight clothing off; skin and wounds looked at.'),
        line('look', 'you', `Check circulation, feeling and movement on ${facts.compared}; record.`),
      ),
      why: 'Later findings mean something only beside what was there before.',
      prevents: 'Not knowing whether a sign is new.',
      after: ['identity', 'explain'],
      minutes: [0.7, 1, 2],
      confirm: 'Checked and recorded',
      say: `I look at ${facts.compared} now and touch them. Tell me what you feel.`,
      onPatient: true,
      where: facts.where ?? [],
    }),
  ]
}

function positionText(facts: Pick<OpeningFacts, 'chosen' | 'position' | 'holdsLong'>): string {
  return `${settled(facts)}${facts.holdsLong ? ' The bed at your hips; whoever holds takes a stool or a step now, before the long hold.' : ''}`
}

function settled({ chosen, position = '' }: Pick<OpeningFacts, 'chosen' | 'position'>): string {
  if (!chosen) return position
  if (hasFlag(chosen.clinicalCase, 'cannot-be-moved'))
    return `As found, in bed or chair, with one more holder, who supports ${chosen.supported}. ${position}`
  return `${positionWords[chosen.options['position'] as Position] ?? ''} ${position}`.trim()
}

/**
 * The check that ends every application: the baseline's look again, beside it.
 * @param after steps that come before it
 * @param compared as in the baseline
 */
export function closingCheck<Id extends string>(
  after: readonly Id[],
  compared: string,
  where: readonly string[] = [],
): Step<Id | 'after-check'> {
  return makeStep<Id | 'after-check'>({
    id: 'after-check',
    headline: 'The same look once more',
    lines: linesOf(
      line('look', 'you', `Check circulation, feeling and movement again on ${compared}.`),
      line('read', 'you', 'Compare with the baseline, and record it.'),
    ),
    why: 'What the device presses, pulls or bends shows first beyond it.',
    prevents: 'A tight device found late.',
    say: 'I look and touch once more, as at the beginning. Tell me what is different.',
    after,
    minutes: [0.7, 1, 2],
    confirm: 'Checked again and recorded',
    where,
  })
}
