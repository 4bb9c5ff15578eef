import type { Request } from 'express'
import type { EventInput } from '#contract/event'
import { findEventKind, type EventKindId } from '#contract/events/index'
import { eventBodySchemas, eventSchema } from '#contract/events/schemas'
import { newestVersion, upcastBody } from '#contract/events/upcast'
import { ApiError } from '../ground/api-error'
import { limitBody } from '../middleware/json-body'
import { parseWith } from '../middleware/validate'

/** So much of anything that is not long. */
const mostBytes = 64 * 1024

/**
 * An event as it came, brought to the newest form of its kind and checked against it.
 * @param request as it came, where its length tells that of the event
 */
export function readEvent(body: unknown, request?: Request): EventInput {
  const sent = parseWith<EventInput>(eventSchema, body)
  const kind = sent.kind as EventKindId
  if (request && !findEventKind(kind)?.isLong) limitBody(request, mostBytes, 'shorten it, or enter it in parts')
  const newest = newestVersion(kind)
  if (sent.v > newest)
    throw new ApiError(
      422,
      'invalid',
      `This page is newer than the server knows (${kind} ${sent.v}): try again when the server is up to date.`,
      {
        errors: [{ code: 'format', path: 'v', message: `Version ${sent.v} of ${kind} is not known here: the newest is ${newest}.` }],
      },
    )
  const checked = parseWith(eventBodySchemas[kind], upcastBody(kind, sent.v, sent.body), ['body'])
  return { ...sent, v: newest, body: checked }
}
