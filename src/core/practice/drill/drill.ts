import { readDefaults, type Protocol } from '../../quantities/defaults'
import { roomDefaults } from '../../figures/swelling/room'
import type { RoundInput } from '../../model/observation'
import { taskMinuteDefaults } from '../../rounds/task-minutes'
import { openingAction } from '../../standing/action-words'
import { drawBodies, type HiddenBody } from './draw-body'
import { isAsleep, limitPassedAt } from './hidden-body'
import { checkMinutes, checksNow, type BedCheck } from './bed-checks'
import type { DrillState, Move, NightEntry } from './drill-state'
import { standBed } from './judge-bed'
import type { Night } from './nights'
import { answerBed, closeBed, countLate, openBed, passMinute, type BedNight, type OpenBed } from './open-bed'
import { showFindings } from './show-findings'

/** A night that goes on: time passes, a player does things, and nothing of it is undone. */
export interface Drill {
  readonly state: () => DrillState
  /** Lets time pass up to a minute of the night. */
  readonly advanceTo: (atMin: number) => void
  /** Ends the night now: what is owed later is no longer counted. */
  readonly end: () => void
  /** Does something at its minute, and lets pass the time that it takes. @throws RangeError for a bed that there is not */
  readonly apply: (move: Move) => void
  /** When the limit will be passed in a bed if nobody does anything: for who knows the truth. */
  readonly limitPassedAt: (bed: number) => number | null
}

const walkMin = { least: 1, perBed: 0.1 } as const
const wakeMin = 1
/** Minutes of each thing that is done at a bed, without the way to it. */
export const actMinutes = { look: 3, raise: 1, relieve: 4, cord: 5, call: 3 } as const
const slabOpenMin = 8
const pullEaseMin = 4
/** Pain relief works so long. */
const reliefMin = 240
/** What was urgent and answered is not asked again for so long. */
const answeredForMin = 60

/**
 * Begins a night. The same night, seed and moves give the same to the minute: noise is drawn from seed, bed and minute, not from what was done before.
 * @param seed any text, such as 40 digits
 * @param untilMin where it ends before the morning
 */
export function startDrill(night: Night, seed: string, protocol: Protocol, untilMin = night.hours * 60): Drill {
  const morningMin = night.hours * 60
  let endMin = Math.min(morningMin, untilMin)
  const { limitKPa } = readDefaults(roomDefaults, protocol)
  const minutes = readDefaults(taskMinuteDefaults, protocol)
  const log: NightEntry[] = []
  let atMin = 0
  let where = 0
  const beds = drawBodies(night, seed, protocol).map((body) => openBed(body, seed, protocol))
  const nowIn: BedNight = { night, protocol, limitKPa, note }

  function advanceTo(toMin: number): void {
    const until = Math.min(endMin, Math.ceil(toMin - 1e-9))
    for (; atMin < until;) {
      atMin++
      for (const bed of beds) passMinute(bed, atMin, nowIn)
    }
    if (atMin >= endMin) for (const bed of beds) closeBed(bed, atMin, endMin, nowIn)
  }

  function note(bed: OpenBed, kind: NightEntry['kind'], text: string): void {
    log.push({ atMin, bed: bed.body.bed, kind, text })
  }

  function look(bed: OpenBed, wakes: boolean): void {
    const wasAsleep = isAsleep(bed.body, bed.state, atMin)
    const shown = showFindings(bed.body, bed.state, atMin, seed, wakes)
    advanceTo(atMin + actMinutes.look + (wakes && wasAsleep ? wakeMin : 0))
    bed.shown.push({ atMin, limbs: shown.limbs })
    const verdict = standBed(night, bed.body, { ...bed.record, rounds: bed.shown }).verdicts.at(-1)
    const isUrgent = verdict?.findings.some((finding) => finding.level === 'urgent') === true
    const isAnswered = bed.answeredAtMin !== null && atMin - bed.answeredAtMin <= answeredForMin
    if (isUrgent) bed.urgentLookMin = atMin
    if (isUrgent && !isAnswered && bed.urgentSinceMin === null) bed.urgentSinceMin = atMin
    bed.look = { ...shown, atMin, isUrgent }
    note(bed, 'look', shown.isAsleep ? 'Looked, asleep.' : 'Looked.')
  }

  function open(bed: OpenBed): void {
    // It stands as it is when somebody begins to open it.
    const wasUrgent = bed.urgentLookMin !== null && atMin - bed.urgentLookMin <= answeredForMin
    const wouldPass = limitPassedAt(bed.body, bed.state, atMin, morningMin, protocol) !== null
    if (!wasUrgent && !wouldPass && !bed.state.isOpen) bed.needless++
    answerBed(bed, atMin)
    advanceTo(atMin + openMinutes(bed.body, minutes.opening))
    countLate(bed, atMin, nowIn)
    bed.state = { ...bed.state, isOpen: true }
    const action = openingAction[bed.body.technique.onUrgent.holds]
    bed.record = {
      ...bed.record,
      openedAtMin: atMin,
      responses: [...bed.record.responses, { action, outcome: 'done', why: '', atMin }],
    }
    note(bed, 'open', bed.body.room === null ? 'The pull eased.' : 'Opened to skin.')
  }

  /** Ring, skin, weights and cords are looked at, and what is wrong there is said. */
  function check(bed: OpenBed): void {
    const checks = checksNow(night, bed.body, bed.record, atMin)
    advanceTo(atMin + checkMinutes(checks, protocol))
    countLate(bed, atMin, nowIn)
    bed.record = { ...bed.record, checks: [...bed.record.checks, ...checks.map(({ id }) => ({ taskId: id, atMin }))] }
    note(bed, 'check', checkWords(bed, checks))
  }

  function apply(move: Move): void {
    advanceTo(move.atMin)
    const bed = beds.find((one) => one.body.bed === move.bed)
    if (!bed) throw new RangeError(`There is no bed ${move.bed} in this night: choose one of 1 to ${beds.length}.`)
    if (atMin >= endMin) return
    if (move.kind !== 'record') {
      advanceTo(atMin + walkMinutes(where, move.bed))
      where = move.bed
    }
    switch (move.kind) {
      case 'look':
        return look(bed, move.wakes)
      case 'record': {
        if (bed.look === null) return
        countLate(bed, atMin, nowIn)
        const round: RoundInput = { atMin: bed.look.atMin, analgesia: move.analgesia, limbs: move.limbs }
        bed.record = { ...bed.record, rounds: [...bed.record.rounds, round] }
        bed.look = null
        return note(bed, 'record', 'Written down.')
      }
      case 'open':
        return open(bed)
      case 'check':
        return check(bed)
      case 'call':
        answerBed(bed, atMin)
        advanceTo(atMin + actMinutes.call)
        bed.seniorAtMin ??= atMin + bed.body.seniorMin
        bed.record = {
          ...bed.record,
          calls: [...bed.record.calls, { to: 'the senior', isReached: true, how: 'telephone', said: '', atMin }],
        }
        return note(bed, 'call', 'The senior called.')
      case 'raise':
        advanceTo(atMin + actMinutes.raise)
        bed.state = { ...bed.state, isHanging: false }
        return note(bed, 'raise', 'The limb put up.')
      case 'relieve':
        advanceTo(atMin + actMinutes.relieve)
        bed.state = { ...bed.state, relievedUntilMin: atMin + reliefMin }
        return note(bed, 'relieve', 'Pain relief given.')
      case 'cord':
        advanceTo(atMin + actMinutes.cord)
        bed.state = { ...bed.state, isSlipped: false }
        return note(bed, 'cord', 'The cord set right.')
    }
  }

  return {
    state: () => ({
      night,
      seed,
      atMin,
      where,
      beds: beds.map(({ body, state, record, look: last, history, aboveMin, unanswered, needless, late }) => ({
        body,
        state,
        record,
        look: last,
        history,
        tally: { aboveMin, unanswered, needless, late },
      })),
      log,
      isOver: atMin >= endMin,
    }),
    advanceTo,
    end() {
      endMin = Math.min(endMin, atMin)
      advanceTo(atMin)
    },
    apply,
    limitPassedAt(bed) {
      const found = beds.find((one) => one.body.bed === bed)
      return found ? limitPassedAt(found.body, found.state, atMin, morningMin, protocol) : null
    },
  }
}

/** What checks found, in words: of cords only where they were looked at. */
function checkWords({ state, body }: Pick<OpenBed, 'state' | 'body'>, checks: readonly BedCheck[]): string {
  if (checks.length === 0) return 'Nothing to check here.'
  const skin = state.skin < 1 ? 'Skin well.' : state.skin < 2 ? 'Skin red, and blanches.' : 'Skin red, and does not blanch.'
  const cord = state.isSlipped ? 'The cord has slipped: the weight stands on the floor.' : 'Weights hang free.'
  return [
    ...(checks.some((check) => check.kind === 'care') ? [skin] : []),
    ...(checks.some((check) => check.kind === 'weights') && body.room === null ? [cord] : []),
  ].join(' ')
}

/** Minutes to walk from one bed to another; 0 is the desk. */
export function walkMinutes(from: number, to: number): number {
  return from === to ? 0 : Math.round(walkMin.least + walkMin.perBed * Math.abs(to - from))
}

/** Minutes that opening or easing takes: a cast is split, a slab unwrapped, a pull let back. */
export function openMinutes(body: HiddenBody, castMin: number): number {
  if (body.room === null) return pullEaseMin
  return body.technique.isCast ? castMin : slabOpenMin
}
