import { flagWords, type AskedFlag } from '#core/model/flag-words'
import type { Consequence, WhatIf } from '#core/techniques/what-if'
import type { Questions } from '#ward/case/questions'

/** Where questions stand, in the order in which they are read. */
export const groups = ['so', 'stops', 'changes', 'always', 'rest', 'notSo'] as const
export type Group = (typeof groups)[number]
export type Places = Readonly<Record<Group, readonly AskedFlag[]>>

const groupOf: Readonly<Record<Consequence, Group>> = {
  stop: 'stops',
  device: 'stops',
  caution: 'changes',
  steps: 'changes',
  rounds: 'changes',
  note: 'changes',
  'other-devices': 'changes',
  nothing: 'rest',
}

function isFlag(question: string): question is AskedFlag {
  return Object.hasOwn(flagWords, question)
}

/** Where the questions of a case stand when it is opened: what is so, then what would stop it, what would change it, and the rest. */
export function placeQuestions(results: readonly WhatIf[], { so, notSo }: Pick<Questions, 'so' | 'notSo'>): Places {
  const places: Record<Group, AskedFlag[]> = { so: [...so], stops: [], changes: [], always: [], rest: [], notSo: [] }
  for (const { question, consequence } of results) {
    if (!isFlag(question)) continue
    const group = groupOf[consequence]
    places[group === 'rest' && flagWords[question].isAlwaysAsked ? 'always' : group].push(question)
  }
  for (const { question } of notSo) if (isFlag(question)) places.notSo.push(question)
  return places
}

/**
 * The places after an answer: whatever stands somewhere stays there, so that nothing moves under a thumb. What begins to matter comes out of
 * the rest and stands last in its group; what is new stands last too.
 */
export function keepPlaces(before: Places, next: Places): Places {
  const placed = new Map(groups.flatMap((group) => before[group].map((flag) => [flag, group] as const)))
  const known = new Set(groups.flatMap((group) => next[group]))
  const came = (group: Group): readonly AskedFlag[] =>
    next[group].filter((flag) => {
      const was = placed.get(flag)
      return was === undefined || (was === 'rest' && (group === 'stops' || group === 'changes'))
    })
  const moved = new Set(groups.flatMap(came))
  return Object.fromEntries(
    groups.map((group) => [group, [...before[group].filter((flag) => known.has(flag) && !moved.has(flag)), ...came(group)]]),
  ) as unknown as Places
}
