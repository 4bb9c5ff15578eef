// Made by `npm run kinds` from the files that there are: do not edit.
import { afterChange } from './applying/after-change'
import { angle } from './applying/angle'
import { pull } from './applying/pull'
import { setup } from './applying/setup'
import { strap } from './applying/strap'
import { troubleEnded } from './applying/trouble-ended'
import { trouble } from './applying/trouble'
import { underneath } from './applying/underneath'
import { carriedIn } from './case/carried-in'
import { caseOpened } from './case/case-opened'
import { ended } from './case/ended'
import { movedIn } from './case/moved-in'
import { movedOut } from './case/moved-out'
import { readingWithdrawn } from './case/reading-withdrawn'
import { reading } from './case/reading'
import { removed } from './case/removed'
import { reopened } from './case/reopened'
import { call } from './help/call'
import { incident } from './help/incident'
import { pageAsked } from './help/page-asked'
import { pageReceipt } from './help/page-receipt'
import { paged } from './help/paged'
import { response } from './help/response'
import { seniorDecision } from './help/senior-decision'
import { worry } from './help/worry'
import { access } from './people/access'
import { personAdded } from './people/person-added'
import { settings } from './people/settings'
import { device } from './planning/device'
import { options } from './planning/options'
import { ordered } from './planning/ordered'
import { orders } from './planning/orders'
import { overrule } from './planning/overrule'
import { planDropped } from './planning/plan-dropped'
import { planKept } from './planning/plan-kept'
import { plan } from './planning/plan'
import { protocol } from './planning/protocol'
import { store } from './planning/store'
import { technique } from './planning/technique'
import { countersigned } from './rounds/countersigned'
import { handOver } from './rounds/hand-over'
import { note } from './rounds/note'
import { readBack } from './rounds/read-back'
import { round } from './rounds/round'
import { takenOver } from './rounds/taken-over'
import { taskAdded } from './rounds/task-added'
import { taskDone } from './rounds/task-done'
import { applied } from './run/applied'
import { crew } from './run/crew'
import { fit } from './run/fit'
import { lots } from './run/lots'
import { opened } from './run/opened'
import { runLease } from './run/run-lease'
import { runStarted } from './run/run-started'
import { step } from './run/step'
import { timerEnded } from './run/timer-ended'
import { timer } from './run/timer'
import { identityChecked } from './side/identity-checked'
import { sideAnswerUndone } from './side/side-answer-undone'
import { sideAnswered } from './side/side-answered'
import { sideChanged } from './side/side-changed'
import { takenOff } from './side/taken-off'
import { asked } from './stay/asked'
import { claimed } from './stay/claimed'
import { confidential } from './stay/confidential'
import { episodeOpened } from './stay/episode-opened'
import { flags } from './stay/flags'
import { injury } from './stay/injury'
import { lookedIn } from './stay/looked-in'
import { merged } from './stay/merged'
import { patientGiven } from './stay/patient-given'
import { patientReceived } from './stay/patient-received'
import { patient } from './stay/patient'
import { place } from './stay/place'
import { unmerged } from './stay/unmerged'
import { placeOpened } from './stock/place-opened'
import { stockCounted } from './stock/stock-counted'
import { stockGone } from './stock/stock-gone'
import { stockImported } from './stock/stock-imported'
import { stockReceived } from './stock/stock-received'
import { stockReleased } from './stock/stock-released'
import { stockReserved } from './stock/stock-reserved'
import { stockTaken } from './stock/stock-taken'
import { areasSet } from './ward/areas-set'
import { chainSet } from './ward/chain-set'
import { protocolDrafted } from './ward/protocol-drafted'
import { protocolDropped } from './ward/protocol-dropped'
import { protocolInForce } from './ward/protocol-in-force'
import { protocolSigned } from './ward/protocol-signed'
import { rotaSet } from './ward/rota-set'
import { teamsSet } from './ward/teams-set'

/** Every kind of event, one file each: where it goes, whether it can conflict, who may write it, what it does to its record. */
export const eventKinds = {
  'after-change': afterChange,
  angle,
  pull,
  setup,
  strap,
  'trouble-ended': troubleEnded,
  trouble,
  underneath,
  'carried-in': carriedIn,
  'case-opened': caseOpened,
  ended,
  'moved-in': movedIn,
  'moved-out': movedOut,
  'reading-withdrawn': readingWithdrawn,
  reading,
  removed,
  reopened,
  call,
  incident,
  'page-asked': pageAsked,
  'page-receipt': pageReceipt,
  paged,
  response,
  'senior-decision': seniorDecision,
  worry,
  access,
  'person-added': personAdded,
  settings,
  device,
  options,
  ordered,
  orders,
  overrule,
  'plan-dropped': planDropped,
  'plan-kept': planKept,
  plan,
  protocol,
  store,
  technique,
  countersigned,
  'hand-over': handOver,
  note,
  'read-back': readBack,
  round,
  'taken-over': takenOver,
  'task-added': taskAdded,
  'task-done': taskDone,
  applied,
  crew,
  fit,
  lots,
  opened,
  'run-lease': runLease,
  'run-started': runStarted,
  step,
  'timer-ended': timerEnded,
  timer,
  'identity-checked': identityChecked,
  'side-answer-undone': sideAnswerUndone,
  'side-answered': sideAnswered,
  'side-changed': sideChanged,
  'taken-off': takenOff,
  asked,
  claimed,
  confidential,
  'episode-opened': episodeOpened,
  flags,
  injury,
  'looked-in': lookedIn,
  merged,
  'patient-given': patientGiven,
  'patient-received': patientReceived,
  patient,
  place,
  unmerged,
  'place-opened': placeOpened,
  'stock-counted': stockCounted,
  'stock-gone': stockGone,
  'stock-imported': stockImported,
  'stock-received': stockReceived,
  'stock-released': stockReleased,
  'stock-reserved': stockReserved,
  'stock-taken': stockTaken,
  'areas-set': areasSet,
  'chain-set': chainSet,
  'protocol-drafted': protocolDrafted,
  'protocol-dropped': protocolDropped,
  'protocol-in-force': protocolInForce,
  'protocol-signed': protocolSigned,
  'rota-set': rotaSet,
  'teams-set': teamsSet,
} as const
