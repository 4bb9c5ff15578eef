import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import { filesBelow, importsOf, src } from './rooms'

/** What others know of a room: the files that they import, and who they are. */
interface Door {
  readonly files: ReadonlySet<string>
  readonly importers: ReadonlySet<string>
}

/** The rooms with a page of their own: each of the core's, and every other house whole. */
export const rooms: readonly string[] = readdirSync(src, { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .flatMap(({ name }) => (name === 'core' ? readdirSync(join(src, name)).map((room) => `core/${room}`) : [name]))
  .sort()

function roomOf(file: string): string {
  const [house = '', room = ''] = relative(src, file).split('/')
  return house === 'core' ? `core/${room}` : house
}

/** A module as the file that it is; null for one that is none of ours. */
function fileOf(module: string): string | null {
  return ['', '.ts', '.tsx'].map((end) => `${module}${end}`).find((path) => /\.tsx?$/.test(path) && existsSync(path)) ?? null
}

/** The door of each room as the imports of today make it. */
export function doorsToday(): ReadonlyMap<string, Door> {
  const doors = new Map(rooms.map((room) => [room, { files: new Set<string>(), importers: new Set<string>() }]))
  for (const file of filesBelow(src)) {
    const from = roomOf(file)
    for (const module of importsOf(file)) {
      const target = fileOf(module)
      const door = target && roomOf(target) !== from ? doors.get(roomOf(target)) : undefined
      if (!target || !door) continue
      door.files.add(relative(join(src, roomOf(target)), target))
      door.importers.add(from)
    }
  }
  return doors
}

/** The page of a room. */
export function pageOf(room: string): URL {
  return new URL(`../../src/${room}/README.md`, import.meta.url)
}

const listed = (names: Iterable<string>): string => [...names].sort().join(', ')

/** What a page says of the door: the files that others may import, and who they are. */
export function doorWords(room: string, { files, importers }: Door): string {
  if (files.size === 0) return 'Door: none. Nobody imports it.\n'
  const inside = filesBelow(join(src, room))
    .map((file) => relative(join(src, room), file))
    .filter((file) => !files.has(file))
  // Whichever list is the shorter one: both say the same.
  const words =
    inside.length < files.size ? [`every file${inside.length > 0 ? ' but' : ''}`, listed(inside)].join(' ').trim() : listed(files)
  return `Door: ${words}.\n\nImported by: ${listed(importers)}.\n`
}

const begin = '<!-- door: made by npm run rooms -->\n\n'
const end = '<!-- /door -->\n'

/** A page with the door of today in it. */
export function withDoor(page: string, room: string, door: Door): string {
  const [before = '', rest = ''] = page.split(begin)
  return `${before}${begin}${doorWords(room, door)}${end}${rest.split(end)[1] ?? ''}`
}

/** The names that a page gives as the front door: what a newcomer calls first. */
export function frontDoorOf(room: string): readonly string[] {
  const line = /^Front door: (.+)$/m.exec(readFileSync(pageOf(room), 'utf8'))?.[1] ?? ''
  return [...line.matchAll(/`([^`]+)`/g)].map(([, name = '']) => name)
}

/** Whether a room exports a name at its door; one without a door, anywhere. */
export function isExported(room: string, name: string, { files }: Door): boolean {
  const says = new RegExp(`^export (?:default )?(?:async )?(?:function\\*?|const|class|interface|type) ${name}\\b`, 'm')
  const open = filesBelow(join(src, room)).filter((file) => files.size === 0 || files.has(relative(join(src, room), file)))
  return open.some((file) => says.test(readFileSync(file, 'utf8')))
}
