import type { Response, Router } from 'express'
import Joi from 'joi'
import { DateTime } from 'luxon'
import { auditPageSize, mostAuditDays, type AuditAnswer, type AuditLine } from '#contract/api/audit'
import { readingWords } from '#contract/api/route-rights'
import { day, uuid, zone as zoneSchema } from '#contract/field-schemas'
import { invalidInput } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PatientReads } from '../repositories/patient-reads'
import type { StreamRepository } from '../repositories/streams'

const mostCases = 200

interface Asked {
  readonly person?: string
  readonly number?: string
  readonly from: string
  readonly until: string
  readonly zone: string
}
const querySchema = Joi.object({
  person: uuid,
  number: Joi.string().trim().max(40),
  from: day.required(),
  until: day.required(),
  zone: zoneSchema.default('Etc/UTC'),
})

/** Who read and wrote what, for admins: never what it says. */
export function auditRoutes(
  { router, route }: Guarded,
  deps: { readonly reads: PatientReads; readonly streams: StreamRepository; readonly clock: Clock },
): Router {
  route('GET /api/admin/audit', async (request: SignedInRequest, response: Response<AuditAnswer>) => {
    const asked = parseWith<Asked>(querySchema, request.query)
    const wanted = {
      ...daysOf(asked),
      ...(asked.person ? { personId: asked.person } : {}),
      ...(asked.number ? { subjects: await subjectsOf(asked.number) } : {}),
    }
    const [reads, writes] = await Promise.all([deps.reads.find(wanted, auditPageSize), deps.reads.findWrites(wanted, auditPageSize)])
    const numbers = await deps.reads.numbersOf([...new Set([...reads, ...writes].map((one) => one.subject))].filter((one) => one !== ''))
    const lineOf = (at: Date, by: string, did: AuditLine['did'], what: string, subject: string): AuditLine => ({
      at: at.toISOString(),
      by,
      did,
      what,
      subject,
      patient: numbers.get(subject) ?? null,
    })
    const lines: AuditLine[] = [
      ...reads.map(({ firstAt, personName, route, subject }) => lineOf(firstAt, personName, 'read', readingWords(route), subject)),
      ...writes.map(({ at, personName, kind, subject }) => lineOf(at, personName, 'wrote', kind.replaceAll('-', ' '), subject)),
    ].sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
    response.json({
      lines: lines.slice(0, auditPageSize),
      isCut: lines.length > auditPageSize,
      now: new Date(deps.clock()).toISOString(),
    })
  })
  return router

  /** Everything that belongs to the patient with a hospital number. */
  async function subjectsOf(number: string): Promise<readonly string[]> {
    const { rows } = await deps.streams.findCases([number.toLowerCase()], null, mostCases, Infinity)
    const own = rows.filter((row) => row.number.toLowerCase() === number.toLowerCase())
    const cases = own.map((row) => row.caseId)
    return [...cases, ...new Set(own.map((row) => row.episodeId)), ...(await deps.reads.photosOf(cases))]
  }
}

/** Both days whole, where the admin is. */
function daysOf({ from, until, zone }: Asked): { from: Date; until: Date } {
  const first = DateTime.fromISO(from, { zone })
  const last = DateTime.fromISO(until, { zone })
  const refuse = (path: string, message: string): never => {
    throw invalidInput([{ code: 'format', path, message }])
  }
  if (!first.isValid) return refuse('from', `There is no day ${from}: choose another.`)
  if (!last.isValid) return refuse('until', `There is no day ${until}: choose another.`)
  if (last < first) return refuse('until', 'The last day is before the first: turn them round.')
  if (last.diff(first, 'days').days >= mostAuditDays)
    return refuse('from', `Look through at most ${mostAuditDays} days at once: choose a later first day.`)
  return { from: first.toJSDate(), until: last.plus({ days: 1 }).toJSDate() }
}
