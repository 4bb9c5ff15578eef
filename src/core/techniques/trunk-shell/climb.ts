import { edgeLoose, edgeLying, edgeSitting, edgeStanding, edgeTight } from '../../figures/body/measurements/trunk'
import type { Estimate } from '../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { formatValue } from '../../planner/format-decision'

/** Wanted below the notch, tight: from, to, cm. */
export const tightRangeCm = [1, 3] as const
/** Wanted below the notch sitting, at least, cm. */
export const sittingLeastCm = 0.5
const looseRangeCm = [2, 4] as const

/** One move of the edge between two readings. */
interface Move {
  readonly from: Estimate
  readonly to: Estimate
  /** How much nearer to the notch it came, cm; below 0 it sank. */
  readonly upCm: number
  readonly when: string
  readonly why: string
}

const moves = {
  tight: ['when the straps were pulled', 'Straps pulled before the shells were pushed together lift it: hip straps first.'],
  standing: ['when the patient stood up', 'The hip straps give: the lowest straps firmer, groove on the crest.'],
  sitting: ['when the patient sat down', 'Seat and thighs push it up: a higher, firmer seat, or trim below.'],
} as const

/**
 * Decides what the series loose, tight, standing, sitting says: `tighten-rise`, `climb` and `loose-aim`, and judges the loose edge by it.
 * A tight edge stands as far below the notch as is wanted where the loose one stands that much and the rise of tightening lower.
 */
export function decideClimb(draft: PlanDraft): void {
  const [loose, standing, sitting] = [edgeLoose, edgeStanding, edgeSitting].map((definition) =>
    draft.measure(definition),
  ) as (Estimate | null)[]
  const tight = draft.measure(edgeTight) ?? draft.measure(edgeLying)
  const series = movesOf(loose ?? null, tight, standing ?? null, sitting ?? null)
  const riseCm = loose && tight ? loose.value - tight.value : null
  if (loose && tight && riseCm !== null)
    draft.decide({
      id: 'tighten-rise',
      value: riseCm,
      source: 'practice',
      formula: 'Edge below the notch loose − tight.',
      working: [workingOf(loose), workingOf(tight)],
    })
  if (series.length > 0) decideWords(draft, series)
  if (tight && riseCm !== null) decideAim(draft, tight, sitting ?? null, riseCm)
  if (loose) judgeLoose(draft, loose, riseCm)
}

/** What of the edge is wanted loose, in words: from the rise once it is known. */
export function wantedLoose(draft: PlanDraft): string {
  const rise = draft.collect().decisions.find(({ id }) => id === 'tighten-rise')?.value
  const [fromCm, toCm] = looseRange(typeof rise === 'number' ? rise : null)
  return typeof rise === 'number'
    ? `${formatValue(fromCm, 'cm')} to ${formatValue(toCm, 'cm')}: tightening lifts it ${formatValue(rise, 'cm')} here`
    : `${looseRangeCm[0]} to ${looseRangeCm[1]} cm: tightening lifts it`
}

function looseRange(riseCm: number | null): readonly [number, number] {
  return riseCm === null ? looseRangeCm : [tightRangeCm[0] + riseCm, tightRangeCm[1] + riseCm]
}

function movesOf(loose: Estimate | null, tight: Estimate | null, standing: Estimate | null, sitting: Estimate | null): readonly Move[] {
  const read = [
    { estimate: loose, key: null },
    { estimate: tight, key: 'tight' as const },
    { estimate: standing, key: 'standing' as const },
    { estimate: sitting, key: 'sitting' as const },
  ].flatMap(({ estimate, key }) => (estimate ? [{ estimate, key }] : []))
  return read.slice(1).flatMap(({ estimate, key }, index): readonly Move[] => {
    const from = read[index]?.estimate
    if (!from || !key) return []
    const [when, why] = moves[key]
    return [{ from, to: estimate, upCm: from.value - estimate.value, when, why }]
  })
}

/** The move that climbed most; null where none did. */
function greatest(series: readonly Move[]): Move | null {
  const most = series.reduce<Move | null>((best, one) => (one.upCm > (best?.upCm ?? 0) ? one : best), null)
  return most && most.upCm > 0.05 ? most : null
}

function decideWords(draft: PlanDraft, series: readonly Move[]): void {
  const most = greatest(series)
  const readings = [series[0]?.from, ...series.map(({ to }) => to)].flatMap((one) => one ?? [])
  const words = most ? `up ${formatValue(most.upCm, 'cm')} ${most.when}` : 'nowhere'
  draft.decide({
    id: 'climb',
    value: words,
    display: `${words}${most ? ` (${readings.map(({ value }) => value.toFixed(1)).join(' → ')} cm below the notch). ${most.why}` : ''}`,
    source: 'practice',
    formula: 'The greatest step nearer to the notch in the series loose, tight, standing, sitting.',
    working: readings.map((reading) => workingOf(reading)),
  })
}

/** Decides `loose-aim`: the wanted tight figure and the rise of tightening; with what sitting takes, where it was read. */
function decideAim(draft: PlanDraft, tight: Estimate, sitting: Estimate | null, riseCm: number): void {
  const sitCm = sitting ? Math.max(0, tight.value - sitting.value) : 0
  const [leastCm, mostCm] = tightRangeCm
  const wantedCm = Math.min(mostCm, Math.max((leastCm + mostCm) / 2, sittingLeastCm + sitCm))
  draft.decide({
    id: 'loose-aim',
    value: wantedCm + riseCm,
    source: 'practice',
    formula: 'Wanted tight (2 cm; more where sitting takes more, 3 cm at most) + what tightening lifts it.',
    working: [
      { label: 'Wanted tight', value: wantedCm, unit: 'cm', from: 'computed' },
      { label: 'Tightening lifts it', value: riseCm, unit: 'cm', from: 'computed' },
      ...(sitting ? [{ label: 'Sitting takes', value: sitCm, unit: 'cm', from: 'computed' as const }] : []),
    ],
  })
}

function judgeLoose(draft: PlanDraft, loose: Estimate, riseCm: number | null): void {
  const [fromCm, toCm] = looseRange(riseCm)
  if (loose.value >= fromCm - 1e-9 && loose.value <= toCm + 1e-9) return
  const isHigh = loose.value < fromCm
  const aim = draft.collect().decisions.find(({ id }) => id === 'loose-aim')?.display
  draft.caution({
    level: 'caution',
    code: 'loose-edge',
    decisions: ['loose-aim', 'top-clearance'],
    steps: ['edge-loose'],
    text: `Seat it ${isHigh ? 'lower' : 'higher'} before the straps are pulled${aim ? `: ${aim} below the notch, loose` : ''}.`,
    why: `Loose it stands ${formatValue(loose.value, 'cm')} below the notch; ${formatValue(fromCm, 'cm')} to ${formatValue(toCm, 'cm')} are wanted${riseCm === null ? '' : `, since tightening lifts it ${formatValue(riseCm, 'cm')}`}.`,
  })
}
