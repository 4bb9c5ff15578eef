import { expect } from 'chai'
import type Joi from 'joi'
import { type CaseRecord } from '#contract/records/case'
import { foldCase } from '#contract/events/fold'
import { type EpisodeRecord } from '#contract/records/episode'
import { foldEpisode } from '#contract/events/fold'
import type { FoldableEvent } from '#contract/event'
import { eventKinds, findEventKind, type EventKindId } from '#contract/events/index'
import { eventBodySchemas, eventSchema } from '#contract/events/schemas'
import { signInSchema } from '#contract/api/sign-in.schema'
import { joiProblems } from '#contract/api/joi-problems'
import { exampleCaseId as caseId, exampleEpisodeId as episodeId, exampleRunId as runId } from '#contract/events/example-ids'
import { goodBodies, hostileValues, pathsIn, withValue } from '../../harness/cases/good-events'

const kinds = Object.keys(eventKinds) as EventKindId[]
const check = (schema: Joi.Schema, value: unknown): Joi.ValidationResult<unknown> =>
  schema.validate(value, { abortEarly: false, convert: false }) as Joi.ValidationResult<unknown>
const problemsOf = (schema: Joi.Schema, value: unknown) => joiProblems(check(schema, value).error?.details ?? [])

const event = (kind: EventKindId, body: object, minute: number): FoldableEvent => ({
  id: `0000000${minute}`,
  kind,
  v: 1,
  body,
  at: new Date(Date.parse('2026-01-10T08:00:00Z') + minute * 60_000).toISOString(),
  actor: 'p1',
  actorName: 'Ada',
})

/** Freezes a value all through, so that a fold that writes into what it was given throws. */
function freeze<T>(value: T): T {
  if (typeof value === 'object' && value !== null) {
    Object.freeze(value)
    Object.values(value).forEach(freeze)
  }
  return value
}

/** Whether a message names no field, reason and remedy, shows the program's own words, or is a copy of what was sent. */
const isPoorlyPut = ({ message }: { readonly message: string }): boolean =>
  !/^\S.{2,}: .{6,}\.$/s.test(message) || /\[object|undefined|one of ,|NaN|, ,|one of null/.test(message) || message.length >= 700

describe('bodies of events', () => {
  it('have a schema and a good example each', () => {
    expect(Object.keys(eventBodySchemas)).to.have.members(kinds)
    expect(Object.keys(goodBodies)).to.have.members(kinds)
  })

  for (const kind of kinds) {
    const schema = eventBodySchemas[kind]
    const good = goodBodies[kind]

    it(`${kind}: takes a good one as it is`, () => {
      expect(problemsOf(schema, good)).to.deep.equal([])
      expect(check(schema, good).value).to.deep.equal(good)
    })

    it(`${kind}: says by name what it does not know`, () => {
      const problems = problemsOf(schema, { ...good, colour: 'green' })
      expect(problems.map((problem) => problem.path)).to.deep.equal(['colour'])
      expect(problems[0]?.message).to.match(/^colour is not known here: remove it/)
    })

    it(`${kind}: says by name what is missing`, () => {
      const required = Object.entries(schema.describe().keys as Record<string, { flags?: { presence?: string } }>)
        .filter(([, field]) => field.flags?.presence === 'required')
        .map(([name]) => name)
      const named = problemsOf(schema, {}).map((problem) => problem.path)
      if (required.length === 0) expect(named).to.satisfy((paths: string[]) => paths.every((path) => path === ''))
      else expect(named).to.include.members(required)
    })

    it(`${kind}: refuses nonsense anywhere in plain words with a remedy, and never throws`, () => {
      const bad = pathsIn(good, kind === 'plan' ? 2 : 5).flatMap((path) =>
        hostileValues.flatMap((value) => problemsOf(schema, withValue(good, path, value)).filter(isPoorlyPut)),
      )
      expect(bad).to.deep.equal([])
    })
  }
})

describe('folding an event', () => {
  const openedCase = foldCase(null, caseId, event('case-opened', goodBodies['case-opened'], 0))
  const running = foldCase(openedCase, caseId, event('run-started', { runId }, 1))
  const stay = foldEpisode(null, episodeId, event('episode-opened', goodBodies['episode-opened'], 0))

  for (const kind of kinds.filter((one) => eventKinds[one].stream === 'case' && eventKinds[one].nature !== 'opening')) {
    it(`${kind}: leaves what it was given alone, and gives the same again after a trip over the wire`, () => {
      const before = freeze(structuredClone(running))
      const one = freeze(event(kind, structuredClone(goodBodies[kind]), 2))
      const after = foldCase(before, caseId, one)
      const sent = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
      expect(foldCase(sent(before) as CaseRecord, caseId, sent(one) as FoldableEvent)).to.deep.equal(sent(after))
      expect(after).to.include({ id: caseId, episodeId })
    })
  }

  /** What needs the server, or something before it, to change anything, and what stands beside the record: each has tests of its own. */
  const needsMore: readonly string[] = ['merged', 'unmerged', 'claimed', 'countersigned', 'looked-in']
  const ofStay = kinds.filter((kind) => eventKinds[kind].stream === 'episode' && eventKinds[kind].nature !== 'opening')
  for (const kind of ofStay.filter((one) => !needsMore.includes(one))) {
    it(`${kind}: changes the stay and not what it was given`, () => {
      const before: EpisodeRecord = freeze(structuredClone(stay))
      const after = foldEpisode(before, episodeId, freeze(event(kind, structuredClone(goodBodies[kind]), 2)))
      expect(after).not.to.deep.equal(before)
      expect(after.place).to.equal(kind === 'place' ? 'Ward A, bed 2' : 'Bay 1')
    })
  }

  it('claimed: names who answers for a stay that nobody with an account began, once, and no other', () => {
    const opening = event('episode-opened', goodBodies['episode-opened'], 0)
    const unattributed = foldEpisode(null, episodeId, { ...opening, actorName: 'unattributed@Resus 2' })
    expect(unattributed.unattributed).to.deep.equal({ actor: opening.actor, name: 'unattributed@Resus 2' })
    const once = foldEpisode(unattributed, episodeId, freeze(event('claimed', { words: 'mine' }, 2)))
    expect(once.unattributed?.claimed).to.include({ words: 'mine' })
    expect(foldEpisode(freeze(once), episodeId, event('claimed', { words: 'no, mine' }, 3))).to.deep.equal(once)
    expect(foldEpisode(freeze(stay), episodeId, event('claimed', { words: 'mine' }, 2))).to.deep.equal(stay)
  })

  it('countersigned: stands beside the record, which it leaves as it is', () => {
    expect(foldEpisode(freeze(stay), episodeId, event('countersigned', goodBodies.countersigned, 2))).to.deep.equal(stay)
  })

  it('never begins with anything but an opening', () => {
    expect(() => foldCase(null, caseId, event('note', { text: 'x' }, 0))).to.throw(/cannot begin with note/)
    expect(() => foldEpisode(null, episodeId, event('place', { place: 'x' }, 0))).to.throw(/cannot begin with place/)
  })

  it('ignores what a later version might send', () => {
    const unknown = { ...event('note', { text: 'x' }, 2), kind: 'hologram' }
    expect(foldCase(running, caseId, unknown)).to.equal(running)
    expect(foldEpisode(stay, episodeId, unknown)).to.equal(stay)
    expect(findEventKind('hologram')).to.equal(null)
    expect(findEventKind('constructor')).to.equal(null)
  })
})

describe('the envelope of an event', () => {
  const envelope = {
    id: '01a21089-7e89-7d7d-8dbd-a7fc9a943fe8',
    stream: { type: 'case', id: caseId },
    kind: 'note',
    v: 1,
    body: { text: 'x' },
    at: '2026-01-10T08:00:00+01:00',
    offsetMs: -40,
  }

  it('is taken with any offset', () => {
    for (const at of ['2026-01-10T08:00:00Z', '2026-01-10T08:00:00.123+05:45', '2026-01-10T08:00:00-03:30'])
      expect(problemsOf(eventSchema, { ...envelope, at }), at).to.deep.equal([])
  })

  for (const [what, change, path] of [
    ['a time without an offset', { at: '2026-01-10T08:00:00' }, 'at'],
    ['an offset that no place has', { at: '2026-01-10T08:00:00+25:00' }, 'at'],
    ['a day that does not exist', { at: '2026-13-10T08:00:00Z' }, 'at'],
    ['a version that is none', { v: 0 }, 'v'],
    ['a kind nobody knows', { kind: 'constructor' }, 'kind'],
    ['a stream that is none', { stream: { type: 'planet', id: caseId } }, 'stream/type'],
    ['an id that is none', { id: '7' }, 'id'],
    ['a base below nothing', { base: -1 }, 'base'],
    ['a clock a week off', { offsetMs: 7 * 86_400_000 }, 'offsetMs'],
    ['a body that is a list', { body: [] }, 'body'],
  ] as const) {
    it(`is refused with ${what}`, () => {
      expect(problemsOf(eventSchema, { ...envelope, ...change }).map((problem) => problem.path)).to.include(path)
    })
  }

  it('of a sign-in wants both words', () => {
    expect(problemsOf(signInSchema, { name: 'ada', password: 'x' })).to.deep.equal([])
    expect(problemsOf(signInSchema, { name: '' }).map((problem) => problem.path)).to.have.members(['name', 'password'])
  })
})
