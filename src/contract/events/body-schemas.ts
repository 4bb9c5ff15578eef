// Made by `npm run kinds` from the files that there are: do not edit.
import type Joi from 'joi'
import { schema as afterChange } from './applying/after-change.schema'
import { schema as angle } from './applying/angle.schema'
import { schema as pull } from './applying/pull.schema'
import { schema as setup } from './applying/setup.schema'
import { schema as strap } from './applying/strap.schema'
import { schema as troubleEnded } from './applying/trouble-ended.schema'
import { schema as trouble } from './applying/trouble.schema'
import { schema as underneath } from './applying/underneath.schema'
import { schema as carriedIn } from './case/carried-in.schema'
import { schema as caseOpened } from './case/case-opened.schema'
import { schema as ended } from './case/ended.schema'
import { schema as movedIn } from './case/moved-in.schema'
import { schema as movedOut } from './case/moved-out.schema'
import { schema as readingWithdrawn } from './case/reading-withdrawn.schema'
import { schema as reading } from './case/reading.schema'
import { schema as removed } from './case/removed.schema'
import { schema as reopened } from './case/reopened.schema'
import { schema as call } from './help/call.schema'
import { schema as incident } from './help/incident.schema'
import { schema as pageAsked } from './help/page-asked.schema'
import { schema as pageReceipt } from './help/page-receipt.schema'
import { schema as paged } from './help/paged.schema'
import { schema as response } from './help/response.schema'
import { schema as seniorDecision } from './help/senior-decision.schema'
import { schema as worry } from './help/worry.schema'
import { schema as access } from './people/access.schema'
import { schema as personAdded } from './people/person-added.schema'
import { schema as settings } from './people/settings.schema'
import { schema as device } from './planning/device.schema'
import { schema as options } from './planning/options.schema'
import { schema as ordered } from './planning/ordered.schema'
import { schema as orders } from './planning/orders.schema'
import { schema as overrule } from './planning/overrule.schema'
import { schema as planDropped } from './planning/plan-dropped.schema'
import { schema as planKept } from './planning/plan-kept.schema'
import { schema as plan } from './planning/plan.schema'
import { schema as protocol } from './planning/protocol.schema'
import { schema as store } from './planning/store.schema'
import { schema as technique } from './planning/technique.schema'
import { schema as countersigned } from './rounds/countersigned.schema'
import { schema as handOver } from './rounds/hand-over.schema'
import { schema as note } from './rounds/note.schema'
import { schema as readBack } from './rounds/read-back.schema'
import { schema as round } from './rounds/round.schema'
import { schema as takenOver } from './rounds/taken-over.schema'
import { schema as taskAdded } from './rounds/task-added.schema'
import { schema as taskDone } from './rounds/task-done.schema'
import { schema as applied } from './run/applied.schema'
import { schema as crew } from './run/crew.schema'
import { schema as fit } from './run/fit.schema'
import { schema as lots } from './run/lots.schema'
import { schema as opened } from './run/opened.schema'
import { schema as runLease } from './run/run-lease.schema'
import { schema as runStarted } from './run/run-started.schema'
import { schema as step } from './run/step.schema'
import { schema as timerEnded } from './run/timer-ended.schema'
import { schema as timer } from './run/timer.schema'
import { schema as identityChecked } from './side/identity-checked.schema'
import { schema as sideAnswerUndone } from './side/side-answer-undone.schema'
import { schema as sideAnswered } from './side/side-answered.schema'
import { schema as sideChanged } from './side/side-changed.schema'
import { schema as takenOff } from './side/taken-off.schema'
import { schema as asked } from './stay/asked.schema'
import { schema as claimed } from './stay/claimed.schema'
import { schema as confidential } from './stay/confidential.schema'
import { schema as episodeOpened } from './stay/episode-opened.schema'
import { schema as flags } from './stay/flags.schema'
import { schema as injury } from './stay/injury.schema'
import { schema as lookedIn } from './stay/looked-in.schema'
import { schema as merged } from './stay/merged.schema'
import { schema as patientGiven } from './stay/patient-given.schema'
import { schema as patientReceived } from './stay/patient-received.schema'
import { schema as patient } from './stay/patient.schema'
import { schema as place } from './stay/place.schema'
import { schema as unmerged } from './stay/unmerged.schema'
import { schema as placeOpened } from './stock/place-opened.schema'
import { schema as stockCounted } from './stock/stock-counted.schema'
import { schema as stockGone } from './stock/stock-gone.schema'
import { schema as stockImported } from './stock/stock-imported.schema'
import { schema as stockReceived } from './stock/stock-received.schema'
import { schema as stockReleased } from './stock/stock-released.schema'
import { schema as stockReserved } from './stock/stock-reserved.schema'
import { schema as stockTaken } from './stock/stock-taken.schema'
import { schema as areasSet } from './ward/areas-set.schema'
import { schema as chainSet } from './ward/chain-set.schema'
import { schema as protocolDrafted } from './ward/protocol-drafted.schema'
import { schema as protocolDropped } from './ward/protocol-dropped.schema'
import { schema as protocolInForce } from './ward/protocol-in-force.schema'
import { schema as protocolSigned } from './ward/protocol-signed.schema'
import { schema as rotaSet } from './ward/rota-set.schema'
import { schema as teamsSet } from './ward/teams-set.schema'
import type { EventKindId } from './index'

/** The body of each kind of event. */
export const eventBodySchemas: Readonly<Record<EventKindId, Joi.ObjectSchema>> = {
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
}
