import { expect } from 'chai'
import { planCase } from '#core/techniques/plan-case'
import type { FoldableEvent } from '#contract/event'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { eventBodySchemas } from '#contract/events/schemas'
import { exampleCaseId as caseId, exampleEpisodeId as episodeId, exampleRunId as runId } from '#contract/events/example-ids'
import { stages } from '#contract/api/board'
import { caseRounds, stageOf } from '#ward/owed/case-progress'
import { toClinicalCase } from '#ward/case/clinical-case'
import { standingLevels } from '#core/model/standing'
import { standingOf } from '#ward/standing/standing-of-case'
import { summariseRun } from '#ward/story/run-summary'
import { testContext } from '../../harness/cases/leg-slab-cases'
import { goodBodies, hostileValues, pathsIn, withValue } from '../../harness/cases/good-events'

const foldable = (kind: EventKindId, body: object, minute: number): FoldableEvent => ({
  id: `${kind}-${minute}`,
  kind,
  v: 1,
  body,
  at: new Date(Date.parse('2026-01-10T08:00:00Z') + minute * 60_000).toISOString(),
  actor: 'p1',
  actorName: 'Ada',
})

/** Bodies with one nonsensical value that the schema takes all the same. */
function taken(kind: EventKindId): readonly object[] {
  const good = goodBodies[kind]
  return pathsIn(good, kind === 'plan' ? 2 : 5)
    .flatMap((path) => hostileValues.map((value) => withValue(good, path, value)))
    .filter((body) => eventBodySchemas[kind].validate(body, { abortEarly: false, convert: false }).error === undefined)
}

/** What is taken, however odd, can still be folded, planned, judged and told of. */
const nowMs = Date.parse('2026-01-10T12:00:00Z')

describe('odd bodies that are taken', () => {
  const stay = foldEpisode(null, episodeId, foldable('episode-opened', goodBodies['episode-opened'], 0))
  const hurt = foldEpisode(stay, episodeId, foldable('injury', goodBodies.injury, 1))
  const opened = foldCase(null, caseId, foldable('case-opened', goodBodies['case-opened'], 2))
  const running = foldCase(opened, caseId, foldable('run-started', { runId }, 3))
  const ctx = testContext()

  for (const kind of Object.keys(eventKinds) as EventKindId[]) {
    const { stream, nature } = eventKinds[kind]
    if (stream !== 'case' && stream !== 'episode') continue
    it(`${kind}: leave a case that everything can be done with`, () => {
      for (const body of taken(kind)) {
        const before = nature === 'opening' ? null : stream === 'case' ? running : hurt
        const event = foldable(kind, body, 4)
        const record = stream === 'case' ? foldCase(before as typeof running | null, caseId, event) : running
        const episode = stream === 'episode' ? foldEpisode(before as typeof hurt | null, episodeId, event) : hurt
        const what = JSON.stringify(body).slice(0, 300)
        for (const round of caseRounds(record, episode, nowMs)) expect(Number.isFinite(round.dueAt), what).to.equal(true)
        const standing = standingOf(record, episode, null, nowMs)
        expect(standingLevels, what).to.include(standing.level)
        for (const item of standing.items) expect([item.text, Number.isFinite(item.sinceMs)], what).to.deep.equal([item.text, true])
        expect(stages, what).to.include(stageOf(record, episode))
        const plan = planCase(toClinicalCase(record, episode), ctx)
        if (record.technique === running.technique) expect(plan, what).not.to.equal(null)
        const [run] = record.runs
        if (run && plan) expect(summariseRun(record, episode, run, plan, nowMs, null).facts, what).to.have.length.greaterThan(3)
      }
    })
  }
})
