import type { DoneSitting, Progress, TechniqueProgress } from '#contract/api/practice-overview'
import { createEmptyCard, fsrs, Rating, type Grade } from 'ts-fsrs'
import type { DrillResult } from '#contract/records/practice'

const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false })

/** How well something was remembered, as the scheduler asks: failed, or by the score. */
export function gradeOf({ total, hasPassed }: Pick<DoneSitting, 'total' | 'hasPassed'>): Grade {
  if (!hasPassed || total < 50) return Rating.Again
  if (total < 70) return Rating.Hard
  return total < 90 ? Rating.Good : Rating.Easy
}

/**
 * When a skill is due again, by the free spaced repetition scheduler over its sittings.
 * @param sittings of one technique, oldest first, at least one
 */
export function dueAgain(sittings: readonly DoneSitting[]): string {
  const [first] = sittings
  let card = createEmptyCard(new Date(first?.at ?? 0))
  for (const one of sittings) card = scheduler.next(card, new Date(one.at), gradeOf(one)).card
  return card.due.toISOString()
}

/**
 * The progress of one person.
 * @param live cases by technique in which they worked under supervision
 */
export function practiceProgress(
  sittings: readonly DoneSitting[],
  drills: readonly DrillResult[],
  live: Readonly<Record<string, number>>,
): Progress {
  const oldestFirst = [...sittings].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
  const byTechnique = new Map<string, DoneSitting[]>()
  for (const one of oldestFirst) byTechnique.set(one.technique, [...(byTechnique.get(one.technique) ?? []), one])
  const techniques = [...byTechnique].flatMap(([technique, done]): readonly TechniqueProgress[] => {
    const last = done.at(-1)
    if (!last) return []
    return [
      {
        technique,
        count: done.length,
        passed: done.filter((sitting) => sitting.hasPassed).length,
        best: Math.max(...done.map((sitting) => sitting.total)),
        last,
        dueAt: dueAgain(done),
        live: live[technique] ?? 0,
      },
    ]
  })
  return {
    techniques: techniques.sort((a, b) => Date.parse(a.dueAt) - Date.parse(b.dueAt)),
    sittings: oldestFirst.reverse(),
    drills: [...drills].sort((a, b) => Date.parse(b.at) - Date.parse(a.at)),
    liveOnly: Object.entries(live).flatMap(([technique, count]) => (byTechnique.has(technique) ? [] : [{ technique, live: count }])),
  }
}
