import type { Step } from '../model/step'
import { posts, type Post } from '../model/step-line'
import { handsOf } from './act-hands'
import { isPost, type Frame } from './play-scene'

/** The line for which there are too few. */
export interface Unfilled {
  readonly step: Step
  readonly text: string
  /** People that it takes, all that came before included. */
  readonly needed: number
}

/** A procedure that more are needed for is none. */
const mostPeople = 12
const found = new WeakMap<readonly Step[], number>()

/**
 * Fewest people who can fill every post: posts that are never busy together are one person; a lift or a turn takes as many as it needs.
 * Exact, by search; found once for a list of steps.
 * @returns 1 or more
 */
export function leastPeople(steps: readonly Step[]): number {
  const known = found.get(steps)
  if (known !== undefined) return known
  const crew = new Crew()
  let people = 1
  for (const { busy, needs } of busyLines(steps)) {
    people = Math.max(people, Math.min(mostPeople, needs))
    if (crew.add(busy)) while (people < mostPeople && !crew.canBe(people)) people++
  }
  found.set(steps, people)
  return people
}

/** Who is busy in each line, as `busyIn` of its frame, without the rest of the scene: plans are made by the hundred. */
function busyLines(steps: readonly Step[]): readonly { readonly busy: number; readonly needs: number }[] {
  const held = new Map<string, number>()
  const all = (): number => {
    let busy = 0
    for (const bit of held.values()) busy |= bit
    return busy
  }
  const lines: { busy: number; needs: number }[] = []
  let holding = 0
  for (const step of steps)
    for (const line of step.lines ?? []) {
      const before = holding
      if (line.takes || line.gives) {
        for (const what of line.takes ?? []) held.set(what, line.hands === 0 ? 0 : bitOf[line.by])
        for (const { what, to } of line.gives ?? [])
          if (isPost(to)) held.set(what, held.get(what) === 0 ? 0 : bitOf[to])
          else held.delete(what)
        holding = all()
      }
      const own = handsOf(line) > 0 ? bitOf[line.by] : 0
      lines.push({ busy: (before | holding | own) & ~bitOf.patient, needs: line.needs ?? 1 })
    }
  return lines
}

/**
 * The first line for which so many people are too few, from a step on: for a run that is begun, and somebody leaves.
 * @param people there, 1 or more
 * @param from id of the step from which on so many are there; from the beginning unless said
 * @returns null where they are enough
 */
export function firstUnfilled(frames: readonly Frame[], people: number, from?: string): Unfilled | null {
  const crew = new Crew()
  const begins = from === undefined ? 0 : frames.findIndex(({ step }) => step.id === from)
  for (const frame of frames.slice(Math.max(0, begins))) {
    const { step, line } = frame
    if ((line.needs ?? 0) > people) return { step, text: line.text, needed: line.needs ?? 0 }
    if (crew.add(busyIn(frame)) && !crew.canBe(people)) return { step, text: line.text, needed: people + 1 }
  }
  return null
}

const bitOf = Object.fromEntries(posts.map((post, index) => [post, 1 << index])) as Readonly<Record<Post, number>>

/** Posts whose hands are busy in a frame, as bits: whoever holds before or after it, and whoever does the line. The patient is nobody of the crew. */
function busyIn({ line, before, after }: Frame): number {
  let busy = handsOf(line) > 0 ? bitOf[line.by] : 0
  for (const state of [before, after]) for (const { by, hands } of state.carried.values()) if (hands > 0 && isPost(by)) busy |= bitOf[by]
  return busy & ~bitOf.patient
}

/** Which posts are busy together, and how few people can fill them. */
class Crew {
  /** For each post the others that were ever busy with it, as bits. */
  readonly #with: number[] = posts.map(() => 0)
  #used = 0

  /** Notes posts that are busy together. Returns whether any of it was new. */
  add(busy: number): boolean {
    let isNew = (busy & ~this.#used) !== 0
    this.#used |= busy
    for (let post = 0; post < posts.length; post++) {
      if (!(busy & (1 << post))) continue
      const others = busy & ~(1 << post)
      if (others & ~this.#with[post]!) isNew = true
      this.#with[post]! |= others
    }
    return isNew
  }

  /** Whether so many people can share the posts so that nobody has two that are busy together. */
  canBe(people: number): boolean {
    const busy = posts.map((_, post) => post).filter((post) => this.#used & (1 << post))
    /** What each person has, as bits. */
    const has: number[] = []
    const place = (index: number): boolean => {
      const post = busy[index]
      if (post === undefined) return true
      for (let person = 0; person < Math.min(people, has.length + 1); person++) {
        const before = has[person]
        if ((before ?? 0) & this.#with[post]!) continue
        has[person] = (before ?? 0) | (1 << post)
        if (place(index + 1)) return true
        if (before === undefined) has.pop()
        else has[person] = before
      }
      return false
    }
    return place(0)
  }
}
