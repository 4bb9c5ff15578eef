// npm run rooms: the picture of the rooms in docs/architecture.md and the door of each room in its README, made from the imports.
import { readFileSync, writeFileSync } from 'node:fs'
import { doorsToday, pageOf, withDoor } from './doors'
import { withPicture } from './rooms'

const page = new URL('../../docs/architecture.md', import.meta.url)
writeFileSync(page, withPicture(readFileSync(page, 'utf8')))
for (const [room, door] of doorsToday()) {
  const at = pageOf(room)
  writeFileSync(at, withDoor(readFileSync(at, 'utf8'), room, door))
}
