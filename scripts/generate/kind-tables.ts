import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'

// The tables of the kinds of events, made from the files that there are. It reads no table, so that it mends one that is broken.

const src = new URL('../../src/', import.meta.url).pathname

/** What a stream is called in the types of the server's rules. */
const rulesOf = { case: 'CaseRules', episode: 'StayRules', ward: 'WardRules', place: 'PlaceRules' }

interface Kind {
  readonly id: string
  readonly folder: string
  /** The word in front of `Kind` in its definition. */
  readonly stream: string
}

/** The tables as they should be: where each lies, and its text. */
export function kindTables(): readonly { readonly file: string; readonly text: string }[] {
  const kinds = kindsThatThereAre()
  return [
    { file: join(src, 'contract/events/kinds.ts'), text: kindsTable(kinds) },
    { file: join(src, 'contract/events/body-schemas.ts'), text: schemasTable(kinds) },
    { file: join(src, 'server/kinds/index.ts'), text: rulesTables(kinds) },
  ]
}

/** A kind is a file with its schema beside it. */
function kindsThatThereAre(): readonly Kind[] {
  const events = join(src, 'contract/events')
  return readdirSync(events, { recursive: true })
    .map(String)
    .filter((name) => name.endsWith('.schema.ts'))
    .sort()
    .map((name) => {
      const [folder, id] = [dirname(name), basename(name, '.schema.ts')]
      const definition = readFileSync(join(events, folder, `${id}.ts`), 'utf8')
      const stream = new RegExp(`export const ${camel(id)} = (\\w+)Kind\\b`).exec(definition)?.[1]
      if (!stream) throw new Error(`src/contract/events/${folder}/${id}.ts does not export ${camel(id)} as a kind of event.`)
      return { id, folder, stream }
    })
}

const note = '// Made by `npm run kinds` from the files that there are: do not edit.\n'

function kindsTable(kinds: readonly Kind[]): string {
  const imports = kinds.map(({ id, folder }) => `import { ${camel(id)} } from './${folder}/${id}'`)
  return `${note}${imports.join('\n')}

/** Every kind of event, one file each: where it goes, whether it can conflict, who may write it, what it does to its record. */
export const eventKinds = {
${entries(kinds)}
} as const
`
}

function schemasTable(kinds: readonly Kind[]): string {
  const imports = kinds.map(({ id, folder }) => `import { schema as ${camel(id)} } from './${folder}/${id}.schema'`)
  return `${note}import type Joi from 'joi'
${imports.join('\n')}
import type { EventKindId } from './index'

/** The body of each kind of event. */
export const eventBodySchemas: Readonly<Record<EventKindId, Joi.ObjectSchema>> = {
${entries(kinds)}
}
`
}

function rulesTables(kinds: readonly Kind[]): string {
  const ruled = kinds.filter(({ id, folder }) => existsSync(join(src, 'server/kinds', folder, `${id}.ts`)))
  const imports = ruled.map(({ id, folder }) => `import { rules as ${camel(id)} } from './${folder}/${id}'`)
  const tables = Object.entries(rulesOf).map(([stream, rules]) => {
    const own = ruled.filter((kind) => kind.stream === stream)
    const name = `${rules.charAt(0).toLowerCase()}${rules.slice(1)}`
    return `/** What the server does with events of a stream of type ${stream} beyond keeping and folding them. */
export const ${name}: { readonly [Id in EventKindId]?: ${rules}<BodyOf<Id>> } = {
${entries(own)}
}
`
  })
  return `${note}import type { BodyOf, EventKindId } from '#contract/events/index'
${imports.join('\n')}
import type { CaseRules, PlaceRules, StayRules, WardRules } from './rules'

${tables.join('\n')}`
}

function entries(kinds: readonly Kind[]): string {
  return kinds.map(({ id }) => (id.includes('-') ? `  '${id}': ${camel(id)},` : `  ${id},`)).join('\n')
}

function camel(id: string): string {
  return id.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase())
}
