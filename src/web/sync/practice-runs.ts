import { v7 as uuidv7 } from 'uuid'
import { create } from 'zustand'
import { mostMarksAtOnce, type SittingPost } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import type { Candidate } from '#contract/records/practice'
import { newestRules } from '#core/practice/stations/station'
import { runOf, type MarkBody, type StationMark } from '#core/practice/stations/marks'
import { toTenth } from '#core/practice/stations/station'
import { callApi } from './api'
import { sendLetter } from './outbox'
import { serverNow } from './server-clock'
import { currentDurable } from './session-store'

/** A run as this device keeps it: what was marked here, and what of it the server has. */
export interface KeptRun extends Omit<SittingPost, 'candidates'> {
  readonly id: string
  readonly candidates: readonly Candidate[]
  /** Ids of marks that the server has; null before it knows of the run. */
  readonly sent: readonly string[] | null
}

interface PracticeRuns {
  readonly runs: Readonly<Record<string, KeptRun>>
  /** Why the server does not want a run, in words, by its id. */
  readonly refusals: Readonly<Record<string, string>>
}

/** Runs that are marked on this device: every mark is kept here at once, and goes to the server when there is a line. */
export const usePracticeRuns = create<PracticeRuns>(() => ({ runs: {}, refusals: {} }))

const draftKey = (id: string): string => `practice/run/${id}`

/** Whose runs these are. */
let owner: ReturnType<typeof currentDurable> = null
/** Ids of runs that are on their way. */
const underWay = new Set<string>()

/** Begins a run on this device at this moment. @returns its id */
export function beginRun({ station, ...run }: Pick<KeptRun, 'way' | 'station' | 'candidates'>): string {
  const id = uuidv7()
  keepRun({
    ...run,
    station: { ...station, rules: newestRules },
    id,
    begunAt: new Date(toTenth(serverNow())).toISOString(),
    marks: [],
    sent: null,
  })
  return id
}

/** Takes up a run that goes on elsewhere, to mark it here too. */
export function joinRun(run: Omit<KeptRun, 'marks' | 'sent'>): void {
  keepRun({ ...run, marks: [], sent: null })
}

/** Adds a mark at this moment. */
export function addMark(id: string, what: MarkBody): void {
  const run = usePracticeRuns.getState().runs[id]
  if (!run) return
  const atMs = Math.max(0, toTenth(serverNow() - Date.parse(run.begunAt)))
  keepRun({ ...run, marks: [...run.marks, { id: uuidv7(), atMs, what }] })
}

/** Reads a run that this device keeps; null where it keeps none of this id. */
export async function readRun(id: string): Promise<KeptRun | null> {
  forgetOthers()
  const known = usePracticeRuns.getState().runs[id]
  if (known) return known
  const text = await currentDurable()?.readDraft(draftKey(id))
  if (!text) return null
  const run = JSON.parse(text) as KeptRun
  show(run)
  return run
}

/** For whoever signed in: sends what earlier pages left unsent. */
export async function resumeRuns(): Promise<void> {
  forgetOthers()
  const durable = currentDurable()
  if (!durable) return
  for (const { id } of await durable.readPractised('run')) {
    const run = await readRun(id).catch(() => null)
    if (run) send(run)
  }
}

/** What was read for somebody else is forgotten; what a screen read for this person before sending began stays. */
function forgetOthers(): void {
  const durable = currentDurable()
  if (durable === owner) return
  usePracticeRuns.setState({ runs: {}, refusals: {} })
  underWay.clear()
  owner = durable
}

function show(run: KeptRun): void {
  usePracticeRuns.setState((state) => ({ runs: { ...state.runs, [run.id]: run } }))
}

function keepRun(run: KeptRun): void {
  forgetOthers()
  show(run)
  void currentDurable()?.writeDraft(draftKey(run.id), JSON.stringify(run))
  const isRefused = usePracticeRuns.getState().refusals[run.id] !== undefined
  if (unsentOf(run) !== null && !isRefused) void currentDurable()?.addPractised({ what: 'run', id: run.id })
  send(run)
}

/** Marks that the server has yet to get. A run alone goes once it is over: nobody else follows it. */
function unsentOf(run: KeptRun): readonly StationMark[] | null {
  if (run.way === 'alone' && runOf(run.marks).endedMs === null) return null
  const sent = new Set(run.sent ?? [])
  const left = run.marks.filter((mark) => !sent.has(mark.id))
  return left.length === 0 && run.sent !== null ? null : left
}

/** Sends what a run has left, as much as goes at once, and then what is left by then. */
function send({ id }: KeptRun): void {
  const { runs, refusals } = usePracticeRuns.getState()
  const run = runs[id]
  if (!run || refusals[id] !== undefined || unsentOf(run) === null || underWay.has(id)) return
  underWay.add(id)
  const durable = owner
  let posted: readonly StationMark[] = []
  sendLetter({
    id: `run/${id}`,
    lane: `run/${id}`,
    send() {
      // What was marked while it waited goes too.
      const now = usePracticeRuns.getState().runs[id] ?? run
      const { way, station, candidates, begunAt } = now
      posted = (unsentOf(now) ?? []).slice(0, mostMarksAtOnce)
      const roles = candidates.map((candidate) => ({ id: candidate.id, role: candidate.role }))
      return callApi('POST', paths.practiceSitting(id), { way, station, candidates: roles, begunAt, marks: posted } satisfies SittingPost)
    },
    taken() {
      underWay.delete(id)
      // What comes back for somebody else says nothing here.
      if (owner !== durable) return
      const now = usePracticeRuns.getState().runs[id] ?? run
      const sent = { ...now, sent: [...(now.sent ?? []), ...posted.map((mark) => mark.id)] }
      show(sent)
      void durable?.writeDraft(draftKey(id), JSON.stringify(sent))
      if (unsentOf(sent) === null) void durable?.dropFromOutbox(id)
      else send(sent)
    },
    refused({ detail }) {
      underWay.delete(id)
      if (owner !== durable) return
      void durable?.dropFromOutbox(id)
      usePracticeRuns.setState((state) => ({ refusals: { ...state.refusals, [id]: detail } }))
    },
  })
}
