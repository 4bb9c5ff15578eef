import { readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

/** Where the sources are. */
export const src = fileURLToPath(new URL('../../src/', import.meta.url))
const houses = ['core', 'contract', 'ward', 'server', 'web', 'cli', 'standins'] as const

/** The TypeScript files in a folder and all below it. */
export function filesBelow(folder: string): readonly string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? filesBelow(path) : /\.tsx?$/.test(name) ? [path] : []
  })
}

/** The room of a file: house and folder, "core/model"; a house's own door for what lies in no folder. */
function roomOf(file: string): string {
  const [house = '', room = ''] = relative(src, file).split('/')
  return room.includes('.') || !room ? `${house}/(door)` : `${house}/${room}`
}

/** The modules of ours that a file imports, as paths without their ending. */
export function importsOf(file: string): readonly string[] {
  return [...readFileSync(file, 'utf8').matchAll(/(?:from|import\()\s*'([^']+)'/g)].flatMap(([, module = '']) => {
    if (module.startsWith('#')) return [join(src, module.slice(1))]
    return module.startsWith('.') ? [join(dirname(file), module)] : []
  })
}

/** Which room imports which, itself left out. */
function knownByRoom(): ReadonlyMap<string, ReadonlySet<string>> {
  const known = new Map<string, Set<string>>()
  for (const file of houses.flatMap((house) => filesBelow(join(src, house)))) {
    const room = roomOf(file)
    const seen = known.get(room) ?? new Set<string>()
    for (const target of importsOf(file)) {
      const other = roomOf(/\.tsx?$/.test(target) ? target : `${target}.ts`)
      if (other !== room) seen.add(other)
    }
    known.set(room, seen)
  }
  return known
}

/** How many floors a room stands above the ground of its house. */
function floorOf(room: string, known: ReadonlyMap<string, ReadonlySet<string>>): number {
  const below = [...(known.get(room) ?? [])].filter((one) => one.split('/')[0] === room.split('/')[0])
  return below.length === 0 ? 0 : 1 + Math.max(...below.map((one) => floorOf(one, known)))
}

/** The picture of the rooms as it stands in docs/architecture.md: each house from the ground up, each room with what it knows. */
export function roomsPicture(): string {
  const known = knownByRoom()
  return houses
    .map((house) => {
      const rooms = [...known.keys()].filter((room) => room.startsWith(`${house}/`))
      const floors = new Map(rooms.map((room) => [room, floorOf(room, known)]))
      const lines = [...rooms]
        .sort((a, b) => (floors.get(a) ?? 0) - (floors.get(b) ?? 0) || a.localeCompare(b))
        .map((room) => {
          const others = [...(known.get(room) ?? [])].sort()
          const inside = others.filter((other) => other.startsWith(`${house}/`)).map((other) => other.split('/')[1])
          const outside = [...new Set(others.filter((other) => !other.startsWith(`${house}/`)).map((other) => other.split('/')[0]))]
          const words = [...inside, ...outside.map((one) => `${one}:`)].join(' ')
          return `  ${String(floors.get(room))}  ${(room.split('/')[1] ?? '').padEnd(13)} ${words ? `→ ${words}` : ''}`.trimEnd()
        })
      return [house, ...lines].join('\n')
    })
    .join('\n\n')
}

const [begin, end] = ['<!-- rooms: made by npm run rooms -->\n```text\n', '\n```\n<!-- /rooms -->']

/** The page with the picture of today in it. */
export function withPicture(page: string): string {
  const [before = '', rest = ''] = page.split(begin)
  return `${before}${begin}${roomsPicture()}${end}${rest.split(end)[1] ?? ''}`
}
