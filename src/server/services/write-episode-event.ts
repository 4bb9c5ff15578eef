import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import { DateTime } from 'luxon'
import type { EpisodeRecord, PatientDetails } from '#contract/records/episode'
import type { CaseRecord } from '#contract/records/case'
import type { MergedBody } from '#contract/events/merged'
import type { InjuryBody } from '#contract/events/injury'
import { ageFromBirth } from '#contract/views/age-from-birth'
import { isIdentityRead, isOtherPlace } from '#contract/records/side-change'
import { hasRight, mayChangeSide, mayCorrect } from '#contract/rights'
import { foldEpisode } from '#contract/events/fold'
import type { BodyOf } from '#contract/events/index'
import type { SaidOfCase } from '#contract/events/kind'
import { ofCase } from '#contract/events/of-case'
import type { RoundBody } from '#contract/events/round'
import { ApiError, invalidInput } from '../ground/api-error'
import { headOf } from '../repositories/streams'
import type { Actor, AppendDeps, Writing } from './writing'
import { boardRowOf } from './board-row'
import { checkCaseClaim } from './case-claims'
import { awaitCountersign, countersign } from './countersigning'
import { checkHead, sealEvent } from './seal-event'
import { settleReservations } from './settle-reservations'
import { writeForCase, type LockedCase } from './write-for-case'

/** Keeps an event of a stay, and brings the Board's line of each of its cases up to date from what is locked. */
export async function writeEpisodeEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { input } = writing
  const { id } = input.stream
  const before = await deps.streams.lockEpisode(id, transaction)
  checkHead(input, headOf(before), before?.record ?? null)
  const cases = before ? await deps.streams.lockCasesOf(id, transaction) : []
  if (before && input.kind === 'round') {
    checkRound(
      input.body as RoundBody,
      writing.time.at,
      before.record,
      cases.map((one) => one.record.id),
    )
    checkCorrection(input.body as RoundBody, before.record, writing.actor)
  }
  if (before && input.kind === 'patient') checkBirth(input.body as PatientDetails, new Date(deps.clock()).toISOString(), before.record.zone)
  if (before && (input.kind === 'injury' || input.kind === 'flags')) {
    checkWhatIsKnown(
      input,
      before.record,
      cases.map((one) => one.record),
      writing.actor,
    )
  }
  const body = before && input.kind === 'merged' ? await withPatient(deps, before.record, input.body as MergedBody, transaction) : null
  if (before && input.kind === 'unmerged') checkUnmerge(before.record)
  if (before && input.kind === 'claimed') checkClaim(before.record)
  const { event, head } = await sealEvent(deps, writing, headOf(before), transaction, body ? { body } : {})
  await awaitCountersign(deps, event, writing.actor, id, transaction)
  if (event.kind === 'countersigned') await countersign(deps, event, transaction)
  const episode = foldEpisode(before?.record ?? null, id, event)
  await deps.streams.saveEpisode(episode, head, new Date(event.receivedAt), transaction)
  for (const locked of cases) {
    const said = before && ofCase(event, before.record, locked.record)
    if (said) await writeSaid(deps, { locked, episode }, said, event, writing.actor, transaction)
    else await deps.streams.saveBoardRow(locked.record.id, boardRowOf(locked.record, episode, locked.board.live, deps.clock()), transaction)
  }
  return event
}

/**
 * Keeps what an event of a stay says of one of its cases, where whoever wrote it may say that of the case; what an acceptance that ends with it
 * had set aside goes back.
 */
async function writeSaid(
  deps: AppendDeps,
  at: LockedCase,
  { kind, body }: SaidOfCase,
  cause: StoredEvent,
  actor: Actor,
  transaction: Transaction,
): Promise<void> {
  checkCaseClaim({ kind, body, at: cause.at }, at.locked.record, actor)
  const { event, record } = await writeForCase(deps, at, kind, body as BodyOf<typeof kind>, cause, transaction)
  await awaitCountersign(deps, event, actor, at.episode.id, transaction)
  if (at.locked.record.accepted !== null && record.accepted === null) await settleReservations(deps, event, record.id, transaction)
}

/**
 * Once a plan is accepted, flags taken away, side, region and pattern are a clinician's; once they were read aloud, the latter need a reason.
 * Adding a flag is anybody's who may add.
 */
function checkWhatIsKnown(input: Writing['input'], episode: EpisodeRecord, cases: readonly CaseRecord[], actor: Actor): void {
  const body = input.body as Partial<InjuryBody> & { readonly flags?: readonly string[] }
  const { injuryId = '', injury } = body
  const known = episode.injuries[injuryId]
  const bound = cases.filter((one) => one.removedAt === null && (injury === undefined || one.injuryId === injuryId))
  const isOther = injury !== undefined && isOtherPlace(known, injury)
  const [had, has] = injury === undefined ? [episode.flags, body.flags ?? []] : [known?.flags ?? [], injury.flags]
  const isTakenAway = (had as readonly string[]).some((flag) => !(has as readonly string[]).includes(flag))
  const isSideRead = isOther && bound.some(isIdentityRead)
  if (isSideRead && !bound.every((one) => mayChangeSide(actor.roles, one.accepted !== null)))
    throw new ApiError(403, 'no-right', 'Side, region and pattern were read aloud: they are a clinician’s to change. Ask one.')
  if (!hasRight(actor.roles, 'decide') && (isOther || isTakenAway) && bound.some((one) => one.accepted !== null))
    throw new ApiError(
      403,
      'no-right',
      'The plan is accepted: flags taken away, side, region and pattern are a clinician’s from then on. Ask one.',
    )
  if (isSideRead && body.reason === undefined) {
    throw invalidInput([
      {
        code: 'missing',
        path: 'body/reason',
        message: 'Side, region and pattern were read aloud already: say in reason why they change, and read them aloud again.',
      },
    ])
  }
}

/** A round is put right by whoever entered it, or by a clinician; one that is not there cannot be. */
function checkCorrection({ corrects }: RoundBody, episode: EpisodeRecord, actor: Actor): void {
  if (!corrects) return
  const wrong = episode.rounds.find((one) => one.id === corrects.round)
  if (!wrong) {
    throw invalidInput([
      {
        code: 'not-known',
        path: 'body/corrects/round',
        message: 'This round is not there, or was put right already: take the one that counts now.',
      },
    ])
  }
  if (!mayCorrect(wrong, actor))
    throw new ApiError(403, 'no-right', `${wrong.by} entered this round: ask them, or a clinician, to put it right.`)
}

/** Who the patient of the other stay is, as it is known there. */
async function withPatient(deps: AppendDeps, record: EpisodeRecord, body: MergedBody, transaction: Transaction): Promise<MergedBody> {
  const { withEpisode, reason } = body
  const other = await deps.streams.findEpisode(withEpisode, transaction)
  const refuse = (code: 'not-known' | 'format', message: string): never => {
    throw invalidInput([{ code, path: 'body/withEpisode', message }])
  }
  if (!other) return refuse('not-known', 'There is no such stay: look the patient up in the history.')
  if (other.record.patientId === record.patientId) return refuse('format', 'Both are of one patient already: there is nothing to merge.')
  const { patientId, patient } = other.record
  return { withEpisode, reason, into: { patientId, patient: completedBy(patient, record.patient) } }
}

/** Who somebody is, with what is known here alone: a weight that a plan was made with is not lost by a name. */
function completedBy(known: PatientDetails, here: PatientDetails): PatientDetails {
  return {
    ...known,
    born: known.born || here.born,
    number: known.number || here.number,
    sex: known.sex || here.sex,
    heightCm: known.heightCm ?? here.heightCm,
    ...(known.massKg === null ? { massKg: here.massKg, isMassEstimated: here.isMassEstimated } : {}),
    ...(known.ageYears === null ? { ageYears: here.ageYears, isAgeEstimated: here.isAgeEstimated } : {}),
  }
}

function checkUnmerge(record: EpisodeRecord): void {
  if (record.merges?.some((one) => !one.undone)) return
  throw invalidInput([{ code: 'format', path: 'kind', message: 'Nothing was merged into this stay that could be undone.' }])
}

/** Somebody answers for a stay once. */
function checkClaim({ unattributed }: EpisodeRecord): void {
  if (unattributed && !unattributed.claimed) return
  const message = unattributed?.claimed
    ? `${unattributed.claimed.by} has claimed this stay already: add a note if there is more to say.`
    : 'Somebody with an account began this stay: there is nothing to claim.'
  throw invalidInput([{ code: 'format', path: 'kind', message }])
}

/** Nobody is born tomorrow, nor on a day that there is not. */
function checkBirth({ born }: PatientDetails, now: string, zone: string): void {
  const age = ageFromBirth(born, now, zone)
  if (age && 'problem' in age) throw invalidInput([{ code: 'format', path: 'body/born', message: age.problem }])
}

/** A round serves cases of its own stay, and nobody is looked at before they are born. */
function checkRound(body: RoundBody, at: string, episode: EpisodeRecord, caseIds: readonly string[]): void {
  const stranger = body.cases.findIndex((one) => !caseIds.includes(one))
  if (stranger >= 0) {
    throw invalidInput([
      {
        code: 'not-known',
        path: `body/cases/${stranger}`,
        message: 'This case does not belong to the stay: name cases of this patient’s stay.',
      },
    ])
  }
  const born = DateTime.fromISO(episode.patient.born, { zone: episode.zone })
  if (!born.isValid || DateTime.fromISO(at) >= born) return
  throw invalidInput([
    { code: 'format', path: 'at', message: `The round is timed before the patient was born (${episode.patient.born}): check its time.` },
  ])
}
