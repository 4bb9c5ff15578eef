import type { Danger } from '#core/model/danger'
import type { StandingItem } from '#core/model/standing'
import { nameOfPart } from '#core/standing/item-names'
import { dangerIn } from '#core/standing/judge-standing'
import type { CaseRecord } from '#contract/records/case'
import { initialsOf, patientLabel, type EpisodeRecord } from '#contract/records/episode'
import { calledWords, type PageBody, type PageRecord } from '#contract/records/page'
import { newWard, type Callee, type Chain, type Shift, type WardRecord } from '#contract/records/ward'
import { isInArea } from '../case/at-place'
import { correctionsOf, type Correction } from '../rounds/correction-words'
import { standingOf } from './standing-of-case'

// Who is called about what is urgent, and when the next one is: pure, so that server, Board and tests read one answer.

const minuteMs = 60_000
/** Minutes after which the last of a chain is called again, where the chain names none. */
const againMin = 5
const mostLetters = 280

/** Entries for a place: that of the area that says most about it first, that of everywhere last. */
function ofPlace<T extends { readonly area: string }>(entries: readonly T[], place: string): readonly T[] {
  return entries.filter((entry) => entry.area === '' || isInArea(place, entry.area)).sort((a, b) => b.area.length - a.area.length)
}

/** Who is called for a place, in order. */
export function chainFor({ chains }: Pick<WardRecord, 'chains'>, place: string): Chain {
  return ofPlace(chains, place)[0] ?? newWard.chains[0]!
}

/**
 * Who holds a role at a place and a moment by the rotas: the area's own before that of everywhere.
 * @param zone IANA zone of the place: shifts are by its clock
 * @returns null where nobody is entered
 */
export function onDuty({ rotas }: Pick<WardRecord, 'rotas'>, role: string, place: string, atMs: number, zone: string): string | null {
  const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()
  const { day, minute } = localTime(atMs, zone)
  for (const rota of ofPlace(rotas, place)) {
    const shift = rota.shifts.find((one) => same(one.role, role) && isOn(one, day, minute))
    if (shift) return shift.name
  }
  return null
}

function isOn({ from, until, days }: Shift, day: number, minute: number): boolean {
  const [start, end] = [minuteOfClock(from), minuteOfClock(until)]
  const isToday = days.includes(day)
  if (start < end) return isToday && minute >= start && minute < end
  const isYesterday = days.includes(((day + 5) % 7) + 1)
  return (isToday && minute >= start) || (isYesterday && minute < end)
}

function minuteOfClock(clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number)
  return hours * 60 + minutes
}

const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

function localTime(atMs: number, zone: string): { readonly day: number; readonly minute: number } {
  const parts = new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
    .formatToParts(atMs)
    .map((formatToPart) => [formatToPart.type, formatToPart.value] as const)
  const { weekday = 'Mon', hour = '0', minute = '0' } = Object.fromEntries(parts) as Record<string, string | undefined>
  return { day: weekdays.indexOf(weekday) + 1, minute: Number(hour) * 60 + Number(minute) }
}

/**
 * The page that is due now about a case, or null. One call a case: the first step of the chain at once, the next one when its minutes have
 * passed without a person's answer or the page could not be brought, the last again and again; a new urgent finding goes to whoever has the
 * call already.
 * @param isOfBefore other rules have judged all that is known of the case, and nothing was heard of it since: a call that they began goes
 *   on, none begins
 */
export function pageDue(
  record: CaseRecord,
  episode: EpisodeRecord,
  ward: WardRecord,
  nowMs: number,
  isOfBefore = false,
): Omit<PageBody, 'pageId'> | null {
  const standing = standingOf(record, episode, null, nowMs)
  const urgent = standing.items.filter((item) => item.isCalled && item.settled === null)
  // Whoever is called knows of the call: what is done on the body is what they hear.
  const first = standing.actions.find(({ id, response }) => response === null && id !== 'call-senior')?.text ?? ''
  const { call } = standing
  if (!call || urgent.length === 0) return correctionDue(record, episode, ward, nowMs)
  const pages = (record.pages ?? []).filter((page) => Date.parse(page.at) >= call.sinceMs)
  const told = new Set(pages.flatMap((page) => page.findings))
  const answeredMs = call.answered?.atMs ?? Infinity
  const untold = urgent.filter((item) => !told.has(item.id) && (item.alarmSinceMs ?? item.sinceMs) > (pages.length > 0 ? 0 : answeredMs))
  const { steps } = chainFor(ward, episode.place)
  const make = (step: number, about: readonly StandingItem[]): Omit<PageBody, 'pageId'> => {
    const role = steps[step]?.role ?? ''
    return {
      step,
      role,
      name: onDuty(ward, role, episode.place, nowMs, episode.zone) ?? '',
      text: textOf(episode, about, first, heardBy(pages)),
      findings: urgent.map((item) => item.id),
    }
  }
  const last = pages.at(-1)
  const isAsked = !isOfBefore && isPageAwaited(record)
  if (call.answered) {
    const holder = pages.findLast((page) => page.receipts.some((receipt) => receipt.what === 'answered'))
    if (untold.length > 0 && !isOfBefore) return make(holder?.step ?? 0, untold)
    if (isAsked) return make(Math.min((last?.step ?? -1) + 1, steps.length - 1), urgent)
    // Somebody who answered and nothing done on the body is no help yet: whoever has the call hears of it again.
    const quietSinceMs = Math.max(answeredMs, last ? Date.parse(last.at) : 0)
    const isHelped = call.isActedOn || call.answered.how === 'bedside'
    return !isHelped && nowMs - quietSinceMs >= againMin * minuteMs ? make(holder?.step ?? last?.step ?? 0, urgent) : null
  }
  if (!last) return isOfBefore ? null : make(0, urgent)
  if (isAsked) return make(Math.min(last.step + 1, steps.length - 1), urgent)
  // A lost pulse or an airway does not wait for the first to answer: the next in the chain is called beside them.
  const isBeside = !isOfBefore && last.step === 0 && steps.length > 1 && urgent.some(cannotWait)
  if (isBeside) return make(1, urgent)
  const next = Math.min(last.step + 1, steps.length - 1)
  const isHigher = next > last.step
  const waitMin = isHigher ? (steps[next]?.afterMin ?? againMin) : againMin
  if ((isHigher && isRefused(last)) || nowMs - firstOfStep(pages, last) >= waitMin * minuteMs) return make(next, urgent)
  return untold.length > 0 && !isOfBefore ? make(last.step, untold) : null
}

/** Whoever was paged by a look that was put right since hears of it once, where nothing is urgent any more. */
function correctionDue(record: CaseRecord, episode: EpisodeRecord, ward: WardRecord, nowMs: number): Omit<PageBody, 'pageId'> | null {
  const last = record.pages?.at(-1)
  const corrections = withdrawn(record, episode)
  // One that could not be brought is sent again like any other, after the same minutes.
  if (!last || corrections.length === 0 || (isRefused(last) && nowMs - Date.parse(last.at) < againMin * minuteMs)) return null
  const words = corrections.map((correction) => `${clockOf(correction.lookAt, episode.zone)} corrected: ${correction.text}`)
  const holder = record.pages?.findLast((page) => page.receipts.some(({ what }) => what === 'answered')) ?? last
  const where = hasBed(episode.place) ? episode.place : `${episode.place}, ${initialsOf(patientLabel(episode))}`
  return {
    step: holder.step,
    role: holder.role,
    name: onDuty(ward, holder.role, episode.place, nowMs, episode.zone) ?? holder.name,
    text: `${where}: ${words.join('. ')}. Nothing is urgent now.`.slice(0, mostLetters),
    findings: corrections.map(correctionId),
  }
}

/** How a page says of which correction it tells: told once is told, whatever the clocks of device and server say. */
function correctionId({ lookAt, correctedAt }: Correction): string {
  return `${correctedPrefix}${lookAt}/${correctedAt}`
}

const correctedPrefix = 'corrected/'

/** Corrections that no page has told of, of looks that a page told of before they were put right; a page that was refused told nobody. */
function withdrawn(record: CaseRecord, episode: EpisodeRecord): readonly Correction[] {
  const pages = record.pages ?? []
  const told = new Set(pages.filter((page) => !isRefused(page)).flatMap((page) => page.findings))
  return correctionsOf(record, episode).filter((correction) => {
    const [fromMs, untilMs] = [Date.parse(correction.lookAt), Date.parse(correction.correctedAt)]
    const before = pages.filter(({ at }) => Date.parse(at) >= fromMs && Date.parse(at) <= untilMs)
    return !told.has(correctionId(correction)) && before.some((page) => correction.wasUrgent.some((id) => page.findings.includes(id)))
  })
}

/** Whether somebody who was paged has still to hear that it was put right: no page tells of it, or the one that does was not brought yet. */
export function isWordOwed(record: CaseRecord, episode: EpisodeRecord): boolean {
  const pages = record.pages ?? []
  const isOnItsWay = pages.some(({ findings, receipts }) => receipts.length === 0 && findings.some((id) => id.startsWith(correctedPrefix)))
  return isOnItsWay || (pages.length > 0 && withdrawn(record, episode).length > 0)
}

function clockOf(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(Date.parse(iso))
}

/** Whether somebody pressed Call and no page has gone out since. */
export function isPageAwaited({ pageAsks = [], pages = [] }: Pick<CaseRecord, 'pageAsks' | 'pages'>): boolean {
  return pageAsks.at(-1)?.pages === pages.length
}

/** Who has read an earlier page of this call and has not answered it: a repeat says so. */
function heardBy(pages: readonly PageRecord[]): readonly string[] {
  return [
    ...new Set(
      pages.flatMap((page) => {
        const read = page.receipts.findLast((receipt) => receipt.what === 'read')
        const isAnswered = page.receipts.some((receipt) => receipt.what === 'answered')
        return read && !isAnswered ? [read.who || calledWords(page)] : []
      }),
    ),
  ]
}

const airwayDangers: readonly Danger[] = ['breathing', 'slow-breathing', 'vomiting']

/** Minutes count: a pulse that was lost, or breath. */
function cannotWait(one: StandingItem): boolean {
  return (one.danger !== null && airwayDangers.includes(one.danger)) || one.danger === 'arrest' || dangerIn(one).item === 'pulse'
}

function isRefused(page: PageRecord): boolean {
  return page.receipts.some((receipt) => receipt.what === 'refused')
}

/** When the step that is called was called first: what joins its call does not make it wait longer. */
function firstOfStep(pages: readonly PageRecord[], last: PageRecord): number {
  const before = pages.findLastIndex((page) => page.step !== last.step)
  const own = pages.slice(before + 1)
  // The last of a chain is called again: its wait begins with each call that tells of nothing new.
  const again = own.findLast((page, index) => index === 0 || page.findings.every((id) => own[index - 1]?.findings.includes(id)))
  return Date.parse((again ?? last).at)
}

/** Without a name: a pager is read by whoever is near; initials where no bed says whose it is. What is done first stands behind what is wrong. */
function textOf(episode: EpisodeRecord, about: readonly StandingItem[], first: string, heard: readonly string[]): string {
  const where = hasBed(episode.place) ? episode.place : `${episode.place}, ${initialsOf(patientLabel(episode))}`
  const again = heard.length > 0 ? ` Read, not answered: ${heard.join(', ')}.` : ''
  const wrong = `${where}: ${about.map(withPart).join('; ')}${again ? `.${again}` : ''}`
  const whole = first ? `${wrong}. First: ${first}` : wrong
  return (whole.length <= mostLetters ? whole : wrong).slice(0, mostLetters)
}

/** Who is called about a patient of a place, in order, with who holds each role now. */
export function calleesFor(
  ward: Pick<WardRecord, 'chains' | 'rotas'>,
  { place, zone }: Pick<EpisodeRecord, 'place' | 'zone'>,
  atMs: number,
): readonly Callee[] {
  return chainFor(ward, place).steps.map(({ role }) => ({ role, name: onDuty(ward, role, place, atMs, zone) ?? '' }))
}

/** Whether a place is one that a single patient fills: it has a number. */
function hasBed(place: string): boolean {
  return /\d/.test(place)
}

/** What is wrong, with the side that it is on where its words leave that out. */
function withPart({ part, text }: StandingItem): string {
  if (part === null) return text
  const name = nameOfPart(part)
  return text.toLowerCase().startsWith(name.toLowerCase()) ? text : `${name}: ${text.charAt(0).toLowerCase()}${text.slice(1)}`
}
