import { expect } from 'chai'
import { existsSync, readFileSync } from 'node:fs'
import { roomsPicture, withPicture } from '../../scripts/generate/rooms'

const page = readFileSync(new URL('../../docs/architecture.md', import.meta.url), 'utf8')

describe('docs/architecture.md', () => {
  it('shows the rooms as they are today (npm run rooms)', () => expect(withPicture(page)).to.equal(page))

  it('draws every house from the ground up', () => {
    for (const house of ['core', 'contract', 'ward', 'server', 'web']) expect(roomsPicture()).to.match(new RegExp(`^${house}$`, 'm'))
    expect(roomsPicture()).to.match(/0 {2}quantities$/m)
  })

  it('names files that exist', () => {
    for (const match of page.matchAll(/`((?:src|tests|scripts)\/[^`]+)`/g)) {
      expect(existsSync(new URL(`../../${match[1] ?? ''}`, import.meta.url)), match[1]).to.equal(true)
    }
  })
})
