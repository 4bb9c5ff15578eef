import type { ActionId } from '../model/action'
import type { Danger, Held, Posture } from '../model/danger'
import type { PartId } from '../rounds/look'

/** Something urgent that stands: its danger, and where it was found. */
export interface StandingDanger {
  readonly danger: Danger
  readonly part: string | null
  /** Null for what no round looks at. */
  readonly item: string | null
}

/** What is on the body. */
export interface OnBody {
  readonly holds: Held
  /** The limb that wears it; null for what goes round neck or trunk, or where that is not known. */
  readonly part: PartId | null
  /** Plaster or fibreglass that may still be hot. */
  readonly isWarm: boolean
  /** The planned pull, kg; null where none is planned. */
  readonly pullKg?: number | null
}

/** Where the danger meets the patient. */
export interface Situation {
  /** Null where nothing is on. */
  readonly on: OnBody | null
  /** How many are there, the one who reads this included. */
  readonly people: number
  readonly posture: Posture
  /** What the injury asks to be watched, as far as a spine may be hurt: `neck`, `spine`, or null. */
  readonly column: 'neck' | 'spine' | null
  /** A stiff or bent spine: it breaks where it is straightened. */
  readonly isStiff: boolean
}

/** What one danger asks for, in order; `late` are those of its actions that keep their place behind where several dangers meet. */
interface Row {
  readonly actions: readonly ActionId[]
  readonly late?: readonly ActionId[]
}

/**
 * What to do now about urgent dangers, in order (TURNS 1): from the dangers that stand, what is on and what it holds, and how many are there.
 * One danger gives its row. Where several meet, what saves first goes first, each action once; breathing beats lying flat and the order to
 * open nothing.
 * @returns action ids; empty for no danger
 */
export function whatNow(standing: readonly StandingDanger[], situation: Situation): readonly ActionId[] {
  const rows = rowsOf(standing, situation)
  const only = rows[0]
  if (!only) return []
  if (rows.length === 1) return only.actions
  return mergeRows(rows, standing, situation)
}

/**
 * What a review asks for: loosened only where something closed or wrapped is on that holds neither pull, head nor spine.
 */
export function reviewActions({ on }: Pick<Situation, 'on'>): readonly ActionId[] {
  return [...(on?.holds === 'break' ? (['loosen'] as const) : []), 'senior-30', 'again-15']
}

/** Whether a danger asks to call anybody: pain alone, before analgesia and before anything is on, asks for pain relief. */
export function asksCall(one: StandingDanger, { on }: Pick<Situation, 'on'>): boolean {
  return one.danger !== 'pain' || on !== null
}

function rowsOf(standing: readonly StandingDanger[], situation: Situation): readonly Row[] {
  const has = (...kinds: readonly Danger[]): boolean => standing.some((one) => kinds.includes(one.danger))
  const { on } = situation
  const limbs = standing.filter((one) => one.danger === 'limb' || one.danger === 'pain')
  const worn = on === null || (on.holds !== 'break' && on.holds !== 'pull') ? [] : limbs.filter((limb) => isWornBy(on, limb))
  const skins = standing.filter((one) => one.danger === 'skin' || one.danger === 'burn')
  const bare = limbs.filter((limb) => !worn.includes(limb))
  return [
    ...(has('own') ? [{ actions: ['as-trouble', 'call-senior', 'again-15'] } satisfies Row] : []),
    ...(has('arrest') ? [{ actions: ['arrest'] } satisfies Row] : []),
    ...(has('breathing', 'slow-breathing') ? [breathingRow(situation, has('slow-breathing'))] : []),
    ...(has('cord') ? [cordRow(situation)] : []),
    ...(worn.length > 0 ? [on?.holds === 'pull' ? tractionRow(worn) : closedLimb] : []),
    ...(bare.length > 0 ? [bareRow(bare)] : []),
    ...(has('circulation') ? [circulation] : []),
    ...(has('mind') ? [mind] : []),
    ...(has('pull-lost') ? [pullLost] : []),
    ...(has('point') ? [pointRow] : []),
    ...(skins.length > 0 ? [skinRow(on !== null && skins.some((skin) => isWornBy(on, skin)) ? on : null, has('burn'))] : []),
    // What is never an alarm was given as one: a senior looks.
    ...(has('clot', 'infection', 'belly', 'cover') ? [{ actions: ['senior-30', 'again-15'] } satisfies Row] : []),
  ]
}

/** Whether a danger lies where the device is; where nobody knows which limb wears it, any limb may. */
function isWornBy({ holds, part }: OnBody, one: StandingDanger): boolean {
  if (one.part === null) return true
  const isLimb = one.part.startsWith('arm') || one.part.startsWith('leg')
  return holds === 'head' || holds === 'spine' ? !isLimb : isLimb && (part === null || one.part === part)
}

const closedLimb: Row = {
  actions: [
    'call-and-open',
    'open-to-skin',
    'ease-bend',
    'heart-level',
    'blood-pressure',
    'again-5',
    'again-15',
    'nil-by-mouth',
    'surgical-30',
  ],
}
const circulation: Row = { actions: ['lie-flat', 'look-for-bleeding', 'call-senior', 'oxygen', 'pressure-5'] }
const mind: Row = { actions: ['airway', 'oxygen', 'sugar', 'call-senior'] }
const pullLost: Row = { actions: ['hands-on-pull', 'set-again', 'check-again', 'again-15'] }
const pointRow: Row = { actions: ['ease-point', 'again-30'] }

function breathingRow({ on, people }: Situation, isSlow: boolean): Row {
  const breathe: readonly ActionId[] = isSlow ? ['breathe-for'] : []
  const ending: readonly ActionId[] = isSlow ? ['stop-opioids'] : []
  if (on?.holds === 'head') {
    const opening: readonly ActionId[] = [...(isSlow ? (['wake'] as const) : []), 'airway', 'open-collar-held']
    const called: readonly ActionId[] = people > 1 ? ['call-senior', ...opening] : [...opening, 'call-senior']
    return { actions: ['hold-head', ...called, ...breathe, 'oxygen', 'again-5', ...ending] }
  }
  if (on?.holds === 'spine') {
    const way: readonly ActionId[] = isSlow ? ['wake', 'airway', 'breathe-for'] : ['as-breathes']
    return { actions: ['in-line', ...way, 'open-front', 'call-senior', 'oxygen', 'again-5', ...ending] }
  }
  if (isSlow) return { actions: ['wake', 'airway', 'breathe-for', 'oxygen', 'call-senior', 'stop-opioids'] }
  return { actions: ['as-breathes', 'oxygen', 'call-senior'] }
}

function cordRow({ column, posture }: Situation): Row {
  const hold: ActionId = posture !== 'lying' ? 'flat-in-line' : column === 'neck' ? 'hold-head' : 'in-line'
  return { actions: [hold, 'call-senior', 'nothing-opened', 'breathing', 'blood-pressure', 'again-15'] }
}

/** A foot that no longer comes up, and nothing else: a point presses on its nerve, and the pull stays. */
function tractionRow(worn: readonly StandingDanger[]): Row {
  if (worn.every(({ item }) => item === 'movement/deep-peroneal' || item === 'power/foot-up'))
    return { actions: ['free-point', 'call-senior'] }
  const late: readonly ActionId[] = ['open-to-skin', 'off-in-line']
  return { actions: ['ease-pull', 'check-again', 'call-senior', ...late, 'blood-pressure'], late }
}

function bareRow(bare: readonly StandingDanger[]): Row {
  if (bare.every((one) => one.danger === 'pain')) return { actions: ['pain-relief'] }
  return { actions: ['call-senior', 'in-line', 'heart-level', 'blood-pressure', 'again-5'], late: ['in-line'] }
}

/**
 * What the cover holds is taken by a hand before it is opened; bare skin has no cover. What burns comes off at once, and nothing is pulled: a hand
 * comes first only where the device holds a pull or a head.
 */
function skinRow(on: OnBody | null, isBurn: boolean): Row {
  const hands = { head: 'hold-head', spine: 'in-line', break: 'in-line', pull: 'hands-on-pull' } as const
  const isPulledByNobody = isBurn && (on?.holds === 'break' || on?.holds === 'spine')
  const taken = on && !isPulledByNobody ? hands[on.holds] : null
  return {
    actions: [
      ...(taken ? [taken] : []),
      ...(on ? (['uncover'] as const) : []),
      ...(isBurn || on?.isWarm ? (['cool-water'] as const) : []),
      'call-senior',
    ],
  }
}

/** What saves first where several dangers meet; what is not named here comes after, row by row. */
const firstOfAll: readonly (readonly ActionId[])[] = [
  ['arrest'],
  ['hold-head', 'in-line', 'flat-in-line'],
  ['hands-on-pull'],
  ['wake', 'airway', 'as-breathes', 'breathe-for'],
  [
    'call-and-open',
    'open-collar-held',
    'open-front',
    'open-to-skin',
    'ease-pull',
    'as-trouble',
    'uncover',
    'cool-water',
    'free-point',
    'ease-point',
  ],
  ['call-senior'],
  ['oxygen'],
]

function mergeRows(rows: readonly Row[], standing: readonly StandingDanger[], { people, column }: Situation): readonly ActionId[] {
  const breathes = standing.some(({ danger }) => danger === 'breathing' || danger === 'slow-breathing')
  const rankOf = (id: ActionId, { late }: Row): number => {
    const rank = firstOfAll.findIndex((group) => group.includes(id))
    return rank < 0 || late?.includes(id) ? firstOfAll.length : rank
  }
  const ranked = new Map<ActionId, number>()
  for (const row of rows) for (const id of row.actions) ranked.set(id, Math.min(rankOf(id, row), ranked.get(id) ?? Infinity))
  if (breathes) {
    for (const beaten of ['nothing-opened', 'lie-flat'] as const) ranked.delete(beaten)
    // Nobody who fights for breath is laid flat: the head or the spine is held in line as they are.
    if (ranked.delete('flat-in-line')) ranked.set(column === 'neck' ? 'hold-head' : 'in-line', 1)
  }
  if (standing.some(({ danger }) => danger === 'slow-breathing')) ranked.delete('as-breathes')
  if (ranked.has('call-and-open')) ranked.delete('call-senior')
  const ordered = [...ranked].sort(([, a], [, b]) => a - b).map(([id]) => id)
  if (people < 2 || !ordered.includes('call-senior')) return ordered
  const [first, ...rest] = ordered.filter((id) => id !== 'call-senior')
  return first === undefined ? ['call-senior'] : [first, 'call-senior', ...rest]
}
