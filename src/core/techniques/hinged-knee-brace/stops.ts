import { isOrdered, lockRange } from '../../model/orders'
import type { PlanDraft } from '../../planner/draft'
import type { StopRow } from '../../quantities/defaults'
import type { OptionValues } from '../../planner/technique'

/** The shipped table: an example, never an order. */
export const exampleTable: readonly StopRow[] = [{ fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 90, lock: 'open' }]
export const exampleProtocol = 'default'

export interface BraceStops {
  readonly extensionDeg: number
  readonly flexionDeg: number
  /** How the lock is set: "lock open", "locked at 15°". */
  readonly lockWords: string
  readonly isOrdered: boolean
}

const weekH = 7 * 24

/**
 * Decides `extension-stop`, `flexion-stop`, `lock` and, with a table by week, `next-change`:
 * from the order, else from a local table, else from the shipped example with caution `not-ordered`.
 */
export function decideStops(draft: PlanDraft, options: OptionValues, week: number | null): BraceStops {
  const { brace: entered } = draft.clinicalCase.orders
  const brace = entered?.withdrawn ? undefined : entered
  const name = String(options['protocol'] ?? exampleProtocol)
  const table = name === exampleProtocol ? exampleTable : (draft.ctx.protocol.stopTables?.[name] ?? exampleTable)
  const rows = [...table].sort((a, b) => a.fromWeek - b.fromWeek)
  const row = rows.findLast((one) => one.fromWeek <= (week ?? 0)) ?? rows[0] ?? exampleTable[0]!
  const next = rows.find((one) => one.fromWeek > (week ?? 0))
  const isSigned = isOrdered(brace) || (brace === undefined && name !== exampleProtocol)
  if (!isSigned) {
    draft.caution({
      level: 'caution',
      code: 'not-ordered',
      decisions: ['extension-stop', 'flexion-stop', 'lock'],
      steps: ['stops'],
      text: `Enter the order: who, when, both stops and the lock. Until then the stops are ${brace ? 'as somebody wrote them who is not named' : 'an example'}.`,
      why: 'A stop set by guess can tear what was repaired.',
    })
  }
  const source = brace
    ? isSigned
      ? `ordered by ${brace.by}`
      : 'nobody is named for it'
    : name === exampleProtocol
      ? 'example'
      : `local table ${name}`
  const decideDeg = (id: 'extension-stop' | 'flexion-stop', value: number): number =>
    draft.decide({
      id,
      value,
      display: `${value}°${isSigned ? '' : brace ? ' (not ordered by name)' : ' (example, not ordered)'}`,
      source: 'practice',
      school: source,
      formula: 'As ordered; else the local table for this week; else an example.',
      working: [
        { label: 'From', value: source, unit: null, from: 'option' },
        ...(week === null ? [] : [{ label: 'Week', value: week, unit: null, from: 'measured' as const }]),
      ],
    })
  const extensionDeg = decideDeg('extension-stop', brace?.extensionStop ?? row.extensionStopDeg)
  const flexionDeg = decideDeg('flexion-stop', brace?.flexionStop ?? row.flexionStopDeg)
  const wanted = brace?.lock ?? row.lock
  const lock = readLock(wanted, extensionDeg, flexionDeg)
  if (lock === null) refuseLock(draft, wanted, extensionDeg, flexionDeg)
  const set = draft.decide({
    id: 'lock',
    value: lock?.value ?? 'open',
    display: lock?.words ?? 'open, until the order is put right',
    source: 'practice',
    school: source,
    formula:
      'As ordered: open, locked, or locked at an angle from −10 to 30° between the stops; else the local table for this week; else an example.',
    working: [{ label: 'From', value: source, unit: null, from: 'option' }],
  })
  if (next && !brace) {
    const hours = (next.fromWeek - (week ?? 0)) * weekH
    draft.decide({
      id: 'next-change',
      value: hours,
      display: `week ${next.fromWeek}: ${next.extensionStopDeg}° to ${next.flexionStopDeg}°, lock ${next.lock}`,
      source: 'practice',
      formula: 'Weeks until the next row of the table.',
      working: [{ label: 'Week', value: week ?? 0, unit: null, from: 'measured' }],
    })
  }
  checkAgainstBrace(draft, extensionDeg, flexionDeg)
  const words = readLock(set, extensionDeg, flexionDeg)?.words ?? String(set)
  return {
    extensionDeg,
    flexionDeg,
    lockWords: words.startsWith('locked') ? words : `lock ${words}`,
    isOrdered: isSigned && lock !== null,
  }
}

/** Whether a hinge can be set to a lock between two stops, degrees. */
export function isLock(lock: string | number, extensionDeg: number, flexionDeg: number): boolean {
  return readLock(lock, extensionDeg, flexionDeg) !== null
}

/** A lock as it is set; null where the order cannot be: no such word, outside −10 to 30°, or beyond the stops. */
function readLock(
  lock: string | number,
  extensionDeg: number,
  flexionDeg: number,
): { readonly value: string | number; readonly words: string } | null {
  if (lock === 'open' || lock === 'locked') return { value: lock, words: lock }
  const deg =
    typeof lock === 'number'
      ? lock
      : Number.parseFloat(/^\s*([+-−]?\d+(?:\.\d+)?)\s*(?:°|deg(?:rees)?)?\s*$/.exec(lock)?.[1]?.replace('−', '-') ?? '')
  const isSettable = deg >= Math.max(lockRange.least, extensionDeg) && deg <= Math.min(lockRange.greatest, flexionDeg)
  return isSettable ? { value: lock, words: `locked at ${deg}°` } : null
}

function refuseLock(draft: PlanDraft, lock: string | number, extensionDeg: number, flexionDeg: number): void {
  draft.problem({
    code: 'out-of-range',
    path: 'orders/brace/lock',
    message: `The ordered lock "${lock}" cannot be set: write open, locked, or an angle from ${lockRange.least} to ${lockRange.greatest} degrees between the stops (${extensionDeg}° and ${flexionDeg}°).`,
  })
  draft.caution({
    level: 'stop',
    code: 'not-ordered',
    decisions: ['lock'],
    steps: ['stops'],
    text: 'Have the lock ordered again: open, locked, or an angle between the stops.',
    why: `"${lock}" is no lock that this hinge has; it is shown open.`,
  })
}

/** Whether some stocked brace can be set to both stops: within its ends and on its clicks. */
function checkAgainstBrace(draft: PlanDraft, extensionDeg: number, flexionDeg: number): void {
  const { inStock } = draft.stock((item) => item.technique === 'hinged-knee-brace')
  const canSet = inStock.some((item) => {
    const [least, greatest, click] = [
      Number(item['leastStopDeg'] ?? 0),
      Number(item['greatestStopDeg'] ?? 120),
      Number(item['clickDeg'] ?? 10),
    ]
    return [extensionDeg, flexionDeg].every(
      (deg) => deg >= least - 1e-9 && deg <= greatest + 1e-9 && (!(click > 0) || Math.abs(deg / click - Math.round(deg / click)) < 1e-6),
    )
  })
  if (extensionDeg > flexionDeg) {
    draft.caution({
      level: 'stop',
      code: 'unusual',
      decisions: ['extension-stop', 'flexion-stop'],
      steps: ['stops'],
      text: 'The extension stop is beyond the flexion stop: check the figures.',
      why: 'Set so, the hinge cannot close at all.',
    })
  }
  if (canSet) return
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: ['extension-stop', 'flexion-stop'],
    steps: ['stops'],
    text:
      inStock.length === 0
        ? 'No hinged brace is in stock.'
        : 'No brace here clicks at these stops: ask for the next ones, on the safe side.',
    why:
      inStock.length === 0
        ? 'None is listed as present.'
        : `${extensionDeg}° and ${flexionDeg}° must lie within its ends and on its clicks.`,
  })
}
