import { createHash } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import { protocolOf } from '#contract/records/case'
import { toClinicalCase } from '#ward/case/clinical-case'
import { unknownPatient, type InjuryRecord, type PatientDetails } from '#contract/records/episode'
import type { RoundBody } from '#contract/events/rounds/round'
import type { BodyOf, EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import { eventKinds } from '#contract/events/index'
import { readingsToCarry } from '#ward/rounds/related-cases'
import type { Planner } from '../planning/planner'
import type { StreamRepository } from '../repositories/streams'
import type { AppendEvent } from '../writing/append-event'
import type { Actor } from '../ledger/writing'

/** Writes demo cases as events, at times in the past, the way clients do. */
export interface DemoWriter {
  /** Moves the story's clock to so many minutes before the present. */
  at(minutesAgo: number): void
  /** Opens a stay with one injury and one case; returns their ids. */
  open(story: {
    patient: Partial<PatientDetails>
    place: string
    injury: InjuryRecord | null
    technique: string
    flags?: readonly string[]
  }): Promise<DemoCase>
  /** Opens a case for the device that is to replace the one that is on, with its readings. */
  change(demo: DemoCase, technique: string): Promise<DemoCase>
  /** Appends an event to the case or to its stay, whichever the kind belongs to. */
  write<Kind extends EventKindId>(demo: DemoCase, kind: Kind, body: BodyOf<Kind>): Promise<void>
  /** Accepts the plan that the server itself makes. */
  accept(demo: DemoCase): Promise<void>
  /** Ids of the steps of the accepted plan, in order. */
  stepsOf(demo: DemoCase): Promise<readonly string[]>
  round(demo: DemoCase, body: Omit<RoundBody, 'cases' | 'outcome' | 'reason'> & Partial<RoundBody>): Promise<void>
}

export interface DemoCase {
  readonly caseId: string
  readonly episodeId: string
  readonly by: Actor
}

export interface DemoClock {
  minutesAgo: number
}

export function createDemoWriter(deps: {
  append: AppendEvent
  streams: StreamRepository
  planner: Planner
  now: number
  clock: DemoClock
  actors: readonly Actor[]
}): DemoWriter {
  const { append, streams, planner, clock, now, actors } = deps
  let count = 0
  const time = (): string => new Date(now - clock.minutesAgo * 60_000).toISOString()
  const nextId = (): string =>
    uuidv7({ msecs: now - clock.minutesAgo * 60_000, random: createHash('sha256').update(`demo ${count++}`).digest().subarray(0, 16) })

  const send = async (by: Actor, type: 'episode' | 'case', id: string, kind: EventKindId, body: object): Promise<void> => {
    const current = type === 'case' ? await streams.findCase(id) : await streams.findEpisode(id)
    const base = eventKinds[kind].nature === 'replacing' ? { base: current?.version ?? 0 } : {}
    await append({ id: nextId(), stream: { type, id }, kind, v: newestVersion(kind), body, at: time(), offsetMs: 0, ...base }, by)
  }

  const writer: DemoWriter = {
    at: (minutesAgo) => {
      clock.minutesAgo = minutesAgo
    },
    async open(story) {
      const by = actors[count % actors.length] ?? actors[0]
      if (!by) throw new Error('The demo world has no staff')
      const [episodeId, caseId, injuryId, patientId] = [nextId(), nextId(), nextId(), nextId()]
      await send(by, 'episode', episodeId, 'episode-opened', {
        patientId,
        place: story.place,
        zone: 'Etc/UTC',
        patient: { ...unknownPatient, ...story.patient },
      })
      if (story.injury) await send(by, 'episode', episodeId, 'injury', { injuryId, injury: story.injury })
      if (story.flags) await send(by, 'episode', episodeId, 'flags', { flags: story.flags })
      await send(by, 'case', caseId, 'case-opened', { episodeId, injuryId, technique: story.technique })
      return { caseId, episodeId, by }
    },
    async change(demo, technique) {
      const { record } = (await streams.findCase(demo.caseId)) ?? {}
      if (!record) throw new Error('A demo case is not there')
      const next: DemoCase = { ...demo, caseId: nextId() }
      const { episodeId, injuryId } = record
      await send(demo.by, 'case', next.caseId, 'case-opened', { episodeId, injuryId, technique, replaces: record.id })
      await writer.write(next, 'carried-in', { fromCase: record.id, readings: readingsToCarry(record) })
      return next
    },
    async write(demo, kind, body) {
      const type = eventKinds[kind].stream === 'case' ? 'case' : 'episode'
      await send(demo.by, type, type === 'case' ? demo.caseId : demo.episodeId, kind, body)
    },
    async accept(demo) {
      const found = await streams.findCase(demo.caseId)
      const episode = await streams.findEpisode(demo.episodeId)
      const plan = found && episode && (await planner.planWhole(toClinicalCase(found.record, episode.record), protocolOf(found.record)))
      if (!plan) throw new Error('A demo case cannot be planned')
      await writer.write(demo, 'plan', { plan: JSON.parse(JSON.stringify(plan)) as typeof plan })
    },
    async stepsOf(demo) {
      const found = await streams.findCase(demo.caseId)
      return found?.record.accepted?.plan.procedure.steps.filter((step) => !step.optional).map((step) => step.id) ?? []
    },
    async round(demo, body) {
      await writer.write(demo, 'round', { cases: [demo.caseId], outcome: 'done', reason: '', ...body })
    },
  }
  return writer
}
