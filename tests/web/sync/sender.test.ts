import { expect } from 'chai'
import fc from 'fast-check'
import type { EventAnswer } from '#contract/api/answers'
import type { EventInput, StreamType } from '#contract/event'
import type { EventKindId } from '#contract/events/index'
import type { ApiResult } from '../../../src/web/sync/api'
import { eventLetter } from '../../../src/web/sync/event-letter'
import { createSender, type LineState, type Sender } from '../../../src/web/sync/sender'

type Answer = ApiResult<EventAnswer>
const taken: Answer = { kind: 'ok', value: { id: '', version: 1, receivedAt: '' } }
const fault: Answer = { kind: 'trouble', isFault: true }
const busy: Answer = { kind: 'trouble', isFault: false }
const offline: Answer = { kind: 'offline' }
const refused = (status: number, code = 'format'): Answer => ({
  kind: 'refused',
  problem: { type: '', title: '', status, detail: 'no', errors: [{ code: code as 'format', path: '', message: '' }] },
})

const event = (id: string, stream: string, kind: EventKindId = 'note', body: object = {}): EventInput => ({
  id,
  stream: { type: (stream.startsWith('stay') ? 'episode' : 'case') as StreamType, id: stream },
  kind,
  v: 1,
  body,
  at: '2026-01-10T08:00:00Z',
  offsetMs: 0,
})

/** A sender in a world of its own: a clock that is moved by hand, a server that answers as it is told. */
function makeWorld(answerTo: (event: EventInput, time: number) => Answer) {
  const sent: EventInput[] = []
  const log: string[] = []
  const lines: LineState[] = []
  let nowMs = 0
  let wakeAt = Infinity
  let inFlight = 0
  let mostInFlight = 0
  const open: (() => void)[] = []
  const tries = new Map<string, number>()
  const send = (input: EventInput): Promise<Answer> => {
    sent.push(input)
    mostInFlight = Math.max(mostInFlight, ++inFlight)
    const time = (tries.get(input.id) ?? 0) + 1
    tries.set(input.id, time)
    return new Promise((resolve) =>
      open.push(() => {
        inFlight--
        resolve(answerTo(input, time))
      }),
    )
  }
  const outcomes = {
    taken: (input: EventInput) => void log.push(`taken ${input.id}`),
    refused: (input: EventInput) => void log.push(`refused ${input.id}`),
    parked: (input: EventInput) => void log.push(`parked ${input.id}`),
  }
  const sending: Sender = createSender({
    isSessionOver: (problem) => problem.status === 401,
    now: () => nowMs,
    random: () => 0.5,
    wakeAfter: (ms) => {
      wakeAt = nowMs + ms
    },
    sessionOver: () => void log.push('session over'),
    lineChanged: (line) => void lines.push(line),
  })
  const sender = { ...sending, add: (input: EventInput, isOld = false) => sending.add(eventLetter(input, outcomes, send), isOld) }
  /** Lets every request that is under way be answered, and what follows at once with it. */
  const answerAll = async (): Promise<void> => {
    while (open.length > 0) {
      for (const one of open.splice(0)) one()
      for (let turn = 0; turn < 5; turn++) await Promise.resolve()
    }
  }
  return {
    sender,
    sent,
    log,
    lines,
    answerAll,
    mostInFlight: () => mostInFlight,
    now: () => nowMs,
    async add(...events: EventInput[]) {
      for (const one of events) sender.add(one)
      sender.flush()
      await answerAll()
    },
    /** Moves the clock on, waking the sender whenever it asked for it. */
    async pass(ms: number) {
      const until = nowMs + ms
      while (wakeAt <= until) {
        nowMs = wakeAt
        wakeAt = Infinity
        sender.flush()
        await answerAll()
      }
      nowMs = until
    },
  }
}

describe('sending', () => {
  it('keeps the order within a stream, and does not wait for other streams', async () => {
    const world = makeWorld(() => taken)
    for (const one of [event('a1', 'case-a'), event('a2', 'case-a'), event('b1', 'case-b'), event('c1', 'case-c')]) world.sender.add(one)
    world.sender.flush()
    expect(world.sent.map((input) => input.id)).to.deep.equal(['a1', 'b1', 'c1'])
    await world.answerAll()
    expect(world.sent.map((input) => input.id)).to.deep.equal(['a1', 'b1', 'c1', 'a2'])
    expect(world.log).to.deep.equal(['taken a1', 'taken b1', 'taken c1', 'taken a2'])
  })

  it('never lets a case overtake its stay', async () => {
    const world = makeWorld(() => taken)
    const stay = event('stay', 'stay-1', 'episode-opened', { patientId: 'p' })
    world.sender.add(stay)
    world.sender.add(event('case', 'case-1', 'case-opened', { episodeId: 'stay-1', injuryId: 'i' }))
    world.sender.add(event('other', 'case-2'))
    world.sender.flush()
    expect(world.sent.map((input) => input.id)).to.deep.equal(['stay', 'other'])
    await world.answerAll()
    expect(world.sent.map((input) => input.id)).to.deep.equal(['stay', 'other', 'case'])
  })

  it('what replaces something in a case waits for a change of its stay that may write there', async () => {
    const world = makeWorld(() => taken)
    await world.add(event('side', 'stay-1', 'injury'), event('set', 'case-1', 'options'), event('note', 'case-1'))
    expect(world.sent.map((input) => input.id)).to.deep.equal(['side', 'set', 'note'])
    const held = makeWorld(() => taken)
    const side = event('side', 'stay-1', 'injury', { reason: 'the film was turned' })
    for (const one of [side, event('note', 'case-1'), event('set', 'case-1', 'options')]) held.sender.add(one)
    held.sender.flush()
    expect(held.sent.map((input) => input.id)).to.deep.equal(['side', 'note'])
    await held.answerAll()
    expect(held.log).to.deep.equal(['taken side', 'taken note', 'taken set'])
    const failing = makeWorld((input) => (input.id === 'side' ? fault : taken))
    await failing.add(side, event('note', 'case-1'), event('set', 'case-1', 'options'))
    await failing.pass(5 * 60_000)
    expect(failing.log, 'not for ever').to.include('taken set')
  })

  it('what answers a change of the stay never overtakes it: read aloud before the change is kept would have answered nothing', async () => {
    const side = event('side', 'stay-1', 'injury', { reason: 'the film was turned' })
    for (const kind of ['identity-checked', 'side-answered', 'side-answer-undone', 'taken-off'] as const) {
      const world = makeWorld(() => taken)
      for (const one of [side, event('answer', 'case-1', kind)]) world.sender.add(one)
      world.sender.flush()
      expect(
        world.sent.map((input) => input.id),
        kind,
      ).to.deep.equal(['side'])
      await world.answerAll()
      expect(world.log, kind).to.deep.equal(['taken side', 'taken answer'])
    }
  })

  it('a stream that is stuck holds up nobody else’s', async () => {
    const world = makeWorld((input) => (input.stream.id === 'case-a' ? fault : taken))
    await world.add(event('a1', 'case-a'), event('a2', 'case-a'))
    for (let index = 0; index < 20; index++) await world.add(event(`b${index}`, 'case-b'))
    expect(world.log.filter((line) => line.startsWith('taken b'))).to.have.length(20)
  })

  it('parks what the server fails at five times while it takes others, and additive ones of its stream go on', async () => {
    const world = makeWorld((input) => (input.id === 'bad' ? fault : taken))
    await world.add(event('bad', 'case-a'), event('a2', 'case-a'), event('set', 'case-a', 'options'), event('b1', 'case-b'))
    for (let minute = 0; minute < 4; minute++) {
      await world.pass(60_000)
      await world.add(event(`b${minute}-later`, 'case-b'))
    }
    expect(world.log).to.include('parked bad')
    expect(world.sent.filter((input) => input.id === 'bad').length).to.be.at.least(5)
    expect(world.log).to.include('taken a2')
    expect(
      world.sent.map((input) => input.id),
      'a replacing one builds on what is parked',
    ).not.to.include('set')
    world.sender.drop('bad')
    await world.answerAll()
    expect(world.log).to.include('taken set')
    expect(world.lines.at(-1)).to.equal('fine')
  })

  it('does not park what fails while nothing else is taken: the server is in trouble, not the event', async () => {
    const world = makeWorld(() => fault)
    await world.add(event('a1', 'case-a'), event('b1', 'case-b'))
    await world.pass(30 * 60_000)
    expect(world.log).to.deep.equal([])
    expect(world.lines).to.deep.equal(['trouble'])
    expect(world.sent.length).to.be.greaterThan(20)
  })

  it('a parked one is sent again when asked', async () => {
    let isMended = false
    const world = makeWorld((input) => (input.id === 'bad' && !isMended ? fault : taken))
    await world.add(event('bad', 'case-a'))
    for (let minute = 0; minute < 4; minute++) {
      await world.add(event(`b${minute}`, 'case-b'))
      await world.pass(60_000)
    }
    expect(world.log).to.include('parked bad')
    isMended = true
    world.sender.unpark('bad')
    await world.answerAll()
    expect(world.log.at(-1)).to.equal('taken bad')
  })

  for (const [what, answer] of [
    ['no answer', offline],
    ['a busy server, or one behind a shut door', busy],
  ] as const) {
    it(`${what} never counts against an event, and one probe at a time asks whether it is over`, async () => {
      let isAway = true
      const world = makeWorld(() => (isAway ? answer : taken))
      await world.add(...Array.from({ length: 12 }, (_, index) => event(`e${index}`, `case-${index}`)))
      const before = world.sent.length
      await world.pass(10 * 60_000)
      expect(world.log).to.deep.equal([])
      expect(world.sent.length - before, 'it does not knock all the time').to.be.lessThan(25)
      expect(world.lines).to.deep.equal([answer.kind])
      isAway = false
      await world.pass(2 * 60_000)
      expect(world.log).to.have.length(12)
      expect(world.lines).to.deep.equal([answer.kind, 'fine'])
    })
  }

  it('goes at once when the line is said to be back', async () => {
    let isAway = true
    const world = makeWorld(() => (isAway ? offline : taken))
    await world.add(event('a1', 'case-a'))
    await world.pass(5 * 60_000)
    isAway = false
    world.sender.retryNow()
    await world.answerAll()
    expect(world.log).to.deep.equal(['taken a1'])
  })

  it('says of what had to wait that it did, and of nothing else', async () => {
    let isAway = true
    const world = makeWorld(() => (isAway ? offline : taken))
    await world.add(event('a1', 'case-a'))
    isAway = false
    await world.pass(60_000)
    await world.add(event('a2', 'case-a'))
    world.sender.add(event('old', 'case-b'), true)
    world.sender.flush()
    await world.answerAll()
    expect(world.sent.map((input) => [input.id, input.queued === true])).to.deep.equal([
      ['a1', false],
      ['a1', true],
      ['a2', false],
      ['old', true],
    ])
  })

  it('sends what an earlier page left before anything newer of its stream', async () => {
    const world = makeWorld(() => taken)
    world.sender.add(event('new', 'case-a'))
    world.sender.add(event('old1', 'case-a'), true)
    world.sender.add(event('old2', 'case-a'), true)
    world.sender.flush()
    await world.answerAll()
    expect(world.sent.map((input) => input.id)).to.deep.equal(['old1', 'old2', 'new'])
  })

  it('tries again what is not known yet, for as long as it may still come', async () => {
    let isThere = false
    const world = makeWorld((input, time) => {
      if (input.id === 'stay') return isThere || time > 6 ? taken : offline
      return isThere ? taken : refused(404)
    })
    await world.add(event('lone', 'case-1', 'note'))
    await world.pass(5_000)
    expect(world.log, 'another device may be about to send it').to.deep.equal([])
    isThere = true
    await world.pass(60_000)
    expect(world.log).to.deep.equal(['taken lone'])
  })

  it('refuses what stays unknown, and what names something that stays unknown', async () => {
    const world = makeWorld((input) => (input.id === 'lost' ? refused(404) : refused(422, 'not-known')))
    await world.add(event('lost', 'case-1'), event('round', 'stay-1', 'round', { cases: ['case-9'] }))
    await world.pass(60_000)
    expect(world.log).to.have.members(['refused lost', 'refused round'])
    expect(world.sent.filter((input) => input.id === 'round').length).to.be.greaterThan(1)
  })

  it('refuses at once what is refused, and goes on with the rest of the stream', async () => {
    const world = makeWorld((input) => (input.id === 'bad' ? refused(422) : taken))
    await world.add(event('bad', 'case-a'), event('a2', 'case-a'))
    expect(world.log).to.deep.equal(['refused bad', 'taken a2'])
    expect(world.sent.filter((input) => input.id === 'bad')).to.have.length(1)
  })

  it('stops when the session is over, and goes on when somebody has signed in', async () => {
    let isOver = true
    const world = makeWorld(() => (isOver ? refused(401) : taken))
    await world.add(event('a1', 'case-a'))
    await world.pass(10 * 60_000)
    await world.add(event('a2', 'case-a'))
    expect(world.log).to.deep.equal(['session over'])
    isOver = false
    world.sender.retryNow()
    await world.answerAll()
    expect(world.log).to.deep.equal(['session over', 'taken a1', 'taken a2'])
  })

  it('whatever the server does, each event is taken once and in the order of its stream', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.array(fc.constantFrom('fault', 'busy', 'offline'), { maxLength: 4 })), {
          minLength: 1,
          maxLength: 20,
        }),
        async (plan) => {
          const troubles = new Map(plan.map(([, list], index) => [`e${index}`, list]))
          const world = makeWorld((input, time) => {
            const trouble = troubles.get(input.id)?.[time - 1]
            return trouble === undefined ? taken : trouble === 'fault' ? fault : trouble === 'busy' ? busy : offline
          })
          await world.add(...plan.map(([stream], index) => event(`e${index}`, `case-${stream}`)))
          for (let minute = 0; minute < 40; minute++) await world.pass(60_000)
          const ids = world.log.filter((line) => line.startsWith('taken')).map((line) => line.slice(6))
          expect(world.mostInFlight()).to.be.at.most(4)
          expect([...ids].sort()).to.deep.equal(plan.map((_one, index) => `e${index}`).sort())
          for (const stream of [0, 1, 2, 3]) {
            const own = plan.flatMap(([of], index) => (of === stream ? [`e${index}`] : []))
            expect(ids.filter((id) => own.includes(id))).to.deep.equal(own)
          }
        },
      ),
      { numRuns: 200 },
    )
  })
})
