import { v7 as uuidv7 } from 'uuid'
import { create } from 'zustand'
import { mostMarksAtOnce, type SittingPost } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import type { Candidate } from '#contract/records/practice'
import { newestRules } from '#core/practice/stations/station'
import { runOf, type MarkBody, type StationMark } from '#core/practice/stations/marks'
import { toTenth } from '#core/practice/stations/station'
import { callApi, isSessionOver } from './api'
import { onLineBack } from './outbox'
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

/** Ids of the runs of which the server has yet to get something. */
const unsentKey = 'practice/unsent'
const againMs = 5_000
const draftKey = (id: string): string => `practice/run/${id}`

/** Whose runs these are: what was on its way for somebody else comes back to nobody. */
let holder = 0
let owner: ReturnType<typeof currentDurable> = null
let isSending = false
let timer: ReturnType<typeof setTimeout> | undefined

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

/** For whoever signed in: sends what earlier pages left unsent, now and whenever the line comes back; returns how to stop. */
export function startSending(): () => void {
  forgetOthers()
  void readUnsent().then(async (ids) => {
    for (const id of ids) await readRun(id).catch(() => null)
    void sendRuns()
  })
  const stop = onLineBack(() => void sendRuns())
  return () => {
    stop()
    forget()
  }
}

/** What was read for somebody else is forgotten; what a screen read for this person before sending began stays. */
function forgetOthers(): void {
  const durable = currentDurable()
  if (durable === owner) return
  forget()
  owner = durable
}

function forget(): void {
  holder++
  isSending = false
  clearTimeout(timer)
  usePracticeRuns.setState({ runs: {}, refusals: {} })
}

function show(run: KeptRun): void {
  usePracticeRuns.setState((state) => ({ runs: { ...state.runs, [run.id]: run } }))
}

function keepRun(run: KeptRun): void {
  forgetOthers()
  show(run)
  void currentDurable()?.writeDraft(draftKey(run.id), JSON.stringify(run))
  void noteUnsent()
  void sendRuns()
}

/** Marks that the server has yet to get. A run alone goes once it is over: nobody else follows it. */
function unsentOf(run: KeptRun): readonly StationMark[] | null {
  if (run.way === 'alone' && runOf(run.marks).endedMs === null) return null
  const sent = new Set(run.sent ?? [])
  const left = run.marks.filter((mark) => !sent.has(mark.id))
  return left.length === 0 && run.sent !== null ? null : left
}

async function noteUnsent(): Promise<void> {
  const { runs, refusals } = usePracticeRuns.getState()
  const left = Object.values(runs).filter((run) => unsentOf(run) !== null && refusals[run.id] === undefined)
  await currentDurable()?.writeDraft(unsentKey, JSON.stringify(left.map((run) => run.id)))
}

async function readUnsent(): Promise<readonly string[]> {
  const text = await currentDurable()?.readDraft(unsentKey)
  return text ? (JSON.parse(text) as readonly string[]) : []
}

/** Sends what every run has left, one run after another; without an answer it is tried again. */
async function sendRuns(): Promise<void> {
  if (isSending) return
  isSending = true
  clearTimeout(timer)
  const begun = holder
  try {
    for (let next = nextUnsent(); next; next = nextUnsent()) {
      const { run, marks } = next
      const post: SittingPost = {
        way: run.way,
        station: run.station,
        candidates: run.candidates.map(({ id, role }) => ({ id, role })),
        begunAt: run.begunAt,
        marks,
      }
      const answer = await callApi('POST', paths.practiceSitting(run.id), post)
      if (holder !== begun) return
      // A session that is over says nothing about the run: it goes once somebody has signed in.
      if (answer.kind === 'refused' && !isSessionOver(answer.problem)) {
        usePracticeRuns.setState((state) => ({ refusals: { ...state.refusals, [run.id]: answer.problem.detail } }))
      } else if (answer.kind === 'ok') {
        const now = usePracticeRuns.getState().runs[run.id] ?? run
        const sent = { ...now, sent: [...(now.sent ?? []), ...marks.map((mark) => mark.id)] }
        show(sent)
        await currentDurable()?.writeDraft(draftKey(run.id), JSON.stringify(sent))
      } else {
        timer = setTimeout(() => void sendRuns(), againMs)
        return
      }
      await noteUnsent()
    }
  } finally {
    if (holder === begun) isSending = false
  }
}

function nextUnsent(): { readonly run: KeptRun; readonly marks: readonly StationMark[] } | null {
  const { runs, refusals } = usePracticeRuns.getState()
  for (const run of Object.values(runs)) {
    const left = refusals[run.id] === undefined ? unsentOf(run) : null
    if (left) return { run, marks: left.slice(0, mostMarksAtOnce) }
  }
  return null
}
