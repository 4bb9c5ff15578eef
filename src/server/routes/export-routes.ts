import { stringify } from 'csv-stringify/sync'
import type { Router } from 'express'
import { createEvents, type EventAttributes } from 'ics'
import Joi from 'joi'
import { caseFile } from '#core/files/write-case'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { uuid } from '#contract/field-schemas'
import { toClinicalCase } from '#ward/case/clinical-case'
import { observationsOf } from '#contract/records/observations'
import { roundsDone } from '#ward/rounds/round-chart'
import { workOwed } from '#ward/owed/work-owed'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { StreamRepository } from '../repositories/streams'
import { openCase, type OpenedCase } from './open-case'

const idSchema = Joi.object({ id: uuid.required() })

/** What leaves a case as a file: owed work for a calendar, observations for a table. */
export function exportRoutes(
  { router, route }: Guarded,
  { streams, clock }: { readonly streams: StreamRepository; readonly clock: Clock },
): Router {
  const open = (params: unknown): Promise<OpenedCase> => openCase(streams, parseWith<{ id: string }>(idSchema, params).id)

  route('GET /api/cases/:id/owed.ics', async (request: SignedInRequest, response) => {
    const { record, episode } = await open(request.params)
    response
      .type('text/calendar')
      .attachment('owed.ics')
      .send(calendarOf(record, episode, clock()))
  })
  route('GET /api/cases/:id/case.json', async (request: SignedInRequest, response) => {
    const { record, episode } = await open(request.params)
    response.attachment('case.json').json(caseFile(toClinicalCase(record, episode)))
  })
  route('GET /api/cases/:id/observations.csv', async (request: SignedInRequest, response) => {
    const { record, episode } = await open(request.params)
    const rows = roundsDone(record, episode).flatMap((round) =>
      observationsOf(round).map(({ item, value }) => [round.at, round.isBaseline ? 'baseline' : 'round', round.by, item, value]),
    )
    response
      .type('text/csv')
      .attachment('observations.csv')
      // A cell that begins like a formula is text.
      .send(stringify([['at', 'kind', 'by', 'item', 'value'], ...rows], { escape_formulas: true }))
  })
  return router
}

/** Owed work as events of its minutes, without the patient's name: a calendar is read by whoever holds the phone. */
function calendarOf(record: CaseRecord, episode: EpisodeRecord, nowMs: number): string {
  const technique = findTechnique(record.technique)?.name ?? record.technique
  const events = workOwed(record, episode, nowMs).map((work): EventAttributes => ({
    uid: `${record.id}-${work.id}@zesty-wren`,
    title: `${technique}: ${work.name}`,
    description: work.text,
    start: work.dueAt,
    startInputType: 'utc',
    startOutputType: 'utc',
    duration: { minutes: Math.max(15, work.graceMin) },
    productId: 'zesty-wren',
    alarms: [{ action: 'display', description: work.name, trigger: { minutes: 15, before: true } }],
  }))
  const { value, error } = createEvents(events, { productId: 'zesty-wren', calName: technique })
  if (typeof value === 'string') return value
  throw error ?? new Error('no calendar came of it')
}
