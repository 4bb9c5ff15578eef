import type { Measurement, Overrule, StockItem } from '#core/case/clinical-case'
import type { Device } from '#core/case/device'
import type { Orders } from '#core/case/orders'
import type { HandPlace, Plan } from '#core/plan/plan'
import type { FoldableEvent } from '../event'
import {
  foldRun,
  startRun,
  type HandOverBody,
  type RunDriver,
  type RunRecord,
  type RunStartedBody,
  type TroubleBody,
  type TroubleRecord,
} from './run'
import { upcast } from '../upcast'

/** People, water and room: what Make ready sets. */
export interface CaseSetup {
  readonly people: number | null
  readonly waterC: number
  readonly roomC: number
  readonly backing: 'air' | 'pillow'
  readonly packSetMin: number | null
  readonly wearDays: number | null
}

export interface AcceptedPlan {
  readonly plan: Plan
  readonly at: string
  readonly by: string
}

export interface FitRecord {
  readonly testId: string
  readonly isGood: boolean
  readonly note: string
  readonly at: string
  readonly by: string
}
/** Somebody who is here, and where their hands are. */
export interface CrewMember {
  readonly name: string
  readonly place: HandPlace
}
/** An order that was said back to who gave it. */
export interface ReadBackRecord {
  readonly what: string
  readonly orderedBy: string
  readonly at: string
  readonly by: string
}
export interface NoteRecord {
  readonly text: string
  readonly at: string
  readonly by: string
}

/** One device on one patient. A fold of the case's events. */
export interface CaseRecord {
  readonly id: string
  readonly episodeId: string
  readonly injuryId: string
  readonly technique: string
  /** The case whose device this one replaces. */
  readonly replaces?: string
  /** Cases worn together with this one. */
  readonly with?: readonly string[]
  readonly openedAt: string
  readonly options: Readonly<Record<string, string | number>>
  readonly setup: CaseSetup
  /** What has been ordered; absent in cases from before orders were kept. */
  readonly orders?: Orders
  /** Who entered the orders, and when: whoever gave them stands in them. */
  readonly ordersEntered?: { readonly by: string; readonly at: string }
  /** A cast that is already on, for techniques that work on one. */
  readonly device?: Device
  /** What the store held where this case takes from, when it was last looked at. */
  readonly store?: CaseStore
  readonly measurements: readonly Measurement[]
  readonly overrules: readonly Overrule[]
  readonly accepted: AcceptedPlan | null
  readonly runs: readonly RunRecord[]
  readonly crew?: readonly CrewMember[]
  readonly readBacks?: readonly ReadBackRecord[]
  /** What went wrong, in a run or between runs. */
  readonly troubles?: readonly TroubleRecord[]
  readonly appliedAt: string | null
  /** When the cast was last opened: rounds begin again from there. */
  readonly openedUpAt?: string
  readonly fit: readonly FitRecord[]
  readonly notes: readonly NoteRecord[]
  readonly removedAt: string | null
}

/** The stock of one place as a plan uses it. */
export interface CaseStore {
  readonly placeId: string
  readonly placeName: string
  readonly items: readonly StockItem[]
}

export interface CaseOpenedBody {
  readonly episodeId: string
  readonly injuryId: string
  readonly technique: string
  readonly replaces?: string
  readonly with?: readonly string[]
}
/** A wrongly filed reading leaves this case for another; the reason stays in the stream. */
export interface MovedOutBody {
  readonly key: string
  readonly toCase: string
  readonly reason: string
}
/** A reading that was filed in another case; the server adds it as it was taken there. */
export interface MovedInBody {
  readonly key: string
  readonly measurement: Measurement
  readonly fromCase: string
  readonly reason: string
}
export interface RunLeaseBody {
  readonly runId: string
  readonly device: string
}

export const defaultSetup: CaseSetup = { people: 2, waterC: 22, roomC: 21, backing: 'air', packSetMin: null, wearDays: null }

/**
 * Applies one event to a case. Unknown kinds leave it as it is.
 * @param record null only for the opening event
 */
export function foldCase(record: CaseRecord | null, streamId: string, stored: FoldableEvent): CaseRecord {
  const event = upcast(stored)
  if (event.kind === 'case-opened') {
    return {
      id: streamId,
      ...(event.body as CaseOpenedBody),
      openedAt: event.at,
      options: {},
      setup: defaultSetup,
      measurements: [],
      overrules: [],
      accepted: null,
      runs: [],
      appliedAt: null,
      fit: [],
      notes: [],
      removedAt: null,
    }
  }
  if (!record) throw new Error(`A case cannot begin with ${event.kind}`)
  const { at, actorName: by } = event
  switch (event.kind) {
    case 'reading':
      return { ...record, measurements: [...record.measurements, { ...(event.body as Measurement), key: event.id, at, by }] }
    case 'moved-out':
      return withoutReading(record, (event.body as MovedOutBody).key)
    case 'moved-in': {
      const { measurement } = event.body as MovedInBody
      return { ...record, measurements: [...record.measurements, { ...measurement, key: event.id }] }
    }
    case 'reading-withdrawn': {
      const { key } = event.body as { key: string }
      return withoutReading(record, key)
    }
    case 'technique':
      return {
        ...record,
        technique: (event.body as { technique: string }).technique,
        options: {},
        overrules: [],
        accepted: null,
      }
    case 'orders':
      return { ...record, orders: (event.body as { orders: Orders }).orders, ordersEntered: { by, at } }
    case 'device':
      return { ...record, device: (event.body as { device: Device }).device }
    case 'store':
      return { ...record, store: event.body as CaseStore }
    case 'options':
      return { ...record, options: (event.body as { options: CaseRecord['options'] }).options }
    case 'setup':
      return { ...record, setup: event.body as CaseSetup }
    case 'overrule':
      return {
        ...record,
        overrules: [...record.overrules, { ...(event.body as Pick<Overrule, 'decision' | 'caution' | 'value' | 'reason'>), by, at }],
      }
    case 'plan':
      return { ...record, accepted: { plan: (event.body as { plan: Plan }).plan, at, by } }
    case 'plan-dropped':
      return { ...record, accepted: null }
    case 'run-started': {
      const { runId } = event.body as RunStartedBody
      if (record.runs.some((run) => run.id === runId)) return record
      return { ...record, runs: [...record.runs, startRun(event)] }
    }
    case 'run-lease': {
      const { runId, device } = event.body as RunLeaseBody
      const driver: RunDriver = { device, by, at }
      // The later one drives, also when an earlier one comes late from a device that was offline.
      return changeRun(record, runId, (run) => (run.driver && Date.parse(run.driver.at) > Date.parse(at) ? run : { ...run, driver }))
    }
    case 'step':
    case 'timer':
    case 'timer-ended':
    case 'angle':
    case 'pull':
    case 'strap':
      return changeRun(record, (event.body as { runId: string }).runId, (run) => foldRun(run, event))
    case 'hand-over': {
      const { runId, place, from, to } = event.body as HandOverBody
      const crew = (record.crew ?? []).map((member) => (member.name === from && member.place === place ? { name: to, place } : member))
      return { ...changeRun(record, runId, (run) => foldRun(run, event)), crew }
    }
    case 'crew':
      return { ...record, crew: (event.body as { members: readonly CrewMember[] }).members }
    case 'read-back':
      return { ...record, readBacks: [...(record.readBacks ?? []), { ...(event.body as { what: string; orderedBy: string }), at, by }] }
    case 'trouble': {
      const { runId, ...body } = event.body as TroubleBody
      const trouble: TroubleRecord = { ...body, at, by }
      const noted = { ...record, troubles: [...(record.troubles ?? []), trouble] }
      return runId === null ? noted : changeRun(noted, runId, (run) => ({ ...run, troubles: [...(run.troubles ?? []), trouble] }))
    }
    case 'opened':
      return { ...record, openedUpAt: at }
    case 'applied':
      return { ...record, appliedAt: at }
    case 'fit':
      return { ...record, fit: [...record.fit, { ...(event.body as { testId: string; isGood: boolean; note: string }), at, by }] }
    case 'note':
      return { ...record, notes: [...record.notes, { text: (event.body as { text: string }).text, at, by }] }
    case 'removed':
      return { ...record, removedAt: at }
    default:
      return record
  }
}

function withoutReading(record: CaseRecord, key: string): CaseRecord {
  return { ...record, measurements: record.measurements.filter((one) => one.key !== key) }
}

function changeRun(record: CaseRecord, runId: string, change: (run: RunRecord) => RunRecord): CaseRecord {
  return { ...record, runs: record.runs.map((run) => (run.id === runId ? change(run) : run)) }
}
