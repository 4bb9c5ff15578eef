import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { format } from 'oxfmt'
import { caseSchema } from './case-schema'
import { eventSchema } from './event-schema'

const root = new URL('../../', import.meta.url)
const fileAt = (path: string): string => fileURLToPath(new URL(path, root))
const hashOf = (...texts: readonly string[]): string => createHash('sha256').update(texts.join('\n')).digest('hex').slice(0, 16)
const pretty = async (path: string, schema: object): Promise<string> =>
  (await format(path, JSON.stringify(schema), { printWidth: 140 })).code

/** The published schemas that are made from the code, and what tells one version of them from another, with where they lie. */
export async function schemaFiles(): Promise<readonly { readonly file: string; readonly text: string }[]> {
  const [cases, events] = [await pretty('case.schema.json', caseSchema()), await pretty('event.schema.json', eventSchema())]
  const plans = readFileSync(fileAt('docs/formats/plan.schema.json'), 'utf8')
  return [
    { file: fileAt('docs/formats/case.schema.json'), text: cases },
    { file: fileAt('docs/formats/event.schema.json'), text: events },
    {
      file: fileAt('src/core/files/case-schema-hash.ts'),
      text: constant(
        'caseSchemaHash',
        'The published schema of case files, as one figure: a file that another version saved carries another one.',
        hashOf(cases),
      ),
    },
    {
      file: fileAt('src/contract/events/event-schemas-hash.ts'),
      text: constant(
        'eventSchemasHash',
        'The published schemas of events and plans, as one figure: what another version wrote was made by another one.',
        hashOf(events, plans),
      ),
    },
  ]
}

function constant(name: string, words: string, value: string): string {
  return `// Made by \`npm run formats\`: do not edit.\n\n/** ${words} */\nexport const ${name} = '${value}'\n`
}
