import { expect } from 'chai'
import { existsSync, readFileSync } from 'node:fs'
import { doorsToday, frontDoorOf, isExported, pageOf, rooms, withDoor } from '../../scripts/generate/doors'

describe('the page of a room', () => {
  const doors = doorsToday()
  for (const room of rooms)
    it(`${room}: says what it answers, names exports that exist, and lists every file that another room imports (npm run rooms)`, () => {
      expect(existsSync(pageOf(room)), `${room} has a README.md`).to.equal(true)
      const page = readFileSync(pageOf(room), 'utf8')
      expect(page).to.match(new RegExp(`^# ${room}\\n\\n[A-Z].{40}`))
      // A page that nobody reads once is none.
      expect(page.split('\n').length).to.be.at.most(16)
      const front = frontDoorOf(room)
      expect(front.length).to.be.within(1, 8)
      for (const name of front) expect(isExported(room, name, doors.get(room)!), `${room} exports ${name}`).to.equal(true)
      expect(withDoor(page, room, doors.get(room)!)).to.equal(page)
    })
})
