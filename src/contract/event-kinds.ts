import type { StreamType } from './event'
import type { Right } from './rights'

export interface EventKind {
  readonly stream: StreamType
  /** Additive events never conflict; replacing ones name the version they were based on. */
  readonly nature: 'opening' | 'additive' | 'replacing'
  readonly right: Right | 'self'
  /** What the core thinks of the case may change with it, and is said in the answer. */
  readonly bearsOnPlan?: true
}

/** Every kind of event: where it goes, whether it can conflict, who may write it. */
export const eventKinds = {
  'episode-opened': { stream: 'episode', nature: 'opening', right: 'add' },
  patient: { stream: 'episode', nature: 'replacing', right: 'add' },
  flags: { stream: 'episode', nature: 'replacing', right: 'add' },
  injury: { stream: 'episode', nature: 'replacing', right: 'add' },
  place: { stream: 'episode', nature: 'replacing', right: 'add' },
  round: { stream: 'episode', nature: 'additive', right: 'add' },
  'case-opened': { stream: 'case', nature: 'opening', right: 'add' },
  reading: { stream: 'case', nature: 'additive', right: 'add', bearsOnPlan: true },
  'moved-out': { stream: 'case', nature: 'replacing', right: 'move', bearsOnPlan: true },
  'moved-in': { stream: 'case', nature: 'additive', right: 'move', bearsOnPlan: true },
  'reading-withdrawn': { stream: 'case', nature: 'additive', right: 'add', bearsOnPlan: true },
  technique: { stream: 'case', nature: 'replacing', right: 'add', bearsOnPlan: true },
  orders: { stream: 'case', nature: 'replacing', right: 'add', bearsOnPlan: true },
  device: { stream: 'case', nature: 'replacing', right: 'add', bearsOnPlan: true },
  store: { stream: 'case', nature: 'replacing', right: 'add', bearsOnPlan: true },
  options: { stream: 'case', nature: 'replacing', right: 'add', bearsOnPlan: true },
  setup: { stream: 'case', nature: 'replacing', right: 'add', bearsOnPlan: true },
  overrule: { stream: 'case', nature: 'replacing', right: 'decide', bearsOnPlan: true },
  plan: { stream: 'case', nature: 'replacing', right: 'decide' },
  'run-started': { stream: 'case', nature: 'additive', right: 'add' },
  'run-lease': { stream: 'case', nature: 'additive', right: 'add' },
  step: { stream: 'case', nature: 'additive', right: 'add' },
  timer: { stream: 'case', nature: 'additive', right: 'add' },
  'timer-ended': { stream: 'case', nature: 'additive', right: 'add' },
  angle: { stream: 'case', nature: 'additive', right: 'add' },
  pull: { stream: 'case', nature: 'additive', right: 'add' },
  strap: { stream: 'case', nature: 'additive', right: 'add' },
  trouble: { stream: 'case', nature: 'additive', right: 'add' },
  crew: { stream: 'case', nature: 'additive', right: 'add' },
  'hand-over': { stream: 'case', nature: 'additive', right: 'add' },
  'read-back': { stream: 'case', nature: 'additive', right: 'add' },
  opened: { stream: 'case', nature: 'additive', right: 'add' },
  applied: { stream: 'case', nature: 'additive', right: 'add' },
  fit: { stream: 'case', nature: 'additive', right: 'add' },
  note: { stream: 'case', nature: 'additive', right: 'add' },
  'plan-dropped': { stream: 'case', nature: 'additive', right: 'decide' },
  removed: { stream: 'case', nature: 'replacing', right: 'decide' },
  'place-opened': { stream: 'place', nature: 'opening', right: 'manage-protocols' },
  'stock-counted': { stream: 'place', nature: 'additive', right: 'add' },
  'stock-received': { stream: 'place', nature: 'additive', right: 'add' },
  'stock-taken': { stream: 'place', nature: 'additive', right: 'add' },
  'stock-reserved': { stream: 'place', nature: 'additive', right: 'add' },
  'stock-released': { stream: 'place', nature: 'additive', right: 'add' },
  'person-added': { stream: 'person', nature: 'opening', right: 'manage-people' },
  settings: { stream: 'person', nature: 'replacing', right: 'self' },
} as const satisfies Record<string, EventKind>

export type EventKindId = keyof typeof eventKinds

/** The kind with an id, or null. */
export function findEventKind(id: string): EventKind | null {
  return Object.hasOwn(eventKinds, id) ? eventKinds[id as EventKindId] : null
}
