import { findingsOnLimb } from '#core/standing/findings-on-limb'
import { isPressing } from '#core/model/standing'
import { actMinutes, openMinutes, walkMinutes } from '#core/practice/drill/drill'
import type { Bed, DrillState } from '#core/practice/drill/drill-state'
import { checkMinutes, checksNow, checksOf, type BedCheck } from '#core/practice/drill/bed-checks'
import { judgeBed } from '#core/practice/drill/judge-bed'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { taskMinuteDefaults } from '#core/rounds/task-minutes'
import { Button } from '../../../parts/button'
import { Notice } from '../../../parts/notice'
import { LanePicture } from '../../../lane/lane-picture'
import { clockOf } from './clock-of-night'
import { limbOfBed } from './drill-limb'
import type { DrillControl } from './use-drill'

/** The bed in hand: what stands there by what was written down, what it asks for, and what can be done, each with its minutes. */
export function DrillBed({
  state,
  bed,
  onAct,
  onWrite,
}: {
  state: DrillState
  bed: Bed
  onAct: DrillControl['act']
  /** Goes back to a look that is not written down yet. */
  onWrite: () => void
}) {
  const { body, record } = bed
  const id = body.bed
  const standing = judgeBed(state.night, body, record)
  const limb = limbOfBed(body)
  const pressing = standing.items.filter(isPressing)
  const walk = walkMinutes(state.where, id)
  const { opening } = readDefaults(taskMinuteDefaults, defaultProtocol)
  const last = record.rounds.at(-1)
  const took = (minutes: number): string => `${walk + minutes} min`
  const isPulled = body.room === null
  const checks = checksNow(state.night, body, record, state.atMin)
  const dueCheck = checksOf(state.night, body, record)[0]
  return (
    <section aria-label={`Bed ${id}`} className="grid gap-3 rounded-3xl border border-line bg-sheet p-4">
      <div>
        <h2 className="text-lg font-bold">Bed {id}</h2>
        <p>{body.words}</p>
        <p className="text-soft">
          {last ? `Last round ${clockOf(state, last.atMin)}.` : 'No round yet.'} {walk > 0 ? `${walk} min to walk.` : 'You stand here.'}
          {dueCheck ? ` ${checkName([dueCheck])} due ${clockOf(state, dueCheck.dueMin)}.` : ''}
        </p>
      </div>
      {limb ? (
        <div className="max-w-80">
          <LanePicture geometry={limb} heightPx={104} findings={findingsOnLimb(limb, standing.items)} />
        </div>
      ) : null}
      {pressing.length > 0 ? (
        <Notice tone={standing.level === 'urgent' || standing.level === 'stop' ? 'stop' : 'caution'} lead={standing.headline}>
          {pressing.slice(0, 3).map((item) => (
            <p key={item.id}>{item.text}</p>
          ))}
          {standing.actions.slice(0, 4).map((action) => (
            <p key={action.id} className="font-semibold">
              {action.text}
            </p>
          ))}
        </Notice>
      ) : (
        <p>Nothing stands by what was written down.</p>
      )}
      {bed.look ? (
        <Button look="next" onClick={onWrite}>
          Write down what you found
        </Button>
      ) : null}
      <div className="grid grid-cols-2 gap-2">
        <Button look={bed.look ? 'plain' : 'next'} onClick={() => onAct({ kind: 'look', bed: id, wakes: false })}>
          Look, {took(actMinutes.look)}
        </Button>
        <Button onClick={() => onAct({ kind: 'look', bed: id, wakes: true })}>Wake and look</Button>
        <Button onClick={() => onAct({ kind: 'open', bed: id })}>
          {isPulled ? 'Ease the pull' : 'Open to skin'}, {took(openMinutes(body, opening))}
        </Button>
        <Button onClick={() => onAct({ kind: 'call', bed: id })}>Call the senior, {took(actMinutes.call)}</Button>
        <Button onClick={() => onAct({ kind: 'raise', bed: id })}>Put the limb up, {took(actMinutes.raise)}</Button>
        <Button onClick={() => onAct({ kind: 'relieve', bed: id })}>Pain relief, {took(actMinutes.relieve)}</Button>
        {checks.length > 0 ? (
          <Button onClick={() => onAct({ kind: 'check', bed: id })}>
            {checkName(checks)}, {took(checkMinutes(checks, defaultProtocol))}
          </Button>
        ) : null}
        {isPulled ? <Button onClick={() => onAct({ kind: 'cord', bed: id })}>Set the cord right, {took(actMinutes.cord)}</Button> : null}
      </div>
    </section>
  )
}

/** What checks look at, in words. */
function checkName(checks: readonly BedCheck[]): string {
  const has = (kind: BedCheck['kind']): boolean => checks.some((check) => check.kind === kind)
  if (has('care') && has('weights')) return 'Check skin and weights'
  return has('weights') ? 'Check the weights' : 'Check the skin'
}
