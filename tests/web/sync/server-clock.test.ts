import { expect } from 'chai'
import { clockJumpMs, mendClock, serverNow, setServerClock } from '../../../src/web/sync/server-clock'

describe('the clock that timers run by', () => {
  const realNow = Date.now
  const day = 86_400_000
  const turnBy = (ms: number): void => {
    Date.now = () => realNow() + ms
  }
  beforeEach(() => setServerClock('2026-03-29T00:59:30Z'))
  afterEach(() => {
    Date.now = realNow
  })
  const sinceAnchor = (): number => serverNow() - Date.parse('2026-03-29T00:59:30Z')

  it('goes on by itself when the device clock is turned, forward or back', async () => {
    for (const by of [day, -day, 3_600_000]) {
      turnBy(by)
      expect(clockJumpMs()).to.be.closeTo(by, 200)
      expect(sinceAnchor()).to.be.within(0, 1_000)
    }
  })

  it('asks the server after a jump, and believes it', async () => {
    turnBy(day)
    let asked = 0
    await mendClock(async () => {
      asked++
      return '2026-03-29T01:10:00Z'
    })
    expect(asked).to.equal(1)
    expect(serverNow() - Date.parse('2026-03-29T01:10:00Z')).to.be.within(0, 1_000)
    await mendClock(async () => {
      asked++
      return null
    })
    expect(asked).to.equal(1)
  })

  it('takes a jump forward for sleep while the server cannot be asked, and never runs backwards', async () => {
    turnBy(600_000)
    await mendClock(async () => null)
    expect(sinceAnchor()).to.be.within(599_000, 602_000)
    turnBy(-day)
    const before = serverNow()
    await mendClock(async () => null)
    expect(serverNow()).to.be.at.least(before)
    expect(sinceAnchor()).to.be.within(599_000, 603_000)
  })

  it('does not go back by an answer that was long on its way, and does by one that shows it was wrong', () => {
    const before = serverNow()
    setServerClock('2026-03-29T00:59:27Z')
    expect(serverNow()).to.be.at.least(before)
    setServerClock('2026-03-29T00:59:40Z')
    expect(serverNow()).to.be.at.least(Date.parse('2026-03-29T00:59:40Z'))
    setServerClock('2026-03-29T00:59:30Z')
    expect(sinceAnchor()).to.be.within(0, 1_000)
  })

  it('lets small drift be', async () => {
    turnBy(900)
    await mendClock(async () => {
      throw new Error('must not be asked')
    })
  })
})
