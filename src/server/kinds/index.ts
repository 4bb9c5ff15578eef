// Made by `npm run kinds` from the files that there are: do not edit.
import type { BodyOf, EventKindId } from '#contract/events/index'
import { rules as troubleEnded } from './applying/trouble-ended'
import { rules as carriedIn } from './case/carried-in'
import { rules as caseOpened } from './case/case-opened'
import { rules as ended } from './case/ended'
import { rules as movedIn } from './case/moved-in'
import { rules as movedOut } from './case/moved-out'
import { rules as removed } from './case/removed'
import { rules as reopened } from './case/reopened'
import { rules as options } from './planning/options'
import { rules as ordered } from './planning/ordered'
import { rules as overrule } from './planning/overrule'
import { rules as planDropped } from './planning/plan-dropped'
import { rules as plan } from './planning/plan'
import { rules as protocol } from './planning/protocol'
import { rules as store } from './planning/store'
import { rules as technique } from './planning/technique'
import { rules as countersigned } from './rounds/countersigned'
import { rules as round } from './rounds/round'
import { rules as applied } from './run/applied'
import { rules as runStarted } from './run/run-started'
import { rules as sideAnswerUndone } from './side/side-answer-undone'
import { rules as sideChanged } from './side/side-changed'
import { rules as takenOff } from './side/taken-off'
import { rules as claimed } from './stay/claimed'
import { rules as flags } from './stay/flags'
import { rules as injury } from './stay/injury'
import { rules as lookedIn } from './stay/looked-in'
import { rules as merged } from './stay/merged'
import { rules as patientGiven } from './stay/patient-given'
import { rules as patientReceived } from './stay/patient-received'
import { rules as patient } from './stay/patient'
import { rules as unmerged } from './stay/unmerged'
import { rules as placeOpened } from './stock/place-opened'
import { rules as stockCounted } from './stock/stock-counted'
import { rules as stockReceived } from './stock/stock-received'
import { rules as stockReleased } from './stock/stock-released'
import { rules as stockReserved } from './stock/stock-reserved'
import { rules as stockTaken } from './stock/stock-taken'
import { rules as protocolDropped } from './ward/protocol-dropped'
import { rules as protocolInForce } from './ward/protocol-in-force'
import { rules as protocolSigned } from './ward/protocol-signed'
import type { CaseRules, PlaceRules, StayRules, WardRules } from './rules'

/** What the server does with events of a stream of type case beyond keeping and folding them. */
export const caseRules: { readonly [Id in EventKindId]?: CaseRules<BodyOf<Id>> } = {
  'trouble-ended': troubleEnded,
  'carried-in': carriedIn,
  'case-opened': caseOpened,
  ended,
  'moved-in': movedIn,
  'moved-out': movedOut,
  removed,
  reopened,
  options,
  ordered,
  overrule,
  'plan-dropped': planDropped,
  plan,
  protocol,
  store,
  technique,
  applied,
  'run-started': runStarted,
  'side-answer-undone': sideAnswerUndone,
  'side-changed': sideChanged,
  'taken-off': takenOff,
}

/** What the server does with events of a stream of type episode beyond keeping and folding them. */
export const stayRules: { readonly [Id in EventKindId]?: StayRules<BodyOf<Id>> } = {
  countersigned,
  round,
  claimed,
  flags,
  injury,
  'looked-in': lookedIn,
  merged,
  'patient-given': patientGiven,
  'patient-received': patientReceived,
  patient,
  unmerged,
}

/** What the server does with events of a stream of type ward beyond keeping and folding them. */
export const wardRules: { readonly [Id in EventKindId]?: WardRules<BodyOf<Id>> } = {
  'protocol-dropped': protocolDropped,
  'protocol-in-force': protocolInForce,
  'protocol-signed': protocolSigned,
}

/** What the server does with events of a stream of type place beyond keeping and folding them. */
export const placeRules: { readonly [Id in EventKindId]?: PlaceRules<BodyOf<Id>> } = {
  'place-opened': placeOpened,
  'stock-counted': stockCounted,
  'stock-received': stockReceived,
  'stock-released': stockReleased,
  'stock-reserved': stockReserved,
  'stock-taken': stockTaken,
}
