import { QueryObserver } from '@tanstack/react-query'
import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { answers, forgetUnseen, queryAt, readNow, rereadAnswers, type Known } from '../../../src/web/sync/answers'
import type { Durable } from '../../../src/web/sync/durable'
import { signInHere } from '../../harness/device-store'

interface Said {
  readonly words: string
  readonly now: string
}

/** A request that is on its way, to be answered when the test says so. */
interface Asked {
  readonly path: string
  readonly isWanted: () => boolean
  say(words: string, now?: string): void
  refuse(detail: string): void
  lose(): void
}

const early = '2026-01-10T08:00:00.000Z'
const late = '2026-01-10T08:05:00.000Z'

describe('what the server says, in a page’s memory', () => {
  const usual = globalThis.fetch
  let asked: Asked[] = []
  let durable: Durable
  let stops: (() => void)[] = []

  const look = (path: string): { readonly shown: Known<Said>[]; stop(): void } => {
    const shown: Known<Said>[] = []
    const stop = new QueryObserver(answers, queryAt<Said>(path, 1e6)).subscribe(({ data }) => {
      if (data && shown.at(-1) !== data) shown.push(data)
    })
    stops.push(stop)
    return { shown, stop }
  }
  const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20))

  beforeEach(async () => {
    asked = []
    stops = []
    durable = await signInHere(uuidv7())
    globalThis.fetch = (input, init) =>
      new Promise((resolve, reject) => {
        const signal = init?.signal
        signal?.addEventListener('abort', () => reject(signal.reason as Error))
        asked.push({
          path: input as string,
          isWanted: () => signal?.aborted !== true,
          say: (words, now = early) => resolve(Response.json({ words, now })),
          refuse: (detail) => resolve(Response.json({ status: 403, type: 'urn:x', title: 'x', detail }, { status: 403 })),
          lose: () => reject(new TypeError('no line')),
        })
      })
  })
  afterEach(() => {
    for (const stop of stops) stop()
    answers.clear()
    globalThis.fetch = usual
  })

  it('is asked for once, however many look', async () => {
    const [one, other] = [look('/api/board'), look('/api/board')]
    await settle()
    expect(asked.map(({ path }) => path)).to.deep.equal(['/api/board'])
    asked[0]?.say('first')
    await settle()
    for (const { shown } of [one, other]) expect(shown.at(-1)?.answer?.words).to.equal('first')
  })

  it('is asked for once more where something changed while it was on its way, and never twice at once', async () => {
    const { shown } = look('/api/board')
    await settle()
    for (let hint = 0; hint < 5; hint++) rereadAnswers()
    await settle()
    expect(asked).to.have.length(1)
    asked[0]?.say('before the change')
    await settle()
    expect(asked).to.have.length(2)
    asked[1]?.say('after it')
    await settle()
    expect(shown.at(-1)?.answer?.words).to.equal('after it')
    expect(asked).to.have.length(2)
  })

  it('never shows an older answer that comes late', async () => {
    const { shown } = look('/api/board')
    await settle()
    const reading = readNow('/api/board')
    await settle()
    expect(asked[0]?.isWanted()).to.equal(false)
    asked[1]?.say('newer')
    await reading
    asked[0]?.say('older')
    await settle()
    expect(shown.map(({ answer }) => answer?.words)).to.deep.equal(['newer'])
  })

  it('stays in sight when the line is lost or the server refuses, with the reason, and loses the reason when it is read again', async () => {
    const { shown } = look('/api/board')
    await settle()
    asked[0]?.say('kept')
    await settle()
    rereadAnswers()
    await settle()
    asked[1]?.lose()
    await settle()
    expect(shown.at(-1)?.answer?.words).to.equal('kept')
    expect(shown.at(-1)?.refusal).to.include('No connection')
    rereadAnswers()
    await settle()
    asked[2]?.refuse('Only leads may.')
    await settle()
    expect(shown.at(-1)).to.deep.equal({ answer: { words: 'kept', now: early }, refusal: 'Only leads may.' })
    rereadAnswers()
    await settle()
    asked[3]?.say('new')
    await settle()
    expect(shown.at(-1)?.refusal).to.equal(null)
  })

  it('is what this person’s device kept when a page begins without a line, and nobody else’s', async () => {
    const first = look('/api/board')
    await settle()
    asked[0]?.say('kept')
    await settle()
    first.stop()
    answers.clear()
    const second = look('/api/board')
    await settle()
    asked[1]?.lose()
    await settle()
    expect(second.shown.at(-1)?.answer?.words).to.equal('kept')
    second.stop()
    answers.clear()
    await signInHere(uuidv7())
    const third = look('/api/board')
    await settle()
    asked[2]?.lose()
    await settle()
    expect(third.shown.at(-1)?.answer).to.equal(null)
  })

  it('is neither shown nor kept where somebody else signed in while it was on its way', async () => {
    const { shown } = look('/api/board')
    await settle()
    const next = await signInHere(uuidv7())
    asked[0]?.say('for the other')
    await settle()
    expect(shown.at(-1)?.answer).to.equal(null)
    for (const store of [durable, next]) expect(await store.readAnswer('/api/board')).to.equal(undefined)
  })

  it('is forgotten when the screen is locked, where no screen shows it', async () => {
    const { stop } = look('/api/board')
    look('/api/ward')
    await settle()
    for (const one of asked) one.say('known')
    await settle()
    stop()
    forgetUnseen()
    expect(
      answers
        .getQueryCache()
        .getAll()
        .map(({ queryKey }) => queryKey),
    ).to.deep.equal([['/api/ward']])
  })

  it('is kept by the later of two pages, whichever writes last', async () => {
    await durable.writeAnswer('/api/board', { words: 'late', now: late } as Said)
    await durable.writeAnswer('/api/board', { words: 'early', now: early } as Said)
    expect(await durable.readAnswer<Said>('/api/board')).to.deep.equal({ words: 'late', now: late })
    await durable.writeAnswer('/api/board', { words: 'later', now: late } as Said)
    expect((await durable.readAnswer<Said>('/api/board'))?.words).to.equal('later')
  })
})
