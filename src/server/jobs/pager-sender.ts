import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { calledWords, type PagerState } from '#contract/records/page'
import { pageDue } from '#ward/standing/escalation'
import type { Clock } from '../ground/clock'
import { inTransaction } from '../db/in-transaction'
import type { EventRepository } from '../repositories/events'
import type { JudgedRules } from '../repositories/judged-rules'
import type { OutgoingPage, PageRepository } from '../repositories/pages'
import type { StreamRepository } from '../repositories/streams'
import { lockCaseAndStay, writeForCase } from '../ledger/write-for-case'
import { keepReceipt, pagerActor } from '../services/keep-receipt'

/** Where pages go, and what their receipts are signed with. */
export interface PagerLine {
  readonly address: string
  readonly secret: string
}

/** Calls the chain about what is urgent until a person answers. */
export interface PagerSender {
  /** Whether the pager answers; null where none is set up. */
  readonly state: PagerState | null
  /** One round: finds out who has to be paged now, then sends what waits. */
  tick(): Promise<void>
}

export interface PagerDeps {
  readonly db: Sequelize
  readonly streams: StreamRepository
  readonly events: EventRepository
  readonly pages: PageRepository
  readonly rules: JudgedRules
  readonly clock: Clock
  readonly log: Logger
  readonly line: PagerLine | null
}

const leaseMs = 10_000
const answerMs = 3_000
const mostAtOnce = 20
const firstWaitMs = 1_000
const longestWaitMs = 60_000
/** How often it is noted until when everything was judged. */
const notingMs = 10_000

/** A sender over one database; several servers may each have one. */
export function createPagerSender({ db, streams, events, pages, rules, clock, log, line }: PagerDeps): PagerSender {
  const own = uuidv7()
  let state: PagerState | null = line && { isAnswering: true, since: new Date(clock()).toISOString() }
  let isBusy = false
  let notedMs = -Infinity

  function note(isAnswering: boolean): void {
    if (state === null || state.isAnswering === isAnswering) return
    state = { isAnswering, since: new Date(clock()).toISOString() }
    if (!isAnswering) log.error('the pager is not answering')
  }

  /** Decides about one case, and writes the page with the event that tells of it; locks nothing while nothing is due. */
  async function pageCase(caseId: string, othersUntilMs: number | null): Promise<void> {
    const seen = await streams.findCase(caseId)
    const stay = seen && (await streams.findEpisode(seen.record.episodeId))
    if (!stay || !pageDue(seen.record, stay.record, (await streams.findWard()).record, clock())) return
    const isOfBefore = othersUntilMs !== null && !(await rules.isHeardSince(caseId, new Date(othersUntilMs)))
    await inTransaction(db, async (transaction) => {
      const found = await lockCaseAndStay(streams, caseId, transaction)
      if (!found) return
      const now = clock()
      const due = pageDue(found.locked.record, found.episode, (await streams.findWard(transaction)).record, now, isOfBefore)
      if (!due) return
      const body = { pageId: uuidv7(), ...due }
      const at = new Date(now).toISOString()
      await writeForCase({ events, streams, clock }, found, 'paged', body, { ...pagerActor, at, receivedAt: at }, transaction)
      await pages.add({ id: body.pageId, caseId, callee: calledWords(body), words: body.text }, new Date(now), transaction)
    })
  }

  async function send(page: OutgoingPage, { address }: PagerLine): Promise<void> {
    const answered = await post(`${address}/pages`, { id: page.id, to: page.callee, text: page.words })
    note(answered !== null && answered < 500)
    if (answered !== null && answered < 300) return pages.settle(page.id, 'sent')
    if (answered !== null && answered < 500) {
      await pages.settle(page.id, 'refused')
      const at = new Date(clock()).toISOString()
      await keepReceipt({ db, streams, events, clock }, page.caseId, { pageId: page.id, what: 'refused', who: '', at })
      return
    }
    const waitMs = Math.min(longestWaitMs, firstWaitMs * 2 ** page.tries)
    await pages.putOff(page.id, new Date(clock() + waitMs * (0.75 + Math.random() / 2)))
  }

  async function round(pager: PagerLine): Promise<void> {
    const begunMs = clock()
    const othersUntilMs = await rules.judgedByOthersUntil()
    const rows = await streams.liveBoardRows()
    let isWhole = true
    for (const row of rows.filter((one) => one.answer !== null || one.owesWord))
      isWhole = (await guarded('page', row.caseId, () => pageCase(row.caseId, othersUntilMs))) && isWhole
    const now = clock()
    if (isWhole && begunMs - notedMs >= notingMs) {
      await rules.note(new Date(begunMs))
      notedMs = begunMs
    }
    const due = await pages.lease(own, new Date(now), new Date(now + leaseMs), mostAtOnce)
    const stillAsks = new Set(rows.filter((row) => row.answer !== null || row.owesWord).map((row) => row.caseId))
    for (const page of due) {
      if (stillAsks.has(page.caseId)) await guarded('send', page.caseId, () => send(page, pager))
      else await pages.settle(page.id, 'dropped')
    }
    // Found out while nothing is urgent, not when it is.
    if (due.length === 0) note((await get(`${pager.address}/health`)) === 200)
  }

  async function guarded(what: string, caseId: string, work: () => Promise<void>): Promise<boolean> {
    try {
      await work()
      return true
    } catch (error) {
      log.error({ case: caseId, reason: (error as Error).name }, `the pager sender could not ${what}`)
      return false
    }
  }

  return {
    get state() {
      return state
    },
    async tick() {
      if (!line || isBusy) return
      isBusy = true
      try {
        await round(line)
      } catch (error) {
        log.error({ reason: (error as Error).name }, 'the pager sender failed')
      } finally {
        isBusy = false
      }
    },
  }
}

const ask = (address: string, init: RequestInit): Promise<number | null> =>
  fetch(address, { ...init, signal: AbortSignal.timeout(answerMs) }).then(
    (response) => response.status,
    () => null,
  )
const get = (address: string): Promise<number | null> => ask(address, {})
const post = (address: string, body: object): Promise<number | null> =>
  ask(address, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
