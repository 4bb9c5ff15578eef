import { expect } from 'chai'
import fc from 'fast-check'
import { openCase, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'
import { quietRound } from '../../harness/seed-case'
import { isLong } from '../../harness/long'

/** Times as devices tell them, right ones and others. */
const two = (most: number): fc.Arbitrary<string> => fc.integer({ min: 0, max: most }).map((one) => String(one).padStart(2, '0'))
const time = fc
  .record({
    year: fc.oneof(fc.constant('2026'), fc.integer({ min: 0, max: 99_999 }).map(String)),
    month: two(13),
    day: two(32),
    hour: two(25),
    minute: two(61),
    second: fc.oneof(
      fc.constant(''),
      two(61).map((one) => `:${one}`),
    ),
    part: fc.oneof(
      fc.constant(''),
      fc.integer({ min: 0, max: 999_999_999 }).map((one) => `.${one}`),
    ),
    offset: fc.oneof(
      fc.constant('Z'),
      fc.constant(''),
      fc.tuple(fc.constantFrom('+', '-'), two(26), two(61)).map(([sign, hours, minutes]) => `${sign}${hours}:${minutes}`),
    ),
  })
  .map(({ year, month, day, hour, minute, second, part, offset }) => `${year}-${month}-${day}T${hour}:${minute}${second}${part}${offset}`)
const mostly = fc.oneof(
  time,
  fc.integer({ min: -30, max: 1 }).map((days) => new Date(Date.parse('2026-01-10T08:00:00Z') + days * 86_400_000).toISOString()),
)

describe('times of entries', function () {
  this.timeout(240_000)
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician', 'lead'])
    opened = await openCase(ada)
    await ada.send(opened.caseStream, 'applied', {})
  })
  after(() => harness.stop())

  it('whatever is taken can be read, listed, printed and carried out afterwards', async () => {
    let taken = 0
    await fc.assert(
      fc.asyncProperty(mostly, fc.boolean(), fc.constantFrom('note', 'round', 'task-added'), async (at, isQueued, kind) => {
        const body =
          kind === 'note'
            ? { text: at }
            : kind === 'task-added'
              ? { text: 'Look again', dueAt: at, who: '' }
              : { cases: [opened.caseStream.id], isBaseline: false, outcome: 'done', reason: '', findings: quietRound('leg-slab') }
        const stream = kind === 'round' ? opened.episodeStream : opened.caseStream
        const { status } = await ada.sendAs(stream, kind, body, { at, ...(isQueued ? { queued: true as const } : {}) })
        expect(status, at).to.be.oneOf([200, 422])
        if (status === 200) taken++
      }),
      { numRuns: isLong ? 2_000 : 150, seed: 53 },
    )
    expect(taken).to.be.greaterThan(40)
    const of = `/api/cases/${opened.caseStream.id}`
    const papers = ['run-record', 'release-card', 'case-summary', 'round-chart', 'bedside-label'].map(
      (paper) => `${of}/papers/${paper}.pdf`,
    )
    const lists = ['/api/board', '/api/hand-over', '/api/hand-over.csv', '/api/hand-over.pdf', '/api/downtime.pdf', '/api/history']
    const files = [of, `${of}/related`, `${of}/case.json`, `${of}/observations.csv`, `${of}/owed.ics`]
    for (const path of [...papers, ...lists, ...files]) expect((await ada.getBytes(path)).status, path).to.be.oneOf([200, 409])
  })
})
