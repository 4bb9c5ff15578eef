// What the first screens weigh: the script of a page that is loaded for the first time, gzipped, and what comes late. From the built web room.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { build, root } from './build.mjs'

const folder = join(root, 'dist/web')
/** Screens that are weighed, and the limit of each, kB: the Board is what a tablet in the field loads first. */
const screens = {
  Board: { parts: ['screens/board/board-screen.tsx'], limitKb: 170 },
  'My round': { parts: ['screens/my-round/my-round-screen.tsx'] },
  'Measure of a case': { parts: ['case/frame/case-frame.tsx', 'screens/measure/measure-screen.tsx'] },
  'Apply of a case': { parts: ['case/frame/case-frame.tsx', 'screens/apply/apply-screen.tsx'] },
  'Watch of a case': { parts: ['case/frame/case-frame.tsx', 'screens/watch/watch-screen.tsx'] },
}

/** The weight of each screen's first load, kB gzipped, with its limit where it has one; and of all that is fetched late. */
export function weighScripts() {
  build('web')
  const manifest = JSON.parse(readFileSync(join(folder, '.vite/manifest.json'), 'utf8'))
  const sizeOf = (file) => gzipSync(readFileSync(join(folder, file))).length / 1000
  const kbOf = (files) => [...files].reduce((sum, file) => sum + sizeOf(file), 0)
  const reach = (ids) => {
    const files = new Set()
    const go = (id) => {
      const { file, imports = [] } = manifest[id]
      if (files.has(file)) return
      files.add(file)
      imports.forEach(go)
    }
    ids.forEach(go)
    return files
  }
  const idOf = (path) => Object.keys(manifest).find((id) => id.endsWith(path)) ?? missing(path)
  const entry = Object.keys(manifest).filter((id) => manifest[id].isEntry)
  const first = Object.entries(screens).map(([name, { parts, limitKb = null }]) => ({
    name,
    kb: kbOf(reach([...entry, ...parts.map(idOf)])),
    limitKb,
  }))
  const board = reach([...entry, ...screens.Board.parts.map(idOf)])
  const all = new Set(Object.values(manifest).flatMap(({ file }) => (file.endsWith('.js') ? [file] : [])))
  return { first, lateKb: kbOf([...all].filter((file) => !board.has(file))) }
}

function missing(path) {
  throw new Error(`There is no part ${path} in the built page: scripts/script-weight.mjs names one that was renamed.`)
}

if (process.argv[1] === join(root, 'scripts/script-weight.mjs')) {
  const { first, lateKb } = weighScripts()
  for (const { name, kb, limitKb } of first) console.log(`${name}: ${kb.toFixed(0)} kB${limitKb === null ? '' : ` (limit ${limitKb} kB)`}`)
  console.log(`Late: ${lateKb.toFixed(0)} kB`)
  const heavy = first.filter(({ kb, limitKb }) => limitKb !== null && kb > limitKb)
  for (const { name, kb, limitKb } of heavy)
    console.error(
      `${name} loads ${kb.toFixed(1)} kB of script, ${(kb - limitKb).toFixed(1)} over its limit: fetch late what its first look does not need.`,
    )
  process.exit(heavy.length > 0 ? 1 : 0)
}
