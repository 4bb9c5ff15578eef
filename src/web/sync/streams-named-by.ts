import type { EventInput } from '#contract/event'

/** Fields of bodies that name another stream, or several. */
const naming = ['episodeId', 'replaces', 'with', 'cases', 'toCase', 'fromCase', 'placeId', 'caseId'] as const

/** Ids of the streams that an event names beside its own: what has to be known before it can be taken. */
export function streamsNamedBy({ body, stream }: Pick<EventInput, 'body' | 'stream'>): readonly string[] {
  const fields = body as Readonly<Record<string, unknown>>
  return naming.flatMap((field) => fields[field] ?? []).filter((one): one is string => typeof one === 'string' && one !== stream.id)
}
