import { afterChange } from './after-change'
import { angle } from './angle'
import { applied } from './applied'
import { call } from './call'
import { areasSet } from './areas-set'
import { carriedIn } from './carried-in'
import { asked } from './asked'
import { caseOpened } from './case-opened'
import { chainSet } from './chain-set'
import { claimed } from './claimed'
import { countersigned } from './countersigned'
import { crew } from './crew'
import { device } from './device'
import { ended } from './ended'
import { episodeOpened } from './episode-opened'
import { fit } from './fit'
import { flags } from './flags'
import { handOver } from './hand-over'
import { identityChecked } from './identity-checked'
import { incident } from './incident'
import { lots } from './lots'
import { injury } from './injury'
import { merged } from './merged'
import { movedIn } from './moved-in'
import { movedOut } from './moved-out'
import { note } from './note'
import { opened } from './opened'
import { options } from './options'
import { orders } from './orders'
import { overrule } from './overrule'
import { paged } from './paged'
import { pageReceipt } from './page-receipt'
import { patient } from './patient'
import { access } from './access'
import { personAdded } from './person-added'
import { place } from './place'
import { placeOpened } from './place-opened'
import { plan } from './plan'
import { planDropped } from './plan-dropped'
import { planKept } from './plan-kept'
import { protocol } from './protocol'
import { protocolDrafted } from './protocol-drafted'
import { protocolDropped } from './protocol-dropped'
import { protocolInForce } from './protocol-in-force'
import { protocolSigned } from './protocol-signed'
import { pull } from './pull'
import { readBack } from './read-back'
import { reading } from './reading'
import { readingWithdrawn } from './reading-withdrawn'
import { removed } from './removed'
import { reopened } from './reopened'
import { response } from './response'
import { rotaSet } from './rota-set'
import { round } from './round'
import { runLease } from './run-lease'
import { runStarted } from './run-started'
import { seniorDecision } from './senior-decision'
import { settings } from './settings'
import { setup } from './setup'
import { sideAnswered } from './side-answered'
import { sideAnswerUndone } from './side-answer-undone'
import { underneath } from './underneath'
import { takenOff } from './taken-off'
import { sideChanged } from './side-changed'
import { step } from './step'
import { stockCounted } from './stock-counted'
import { stockGone } from './stock-gone'
import { stockImported } from './stock-imported'
import { stockReceived } from './stock-received'
import { stockReleased } from './stock-released'
import { stockReserved } from './stock-reserved'
import { stockTaken } from './stock-taken'
import { store } from './store'
import { strap } from './strap'
import { takenOver } from './taken-over'
import { taskAdded } from './task-added'
import { taskDone } from './task-done'
import { teamsSet } from './teams-set'
import { technique } from './technique'
import { timer } from './timer'
import { timerEnded } from './timer-ended'
import { trouble } from './trouble'
import { troubleEnded } from './trouble-ended'
import { unmerged } from './unmerged'
import type { EventKind } from './kind'
import { worry } from './worry'

/** Every kind of event, one file each: where it goes, whether it can conflict, who may write it, what it does to its record. */
export const eventKinds = {
  'episode-opened': episodeOpened,
  patient,
  asked,
  flags,
  injury,
  place,
  round,
  merged,
  unmerged,
  claimed,
  countersigned,
  'case-opened': caseOpened,
  'carried-in': carriedIn,
  reading,
  'moved-out': movedOut,
  'moved-in': movedIn,
  'reading-withdrawn': readingWithdrawn,
  technique,
  protocol,
  orders,
  device,
  store,
  options,
  setup,
  overrule,
  plan,
  'plan-dropped': planDropped,
  'plan-kept': planKept,
  'side-changed': sideChanged,
  'side-answered': sideAnswered,
  'side-answer-undone': sideAnswerUndone,
  underneath,
  'taken-off': takenOff,
  'identity-checked': identityChecked,
  'run-started': runStarted,
  'run-lease': runLease,
  step,
  timer,
  'timer-ended': timerEnded,
  angle,
  pull,
  strap,
  'after-change': afterChange,
  trouble,
  'trouble-ended': troubleEnded,
  response,
  call,
  paged,
  'page-receipt': pageReceipt,
  'senior-decision': seniorDecision,
  crew,
  'hand-over': handOver,
  'read-back': readBack,
  opened,
  applied,
  fit,
  'task-done': taskDone,
  'task-added': taskAdded,
  worry,
  'taken-over': takenOver,
  note,
  incident,
  lots,
  'stock-gone': stockGone,
  removed,
  ended,
  reopened,
  'place-opened': placeOpened,
  'stock-counted': stockCounted,
  'stock-imported': stockImported,
  'stock-received': stockReceived,
  'stock-taken': stockTaken,
  'stock-reserved': stockReserved,
  'stock-released': stockReleased,
  'areas-set': areasSet,
  'teams-set': teamsSet,
  'protocol-signed': protocolSigned,
  'protocol-in-force': protocolInForce,
  'protocol-drafted': protocolDrafted,
  'protocol-dropped': protocolDropped,
  'chain-set': chainSet,
  'rota-set': rotaSet,
  access,
  'person-added': personAdded,
  settings,
} as const

export type EventKindId = keyof typeof eventKinds
/** The body of a kind. */
export type BodyOf<Kind extends EventKindId> = (typeof eventKinds)[Kind]['example']

/** The kind with an id, or null. */
export function findEventKind(id: string): EventKind | null {
  return Object.hasOwn(eventKinds, id) ? (eventKinds[id as EventKindId] as unknown as EventKind) : null
}
