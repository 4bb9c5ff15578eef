import type { ActionId } from '../model/action'
import type { Danger, Held, Posture } from '../model/danger'
import type { PartId } from '../rounds/look'

/** Something urgent that stands: its danger, and where it was found. */
export interface StandingDanger {
  readonly danger: Danger
  readonly part: string | null
  /** Null for what no round looks at. */
  readonly item: string | null
  /** It was there at the first look of all and is no worse since: nobody's work here has caused it. */
  readonly isAsAtFirst?: boolean
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
  /** Under twelve by the age that was said: a child's heart stops for want of breath. */
  readonly isChild: boolean
  /** Nobody can ask the patient whether it hurts. */
  readonly cannotAsk?: boolean
  /** Who ordered that nobody is resuscitated; left out where no such order holds. */
  readonly noResuscitation?: string
}

/** What one danger asks for, in order. */
interface Row {
  readonly actions: readonly ActionId[]
  /** Those of its actions that keep their place behind where several dangers meet. */
  readonly late?: readonly ActionId[]
  /** What somebody alone does before the call: it takes one hand and cannot wait for a press. */
  readonly beforeCall?: readonly ActionId[]
}

/**
 * What to do now about urgent dangers, in order: from the dangers that stand, what is on and what it holds, and how many
 * are there. An arrest stands alone. One danger gives its row. Where several meet, what saves first goes first, each action once; breathing
 * beats lying flat and the order to open nothing. Somebody alone calls first, but for what `beforeCall` names.
 * @returns action ids; empty for no danger
 */
export function whatNow(standing: readonly StandingDanger[], situation: Situation): readonly ActionId[] {
  if (standing.some(({ danger }) => danger === 'arrest')) return arrestActions(situation)
  const rows = rowsOf(standing, situation)
  const only = rows[0]
  if (!only) return []
  const actions = rows.length === 1 ? only.actions : mergeRows(rows, standing, situation)
  return situation.people > 1 ? actions : asAlone(actions, rows)
}

/** Compress at once; a child is given breaths first. Alone, the call and the open front come before hands that never leave the chest again. */
function arrestActions({ on, people, isChild, noResuscitation }: Situation): readonly ActionId[] {
  // Whoever reads the rest has read first that it may not be wanted.
  const order: readonly ActionId[] = noResuscitation === undefined ? [] : ['heed-order']
  const open: readonly ActionId[] = on?.holds === 'head' || on?.holds === 'spine' ? ['open-front'] : []
  const revive: readonly ActionId[] = isChild ? ['airway', 'breathe-for', 'compress'] : ['compress']
  if (people < 2) return [...new Set<ActionId>([...order, 'call-senior', ...open, ...revive, 'airway', 'breathe-for'])]
  return [...new Set<ActionId>([...order, ...revive, 'call-senior', 'airway', 'breathe-for', ...open])]
}

const calls: readonly ActionId[] = ['call-and-open', 'call-senior']

/** The order for one pair of hands: what cannot wait for a press, the call, then the rest. */
function asAlone(actions: readonly ActionId[], rows: readonly Row[]): readonly ActionId[] {
  const call = actions.filter((id) => calls.includes(id))
  if (call.length === 0) return actions
  const before = rows.flatMap((row) => row.beforeCall ?? [])
  const isFirst = (id: ActionId): boolean => before.includes(id) && !calls.includes(id)
  return [...actions.filter(isFirst), ...call, ...actions.filter((id) => !isFirst(id) && !calls.includes(id))]
}

/**
 * What a review asks for: loosened only where something closed or wrapped is on that holds neither pull, head nor spine.
 */
export function reviewActions({ on }: Pick<Situation, 'on'>): readonly ActionId[] {
  return [...(on?.holds === 'break' ? (['loosen'] as const) : []), 'senior-30', 'again-15']
}

/**
 * Whether a danger is one that is left as it is only at the bedside and for half an hour: an airway, a cord, a limb without a pulse, a closed
 * limb with urgent signs.
 */
export function isGrave(one: StandingDanger, { on }: Pick<Situation, 'on'>): boolean {
  if (one.danger === 'limb') return one.item === 'pulse' || (on?.holds === 'break' && isWornBy(on, one))
  return graveDangers.includes(one.danger)
}

const graveDangers: readonly Danger[] = ['arrest', 'breathing', 'slow-breathing', 'vomiting', 'cord']

/** Whether a danger asks to call anybody: pain alone, before analgesia and before anything is on, asks for pain relief. */
export function asksCall(one: StandingDanger, { on }: Pick<Situation, 'on'>): boolean {
  return one.danger !== 'pain' || on !== null
}

function rowsOf(standing: readonly StandingDanger[], situation: Situation): readonly Row[] {
  const has = (...kinds: readonly Danger[]): boolean => standing.some((danger) => kinds.includes(danger.danger))
  const { on } = situation
  const limbs = standing.filter((danger) => danger.danger === 'limb' || danger.danger === 'pain')
  const worn = on === null || (on.holds !== 'break' && on.holds !== 'pull') ? [] : limbs.filter((limb) => isWornBy(on, limb))
  const skins = standing.filter((danger) => danger.danger === 'skin' || danger.danger === 'burn')
  const isBoth = on?.holds === 'pull' && worn.length > 0 && limbs.some((limb) => !worn.includes(limb) && isOfBlood(limb))
  // Both feet weak under a pull: that is the circulation, and no limb to be drawn straight.
  const bare = limbs.filter((limb) => !worn.includes(limb) && !(isBoth && isOfBlood(limb)))
  const isBleedingLikely = isBoth || has('circulation')
  return [
    ...(has('own') ? [{ actions: ['as-trouble', 'call-senior', 'again-15'] } satisfies Row] : []),
    ...(has('vomiting') ? [vomitingRow(situation)] : []),
    ...(has('breathing', 'slow-breathing') ? [breathingRow(situation, has('slow-breathing'))] : []),
    ...(has('cord') ? [cordRow(situation, isCordAsAtFirst(standing))] : []),
    ...(worn.length > 0 ? [on?.holds === 'pull' ? tractionRow(worn, isBleedingLikely) : closedLimb] : []),
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
/** Whether an item of a limb tells of its blood. */
function isOfBlood({ item }: StandingDanger): boolean {
  return item === 'pulse' || item === 'colour' || item === 'warmth' || item === 'refill'
}

const circulation: Row = {
  actions: ['lie-flat', 'look-for-bleeding', 'call-senior', 'oxygen', 'pressure-5'],
  late: ['look-for-bleeding'],
}
const mind: Row = { actions: ['airway', 'oxygen', 'sugar', 'call-senior'] }
const pullLost: Row = { actions: ['hands-on-pull', 'set-again', 'check-again', 'again-15'] }
const pointRow: Row = { actions: ['ease-point', 'again-30'] }

/** Turned at once, also by one alone; oxygen is for whoever has hands left over. */
function vomitingRow({ people }: Situation): Row {
  const turned: readonly ActionId[] = ['turn-in-line', 'suction']
  return { actions: [...turned, 'call-senior', ...(people > 1 ? (['oxygen'] as const) : [])], beforeCall: turned }
}

function breathingRow({ on }: Situation, isSlow: boolean): Row {
  const breathe: readonly ActionId[] = isSlow ? ['breathe-for'] : []
  const ending: readonly ActionId[] = isSlow ? ['stop-opioids'] : []
  const beforeCall: readonly ActionId[] = isSlow ? ['wake', 'airway'] : on?.holds === 'head' ? ['airway'] : []
  if (on?.holds === 'head') {
    const opening: readonly ActionId[] = [...(isSlow ? (['wake'] as const) : []), 'airway', 'open-collar-held']
    return { actions: ['hold-head', 'call-senior', ...opening, ...breathe, 'oxygen', 'again-5', ...ending], beforeCall }
  }
  if (on?.holds === 'spine') {
    const way: readonly ActionId[] = isSlow ? ['wake', 'airway', 'breathe-for'] : ['as-breathes']
    return { actions: ['in-line', ...way, 'open-front', 'call-senior', 'oxygen', 'again-5', ...ending], beforeCall }
  }
  if (isSlow) return { actions: ['wake', 'airway', 'breathe-for', 'oxygen', 'call-senior', 'stop-opioids'], beforeCall }
  return { actions: ['as-breathes', 'oxygen', 'call-senior'] }
}

/** Whether every sign of the cord was there at the first look: it stops nothing that holds or puts on. */
export function isCordAsAtFirst(standing: readonly StandingDanger[]): boolean {
  const signs = standing.filter(({ danger }) => danger === 'cord')
  return signs.length > 0 && signs.every(({ isAsAtFirst }) => isAsAtFirst === true)
}

function cordRow({ column, posture }: Situation, isAsAtFirst: boolean): Row {
  const hold: ActionId = posture !== 'lying' && !isAsAtFirst ? 'flat-in-line' : column === 'neck' ? 'hold-head' : 'in-line'
  return { actions: [hold, 'call-senior', 'nothing-opened', 'breathing', 'blood-pressure', 'again-15'] }
}

/** Whether all that is wrong with a limb in traction is a foot that no longer comes up: a point presses on its nerve. */
export function isFootDropAlone(worn: readonly StandingDanger[]): boolean {
  return worn.length > 0 && worn.every(({ item }) => item === 'movement/deep-peroneal' || item === 'power/foot-up')
}

/** @param isBleedingLikely both feet are weak, or the pressure is low for the age: bleeding is looked for while the pull is eased */
function tractionRow(worn: readonly StandingDanger[], isBleedingLikely: boolean): Row {
  if (isFootDropAlone(worn)) return { actions: ['free-point', 'call-senior'] }
  const bleeding: readonly ActionId[] = isBleedingLikely ? ['look-for-bleeding'] : []
  const late: readonly ActionId[] = ['open-to-skin', 'off-in-line']
  return { actions: ['call-senior', 'compare-both', ...bleeding, 'ease-pull', 'check-again', ...late, 'blood-pressure'], late }
}

function bareRow(bare: readonly StandingDanger[]): Row {
  if (bare.every((danger) => danger.danger === 'pain')) return { actions: ['pain-relief'] }
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
  ['turn-in-line', 'suction'],
  ['hold-head', 'in-line', 'flat-in-line'],
  ['hands-on-pull'],
  ['wake', 'airway', 'as-breathes', 'breathe-for'],
  [
    'compare-both',
    'look-for-bleeding',
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
  const has = (...kinds: readonly Danger[]): boolean => standing.some(({ danger }) => kinds.includes(danger))
  const isAirway = has('breathing', 'slow-breathing', 'vomiting')
  const rankOf = (id: ActionId, { late }: Row): number => {
    const rank = firstOfAll.findIndex((group) => group.includes(id))
    return rank < 0 || late?.includes(id) ? firstOfAll.length : rank
  }
  const ranked = new Map<ActionId, number>()
  for (const row of rows) for (const id of row.actions) ranked.set(id, Math.min(rankOf(id, row), ranked.get(id) ?? Infinity))
  if (isAirway) {
    for (const beaten of ['nothing-opened', 'lie-flat'] as const) ranked.delete(beaten)
    // Nobody who fights for breath is laid flat: the head or the spine is held in line as they are.
    if (ranked.delete('flat-in-line')) ranked.set(column === 'neck' ? 'hold-head' : 'in-line', 1)
  }
  if (has('slow-breathing')) ranked.delete('as-breathes')
  // A pull that takes the pulse is not set again.
  if (ranked.has('ease-pull')) ranked.delete('set-again')
  if (ranked.has('call-and-open')) ranked.delete('call-senior')
  const ordered = [...ranked].sort(([, a], [, b]) => a - b).map(([id]) => id)
  // Beside an airway the second person calls about both at once; the limb is opened in its place.
  const call = ordered.find((id) => id === 'call-senior' || (isAirway && id === 'call-and-open'))
  if (people < 2 || call === undefined) return ordered
  const [first, ...rest] = ordered.filter((id) => id !== call)
  // A pulse that is lost under a pull is called about before anything is eased.
  if (first === undefined || first === 'compare-both') return [call, ...ordered.filter((id) => id !== call)]
  return [first, call, ...rest]
}
