import { onSinceAt } from '#ward/case/situation-of-case'
import type { Router } from 'express'
import Joi from 'joi'
import { DateTime } from 'luxon'
import { bodyRegionOf, spoken } from '#core/model/vocabulary'
import { inUnits, type DisplayUnits } from '#core/quantities/words-in-units'
import { isOrdered } from '#core/model/orders'
import type { Caution, Plan } from '#core/model/plan'
import type { GeometryPolygon } from '#core/model/geometry'
import { findTechnique } from '#core/techniques/registry'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import { patientIdentity, type EpisodeRecord } from '#contract/records/episode'
import { uuid } from '#contract/field-schemas'
import { caseOfRun } from '#ward/case/opening-run'
import { isCutOut, paperKinds, sheets, type PaperKind, type SheetId } from '#contract/api/papers'
import { planInForce, planOfRun } from '#ward/case/plan-in-force'
import { isPressing } from '#core/model/standing'
import { standingOf } from '#ward/standing/standing-of-case'
import { summariseRun } from '#ward/story/run-summary'
import { takeHomeRefusal } from '#ward/story/take-home'
import { workOwed } from '#ward/owed/work-owed'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import { releaseLines, type BedsideFacts } from '../papers/bedside-papers'
import type { Print } from '../planning/print'
import { templateSvg } from '../papers/template-paper'
import type { Planner } from '../planning/planner'
import type { StreamRepository } from '../repositories/streams'
import { openCase } from './open-case'
import { sendPdf } from './send-pdf'

const paramsSchema = Joi.object({ id: uuid.required(), paper: Joi.valid(...paperKinds) })
const querySchema = Joi.object({
  sheet: Joi.valid(...Object.keys(sheets)).default('a4'),
  units: Joi.valid('metric', 'inches').default('metric'),
  run: uuid,
})

interface Opened {
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
}

/** When it is printed, ISO 8601, and where the case opens. */
interface Asked {
  readonly now: string
  readonly address: string
  /** What the reader's lengths are in. */
  readonly units: DisplayUnits
}

/** What is printed for a case: template, run record, release card, bedside label. */
export function paperRoutes(
  { router, route }: Guarded,
  deps: { streams: StreamRepository; planner: Planner; print: Print; clock: Clock },
): Router {
  const open = (id: string): Promise<Opened> => openCase(deps.streams, id)
  const planOf = async ({ record, episode }: Opened): Promise<Plan> => {
    const live = record.accepted?.plan ?? (await deps.planner.planNow(caseOfRun(record, episode, undefined), protocolOf(record)))
    const plan = live && planInForce(record, live)
    if (!plan) throw new ApiError(404, 'not-found', 'The technique of this case is not known here.')
    return plan
  }
  const outlinesOf = async (opened: Opened): Promise<readonly GeometryPolygon[]> => {
    const outlines = (await planOf(opened)).geometry.polygons.filter(isCutOut)
    if (outlines.length === 0)
      throw new ApiError(
        409,
        'nothing-to-print',
        'There is nothing to cut in this plan yet: take the readings that it asks for, then print again.',
      )
    return outlines
  }

  route('GET /api/cases/:id/papers/template.svg', async (request: SignedInRequest, response) => {
    const { id } = parseWith<{ id: string }>(paramsSchema, request.params)
    response
      .type('image/svg+xml')
      .attachment('template.svg')
      .send(templateSvg(await outlinesOf(await open(id))))
  })
  route('GET /api/cases/:id/papers/:paper.pdf', async (request: SignedInRequest, response) => {
    const { id, paper } = parseWith<{ id: string; paper: PaperKind }>(paramsSchema, request.params)
    const { sheet, run, units } = parseWith<{ sheet: SheetId; units: DisplayUnits; run?: string }>(querySchema, request.query)
    const opened = await open(id)
    const now = new Date(deps.clock()).toISOString()
    const address = `${request.protocol}://${request.get('host') ?? ''}/case/${id}/watch`
    const bytes = await print(opened, paper, sheet, run, { now, address, units })
    sendPdf(response, paper, bytes)
  })
  return router

  async function print(opened: Opened, paper: PaperKind, sheet: SheetId, runId: string | undefined, at: Asked): Promise<Buffer> {
    const { record, episode } = opened
    const { now, units } = at
    // What the plan says is read on paper as on the screen of whoever prints it; what is cut stays 1:1.
    const planRead = async (): Promise<Plan> => inUnits(await planOf(opened), units)
    const cautions = await deps.streams.liveCautionsOf(record.id)
    switch (paper) {
      case 'template': {
        const facts = factsOf(opened, await planRead(), cautions, at)
        return deps.print('template', await outlinesOf(opened), sheet, {
          who: `${facts.who}, ${facts.part}`,
          what: facts.device,
          printedAt: DateTime.fromISO(now, { zone: episode.zone }).toFormat('d LLL yyyy, HH:mm'),
        })
      }
      case 'run-record': {
        const run = runId ? record.runs.find((one) => one.id === runId) : record.runs.at(-1)
        if (!run)
          throw new ApiError(409, 'nothing-to-print', 'Nothing has been applied in this case yet: begin the run, then print its record.')
        const live = await (run.technique ? deps.planner.planNow(caseOfRun(record, episode, run), protocolOf(record)) : planOf(opened))
        const plan = live && planOfRun(record, run, live)
        if (!plan) throw new ApiError(404, 'not-found', 'The technique of this run is not known here.')
        return deps.print(
          'run-record',
          summariseRun(record, episode, run, inUnits(plan, units), Date.parse(now), cautions),
          episode.zone,
          now,
          sheet,
        )
      }
      case 'release-card':
        return deps.print('release-card', factsOf(opened, await planRead(), cautions, at), sheet)
      case 'take-home': {
        const plan = await planOf(opened)
        const refusal = takeHomeRefusal(record, plan, standingOf(record, episode, cautions && { cautions }, Date.parse(now)))
        if (refusal) throw new ApiError(409, 'nothing-to-print', refusal)
        return deps.print('take-home', record, episode, inUnits(plan, units), now, sheet)
      }
      case 'receivers-card':
        return deps.print('receivers-card', record, episode, await planRead(), now, sheet)
      case 'case-summary':
        return deps.print('case-summary', { record, episode, plan: await planRead(), live: cautions }, now, sheet)
      case 'incident':
        if (!record.incidents?.length)
          throw new ApiError(409, 'nothing-to-print', 'No incident was reported in this case: report one on Watch, then print it.')
        return deps.print('incident', record, episode, now, sheet)
      case 'round-chart':
        return deps.print('round-chart', record, episode, now, sheet)
      case 'bedside-label':
        return deps.print('bedside-label', factsOf(opened, await planRead(), cautions, at), sheet)
    }
  }
}

function factsOf({ record, episode }: Opened, plan: Plan, live: readonly Caution[] | null, { now, address }: Asked): BedsideFacts {
  const technique = findTechnique(record.technique)
  const injury = episode.injuries[record.injuryId]
  const isOnLeg = injury?.region ? bodyRegionOf(injury.region) === 'leg' : false
  const next = workOwed(record, episode, Date.parse(now)).find((work) => work.kind === 'round')
  return {
    who: patientIdentity(episode),
    part: [injury?.side?.toUpperCase() ?? '', injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' '),
    device: technique?.name ?? record.technique,
    appliedAt: onSinceAt(record),
    zone: episode.zone,
    release: releaseLines(record, episode, Date.parse(now)),
    weight: !isOnLeg
      ? null
      : isOrdered(record.orders?.weight)
        ? `Weight as ordered by ${record.orders?.weight?.by ?? ''}${record.orders?.weight?.allowed ? `: ${record.orders.weight.allowed}` : ''}.`
        : 'No weight through it: none is ordered.',
    nextRoundAt: next ? new Date(next.dueAt).toISOString() : null,
    care: plan.care,
    standing: standingOf(record, episode, live && { cautions: live }, Date.parse(now))
      .items.filter(isPressing)
      .map((item) => `${item.level}: ${item.text}`),
    printedAt: now,
    address,
  }
}
