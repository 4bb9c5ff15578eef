import parse from 'joi-to-json'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { eventBodySchemas } from '#contract/events/schemas'
import { newestVersion } from '#contract/events/upcast'

/** The published schema of events: envelope and body of every kind, made from the schemas that the server checks with. */
export function eventSchema(): object {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'urn:zesty-wren:event:1',
    title: 'Zesty Wren event',
    description: 'What POST /api/events takes: one thing that somebody did, found or decided. What the server alone writes is left out.',
    type: 'object',
    required: ['id', 'stream', 'kind', 'v', 'body', 'at', 'offsetMs'],
    properties: {
      id: { type: 'string', format: 'uuid', description: 'Made by whoever writes it: the same event twice is one.' },
      stream: {
        type: 'object',
        required: ['type', 'id'],
        properties: { type: { type: 'string' }, id: { type: 'string', format: 'uuid' } },
      },
      kind: { type: 'string' },
      v: { type: 'integer', minimum: 1 },
      body: { type: 'object' },
      at: { type: 'string', description: 'ISO 8601 with offset: when it happened.' },
      offsetMs: { type: 'integer', description: 'The device’s clock less the server’s.' },
      base: { type: 'integer', minimum: 0, description: 'Of replacing kinds: the version that it was made from.' },
      queued: { type: 'boolean', description: 'It waited on its device.' },
    },
    oneOf: (Object.keys(eventKinds) as EventKindId[])
      .filter((kind) => eventKinds[kind].right !== 'server')
      .map((kind) => ({
        title: kind,
        properties: {
          kind: { const: kind },
          stream: { properties: { type: { const: eventKinds[kind].stream } } },
          v: { maximum: newestVersion(kind) },
          body: plain(parse(eventBodySchemas[kind], 'json-draft-2019-09')),
        },
        ...(eventKinds[kind].nature === 'replacing' ? { required: ['base'] } : {}),
      })),
  }
}

/** Without what says nothing: every type there is beside a list of words, and the format's own name. */
function plain(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(plain)
  if (typeof schema !== 'object' || schema === null) return schema
  const isAnything = 'enum' in schema || 'const' in schema
  return Object.fromEntries(
    Object.entries(schema)
      // A least value that is another field cannot be said here; a pattern of names stands among the patterns already.
      .filter(
        ([key, value]) =>
          key !== '$schema' && !(key === 'type' && isAnything) && !(key === 'minimum' && typeof value !== 'number') && !key.startsWith('/'),
      )
      .map(([key, value]) => [key, plain(value)]),
  )
}
