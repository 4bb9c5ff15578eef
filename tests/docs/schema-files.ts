import { fileURLToPath } from 'node:url'
import { format } from 'oxfmt'
import { caseSchema } from './case-schema'
import { eventSchema } from './event-schema'

/** The published schemas that are made from the code, with where they lie. */
export async function schemaFiles(): Promise<readonly { readonly file: string; readonly text: string }[]> {
  const folder = new URL('../../docs/formats/', import.meta.url)
  const made = { 'case.schema.json': caseSchema(), 'event.schema.json': eventSchema() }
  return Promise.all(
    Object.entries(made).map(async ([name, schema]) => ({
      file: fileURLToPath(new URL(name, folder)),
      text: (await format(name, JSON.stringify(schema), { printWidth: 140 })).code,
    })),
  )
}
