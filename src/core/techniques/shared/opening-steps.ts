import type { Side } from '../../model/vocabulary'
import type { Step } from '../../model/step'
import { makeStep } from './make-step'

export interface OpeningFacts {
  readonly side: Side | undefined
  /** How the patient is settled. */
  readonly position: string
  /** What is laid out, in the order of use. */
  readonly layOut: string
  /** What is compared: "both legs", "all four limbs". */
  readonly compared: string
  /** Places on the lane where the baseline is felt. */
  readonly where?: readonly string[]
}

/** What begins every application: position beside lay-out, identity read aloud, baseline. */
export function openingSteps(facts: OpeningFacts): readonly Step[] {
  const side = facts.side ? `, and the side: ${facts.side.toUpperCase()}` : ''
  return [
    makeStep({
      id: 'position',
      text: `${facts.position} Explain, ask for consent, and give pain relief before anything moves.`,
      why: 'Work that takes minutes needs a comfortable patient and a steady stance.',
      prevents: 'Shifting the patient half way through.',
      after: [],
      minutes: [1, 2, 4],
    }),
    makeStep({
      id: 'lay-out',
      text: `Lay out in the order of use: ${facts.layOut}.`,
      items: facts.layOut.split(/[,;] /),
      why: 'Once it has begun nobody can leave to fetch.',
      prevents: 'Standing with full hands and a part missing.',
      after: [],
      hands: ['fetch'],
      minutes: [1, 2, 4],
    }),
    makeStep({
      id: 'identity',
      text: `Read aloud with the patient: name, date of birth or number${side}.`,
      why: facts.side ? 'Readings may come from the other side; the work must not.' : 'Two people with one name are one door apart.',
      prevents: `The work on the wrong ${facts.side ? 'limb or the wrong ' : ''}patient.`,
      after: ['position'],
      minutes: [0.2, 0.3, 0.5],
      confirm: facts.side ? `Both identifiers and ${facts.side.toUpperCase()} confirmed aloud` : 'Both identifiers confirmed aloud',
    }),
    makeStep({
      id: 'baseline',
      text: `Rings and tight clothing off, skin and wounds looked at. Check circulation, feeling and movement on ${facts.compared} and record them.`,
      why: 'Later findings mean something only beside what was there before.',
      prevents: 'Not knowing whether a sign is new.',
      after: ['identity'],
      minutes: [0.7, 1, 2],
      confirm: 'Checked and recorded',
      onPatient: true,
      where: facts.where ?? [],
    }),
  ]
}

/**
 * The check that ends every application: the baseline's look again, beside it.
 * @param after steps that come before it
 * @param compared as in the baseline
 */
export function closingCheck(after: readonly string[], compared: string, where: readonly string[] = []): Step {
  return makeStep({
    id: 'after-check',
    text: `Check circulation, feeling and movement again on ${compared}, and compare with the baseline.`,
    why: 'What the device presses, pulls or bends shows first beyond it.',
    prevents: 'A tight device found late.',
    after,
    minutes: [0.7, 1, 2],
    confirm: 'Checked again and recorded',
    where,
  })
}
