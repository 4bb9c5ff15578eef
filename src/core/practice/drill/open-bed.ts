import type { Protocol } from '../../quantities/defaults'
import type { RoundInput } from '../../model/observation'
import { checksBefore, checksOf } from './bed-checks'
import type { HiddenBody } from './draw-body'
import type { NightEntry, ShownLook } from './drill-state'
import { atEase, bodyAtStart, isAsleep, nextMinute, painOf, type BodyState } from './hidden-body'
import { roundsOf, type BedRecord } from './judge-bed'
import type { Night } from './nights'
import { showFindings } from './show-findings'

/** Urgent is answered within so long. */
const answerMin = 15
/** Who is in bad pain and awake rings, and rings again. */
const ringsAtPain = 7
const ringsAgainMin = 45
const ringsLagMin = 10
const sampleMin = 5

/** One bed as the night goes on in it. */
export interface OpenBed {
  readonly body: HiddenBody
  state: BodyState
  record: BedRecord
  look: ShownLook | null
  readonly shown: RoundInput[]
  readonly history: { atMin: number; pressureKPa: number }[]
  aboveMin: number
  unanswered: number
  needless: number
  late: number
  lateSeenMin: number
  urgentSinceMin: number | null
  /** The last look that showed something urgent. */
  urgentLookMin: number | null
  answeredAtMin: number | null
  painSinceMin: number | null
  rangAtMin: number | null
  seniorAtMin: number | null
}

/** The night around a bed: what counts in it, and where its log is kept. */
export interface BedNight {
  readonly night: Night
  readonly protocol: Protocol
  /** Pressure above which a limb suffers, kPa. */
  readonly limitKPa: number
  readonly note: (bed: OpenBed, kind: NightEntry['kind'], text: string) => void
}

/** A bed as the shift before left it. */
export function openBed(body: HiddenBody, seed: string, protocol: Protocol): OpenBed {
  const state = bodyAtStart(body, protocol)
  const before = [firstRound(body, seed, body.onAtMin, true), firstRound(body, seed, -Math.min(20, -body.onAtMin / 2), false)]
  return {
    body,
    state,
    record: { rounds: before, responses: [], calls: [], checks: checksBefore(body), openedAtMin: null },
    look: null,
    shown: [...before],
    history: [{ atMin: 0, pressureKPa: state.pressureKPa }],
    aboveMin: 0,
    unanswered: 0,
    needless: 0,
    late: 0,
    lateSeenMin: 0,
    urgentSinceMin: null,
    urgentLookMin: null,
    answeredAtMin: null,
    painSinceMin: null,
    rangAtMin: null,
    seniorAtMin: null,
  }
}

/** A minute passes: the body goes on, the senior comes who was called, and who hurts rings. */
export function passMinute(bed: OpenBed, atMin: number, night: BedNight): void {
  const { protocol, limitKPa, note } = night
  bed.state = nextMinute(bed.body, bed.state, atMin, protocol)
  if (bed.state.pressureKPa > limitKPa) bed.aboveMin++
  if (atMin % sampleMin === 0) bed.history.push({ atMin, pressureKPa: bed.state.pressureKPa })
  if (bed.seniorAtMin === atMin) senior(bed, night)
  const hurts = painOf(bed.body, bed.state, atMin) >= ringsAtPain && !isAsleep(bed.body, bed.state, atMin)
  bed.painSinceMin = hurts ? (bed.painSinceMin ?? atMin) : null
  const rests = bed.rangAtMin === null || atMin - bed.rangAtMin >= ringsAgainMin
  if (bed.painSinceMin !== null && atMin - bed.painSinceMin >= ringsLagMin && rests) {
    bed.rangAtMin = atMin
    note(bed, 'rings', 'Rings: it hurts.')
  }
}

/** Whoever was called comes, and relieves what is still above the limit. */
function senior(bed: OpenBed, { limitKPa, note }: BedNight): void {
  bed.seniorAtMin = null
  const isNeeded = bed.state.pressureKPa > limitKPa || bed.state.loadMin > bed.body.nerveMin[1]
  if (isNeeded) bed.state = { ...bed.state, isRelieved: true }
  note(bed, 'senior', isNeeded ? 'The senior came, and relieved it.' : 'The senior came, and found room.')
}

/** Rounds and checks that ran out of their grace since it was last counted. */
export function countLate(bed: OpenBed, atMin: number, { night, protocol }: BedNight): void {
  for (const round of roundsOf(night, bed.body, bed.record, protocol)) {
    const endsMin = (round.dueAt - Date.parse(night.beginsAt)) / 60_000 + round.graceMin
    if (round.doneAt === null && endsMin > bed.lateSeenMin && endsMin <= atMin) bed.late++
  }
  for (const { dueMin, graceMin } of checksOf(night, bed.body, bed.record)) {
    if (dueMin + graceMin > bed.lateSeenMin && dueMin + graceMin <= atMin) bed.late++
  }
  bed.lateSeenMin = Math.max(bed.lateSeenMin, atMin)
}

/** The night ends in a bed: what ran out is counted, and its curve ends there. */
export function closeBed(bed: OpenBed, atMin: number, endMin: number, night: BedNight): void {
  if (bed.lateSeenMin >= endMin) return
  countLate(bed, atMin, night)
  if (bed.urgentSinceMin !== null && endMin - bed.urgentSinceMin > answerMin) bed.unanswered++
  bed.urgentSinceMin = null
  if (bed.history.at(-1)?.atMin !== endMin) bed.history.push({ atMin: endMin, pressureKPa: bed.state.pressureKPa })
}

/** Somebody does something about what was seen. */
export function answerBed(bed: OpenBed, atMin: number): void {
  // What is done before anything was seen answers nothing that is seen later.
  if (bed.urgentSinceMin === null) return
  if (atMin - bed.urgentSinceMin > answerMin) bed.unanswered++
  bed.urgentSinceMin = null
  bed.answeredAtMin = atMin
}

/** How the shift before found everybody. */
const quietGrowth = 0.01
const quietKPa = 1

/** A round that the shift before did and wrote down as it was. */
function firstRound(body: HiddenBody, seed: string, atMin: number, isBaseline: boolean): RoundInput {
  const { limbs } = showFindings({ ...body, asleep: [], refuses: false }, atEase(quietGrowth, quietKPa), atMin, seed, true)
  return { atMin: Math.round(atMin), ...(isBaseline ? { baseline: true } : {}), limbs }
}
