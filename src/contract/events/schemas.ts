import Joi from 'joi'
import { schema as afterChange } from './after-change.schema'
import { schema as angle } from './angle.schema'
import { schema as applied } from './applied.schema'
import { schema as call } from './call.schema'
import { schema as areasSet } from './areas-set.schema'
import { schema as carriedIn } from './carried-in.schema'
import { schema as caseOpened } from './case-opened.schema'
import { schema as chainSet } from './chain-set.schema'
import { schema as claimed } from './claimed.schema'
import { schema as countersigned } from './countersigned.schema'
import { schema as crew } from './crew.schema'
import { schema as device } from './device.schema'
import { schema as ended } from './ended.schema'
import { schema as episodeOpened } from './episode-opened.schema'
import { schema as fit } from './fit.schema'
import { schema as asked } from './asked.schema'
import { schema as flags } from './flags.schema'
import { schema as handOver } from './hand-over.schema'
import { schema as identityChecked } from './identity-checked.schema'
import { schema as incident } from './incident.schema'
import { schema as lots } from './lots.schema'
import { schema as stockGone } from './stock-gone.schema'
import { schema as injury } from './injury.schema'
import { schema as merged } from './merged.schema'
import { schema as movedIn } from './moved-in.schema'
import { schema as movedOut } from './moved-out.schema'
import { schema as note } from './note.schema'
import { schema as opened } from './opened.schema'
import { schema as options } from './options.schema'
import { schema as orders } from './orders.schema'
import { schema as overrule } from './overrule.schema'
import { schema as paged } from './paged.schema'
import { schema as pageReceipt } from './page-receipt.schema'
import { schema as patient } from './patient.schema'
import { schema as access } from './access.schema'
import { schema as personAdded } from './person-added.schema'
import { schema as place } from './place.schema'
import { schema as placeOpened } from './place-opened.schema'
import { schema as plan } from './plan.schema'
import { schema as planDropped } from './plan-dropped.schema'
import { schema as planKept } from './plan-kept.schema'
import { schema as protocol } from './protocol.schema'
import { schema as protocolDrafted } from './protocol-drafted.schema'
import { schema as protocolDropped } from './protocol-dropped.schema'
import { schema as protocolInForce } from './protocol-in-force.schema'
import { schema as protocolSigned } from './protocol-signed.schema'
import { schema as pull } from './pull.schema'
import { schema as readBack } from './read-back.schema'
import { schema as reading } from './reading.schema'
import { schema as readingWithdrawn } from './reading-withdrawn.schema'
import { schema as removed } from './removed.schema'
import { schema as reopened } from './reopened.schema'
import { schema as response } from './response.schema'
import { schema as rotaSet } from './rota-set.schema'
import { schema as round } from './round.schema'
import { schema as runLease } from './run-lease.schema'
import { schema as runStarted } from './run-started.schema'
import { schema as seniorDecision } from './senior-decision.schema'
import { schema as settings } from './settings.schema'
import { schema as setup } from './setup.schema'
import { schema as sideAnswered } from './side-answered.schema'
import { schema as sideAnswerUndone } from './side-answer-undone.schema'
import { schema as underneath } from './underneath.schema'
import { schema as takenOff } from './taken-off.schema'
import { schema as sideChanged } from './side-changed.schema'
import { schema as step } from './step.schema'
import { schema as stockCounted } from './stock-counted.schema'
import { schema as stockImported } from './stock-imported.schema'
import { schema as stockReceived } from './stock-received.schema'
import { schema as stockReleased } from './stock-released.schema'
import { schema as stockReserved } from './stock-reserved.schema'
import { schema as stockTaken } from './stock-taken.schema'
import { schema as store } from './store.schema'
import { schema as strap } from './strap.schema'
import { schema as takenOver } from './taken-over.schema'
import { schema as taskAdded } from './task-added.schema'
import { schema as taskDone } from './task-done.schema'
import { schema as teamsSet } from './teams-set.schema'
import { schema as technique } from './technique.schema'
import { schema as timer } from './timer.schema'
import { schema as timerEnded } from './timer-ended.schema'
import { schema as trouble } from './trouble.schema'
import { schema as troubleEnded } from './trouble-ended.schema'
import { schema as unmerged } from './unmerged.schema'
import type { EventKindId } from './index'
import { streamTypes } from '../event'
import { greatestInteger, instant, uuid } from '../field-schemas'
import { schema as worry } from './worry.schema'

/** The body of each kind of event. */
export const eventBodySchemas: Readonly<Record<EventKindId, Joi.ObjectSchema>> = {
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
}

/** The envelope of an event; its body is checked by kind afterwards. */
export const eventSchema = Joi.object({
  id: uuid.required(),
  stream: Joi.object({ type: Joi.valid(...streamTypes).required(), id: uuid.required() }).required(),
  kind: Joi.valid(...Object.keys(eventBodySchemas)).required(),
  v: Joi.number().integer().min(1).max(1000).required(),
  body: Joi.object().required(),
  at: instant.required(),
  offsetMs: Joi.number().integer().min(-86_400_000).max(86_400_000).required(),
  base: Joi.number().integer().min(0).max(greatestInteger),
  queued: Joi.valid(true),
})
