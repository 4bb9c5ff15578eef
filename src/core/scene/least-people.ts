import type { Step } from '../model/step'
import type { Post } from '../model/step-line'
import { handsOf } from './act-hands'
import { isPost, playScene, type Frame } from './play-scene'

/** The line for which there are too few. */
export interface Unfilled {
  readonly step: Step
  readonly text: string
  /** People that it takes, all that came before included. */
  readonly needed: number
}

/** Posts whose hands are busy in a frame: whoever holds, and whoever does the line. */
function busyIn({ line, before, after }: Frame): readonly Post[] {
  const busy = new Set<Post>()
  for (const { by, hands } of [...before.carried.values(), ...after.carried.values()]) if (isPost(by) && hands > 0) busy.add(by)
  if (handsOf(line) > 0) busy.add(line.by)
  busy.delete('patient')
  return [...busy]
}

/**
 * Fewest people who can fill every post: posts that are never busy together are one person; a lift or a turn takes as many as it needs.
 * Exact, by search.
 * @returns 1 or more
 */
export function leastPeople(steps: readonly Step[]): number {
  let people = 1
  while (people < 12 && firstUnfilled(playScene(steps), people)) people++
  return people
}

/**
 * The first line for which so many people are too few, from a step on: for a run that is begun, and somebody leaves.
 * @param people there, 1 or more
 * @param from id of the step from which on so many are there; from the beginning unless said
 * @returns null where they are enough
 */
export function firstUnfilled(frames: readonly Frame[], people: number, from?: string): Unfilled | null {
  const together = new Map<Post, Set<Post>>()
  const begins = from === undefined ? 0 : frames.findIndex(({ step }) => step.id === from)
  for (const frame of frames.slice(Math.max(0, begins))) {
    const { step, line } = frame
    if ((line.needs ?? 0) > people) return { step, text: line.text, needed: line.needs ?? 0 }
    const isNew = addTogether(together, busyIn(frame))
    if (isNew && !canShare([...together.keys()], together, people)) return { step, text: line.text, needed: people + 1 }
  }
  return null
}

/** Notes that these posts are busy together. Returns whether any of it was new. */
function addTogether(together: Map<Post, Set<Post>>, busy: readonly Post[]): boolean {
  let isNew = false
  for (const post of busy) {
    const others = together.get(post) ?? new Set<Post>()
    if (!together.has(post)) isNew = true
    for (const other of busy) {
      if (other === post || others.has(other)) continue
      others.add(other)
      isNew = true
    }
    together.set(post, others)
  }
  return isNew
}

/** Whether so many people can share posts so that nobody has two that are busy together. */
function canShare(all: readonly Post[], together: ReadonlyMap<Post, ReadonlySet<Post>>, people: number): boolean {
  const whose = new Map<Post, number>()
  const place = (index: number, usedPeople: number): boolean => {
    const post = all[index]
    if (post === undefined) return true
    for (let person = 0; person < Math.min(people, usedPeople + 1); person++) {
      if ([...(together.get(post) ?? [])].some((other) => whose.get(other) === person)) continue
      whose.set(post, person)
      if (place(index + 1, Math.max(usedPeople, person + 1))) return true
      whose.delete(post)
    }
    return false
  }
  return place(0, 0)
}
