import { v7 as uuidv7 } from 'uuid'
import { exampleRunId } from '#contract/events/example-ids'
import { unknownInjury } from '#contract/records/episode'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { eventBodySchemas } from '#contract/events/schemas'
import { goodBodies, pathsIn, withValue } from './cases/good-events'

/** Markup where it is taken for markup, a formula where it is taken for one. */
export const markup = '=<i id=pwned>'

/** A good body with markup in every place where words are free; null where there is none. */
export function withMarkup(kind: EventKindId, good: object = goodBodies[kind]): object | null {
  let body = good
  for (const path of pathsIn(good, 6)) {
    const before = path.reduce<unknown>((inner, part) => (inner as Record<string | number, unknown>)[part], good)
    if (typeof before !== 'string') continue
    const tried = withValue(body, path, markup)
    if (eventBodySchemas[kind].validate(tried).error === undefined) body = tried
  }
  return body === good ? null : body
}

/** Kinds of a stay and of a case that carry free words, openings aside. */
export const wordyKinds = (Object.keys(eventKinds) as EventKindId[]).filter((kind) => {
  const { stream, nature, right } = eventKinds[kind]
  return (stream === 'case' || stream === 'episode') && nature !== 'opening' && right !== 'server' && withMarkup(kind) !== null
})

/** What ends a case, or makes it another's: not of one that is to be looked at on every screen. */
const aside: readonly EventKindId[] = [
  'merged',
  'unmerged',
  'moved-in',
  'moved-out',
  'carried-in',
  'protocol',
  'technique',
  'plan',
  'side-changed',
  'ended',
  'reopened',
  'removed',
  'run-lease',
  'countersigned',
]
/** First what the others need. */
const order: readonly EventKindId[] = ['patient', 'place', 'applied']

export interface MarkedCase {
  readonly caseId: string
  readonly episodeId: string
}

/** Sends an event; returns whether it was taken. */
export type Send = (stream: { readonly type: 'case' | 'episode'; readonly id: string }, kind: EventKindId, body: object) => Promise<boolean>

/**
 * A stay with markup in every free text that the server takes.
 * @returns where it is, and the kinds that were taken
 */
export async function seedMarkup(send: Send): Promise<MarkedCase & { readonly taken: readonly EventKindId[] }> {
  const episode = { type: 'episode', id: uuidv7() } as const
  const onCase = { type: 'case', id: uuidv7() } as const
  const injuryId = uuidv7()
  await send(episode, 'episode-opened', { patientId: uuidv7(), place: markup, zone: 'Etc/UTC' })
  const injury = { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', swelling: 'moderate' }
  await send(episode, 'injury', { injuryId, injury })
  await send(onCase, 'case-opened', { episodeId: episode.id, injuryId, technique: 'leg-slab' })
  for (const [id, value] of [
    ['foot-length', 26],
    ['ankle-girth', 25],
    ['calf-girth', 38],
    ['slab-path', 58],
  ] as const)
    await send(onCase, 'reading', { id, side: 'left', value, unit: 'cm', tool: 'tape' })
  await send(onCase, 'run-started', { runId: exampleRunId, withoutPlan: markup })
  const taken: EventKindId[] = []
  const kinds = [...order, ...wordyKinds.filter((kind) => !order.includes(kind) && !aside.includes(kind))]
  for (const kind of kinds) {
    const marked = withMarkup(kind) ?? {}
    const body = kind === 'patient' ? { ...marked, born: '1988-03-02' } : kind === 'round' ? { ...marked, cases: [onCase.id] } : marked
    if (await send(eventKinds[kind].stream === 'case' ? onCase : episode, kind, body)) taken.push(kind)
  }
  return { caseId: onCase.id, episodeId: episode.id, taken }
}
