import {
  edgeLoose,
  edgeLying,
  edgeSitting,
  edgeStanding,
  edgeTight,
  frontArc,
  backArc,
  grooveToCrest,
  overlapLeft,
  overlapRight,
  shellStraps,
} from '../../figures/body/measurements/trunk'
import type { Estimate } from '../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { sittingLeastCm, tightRangeCm } from './climb'
import { roundUpTo } from '../../quantities/rounding'

const leastOverlapCm = 2.5
const sidesWithinCm = 1
const grooveWithinCm = 1

/** Decides `overlap`: the lesser side as measured, else from the two arcs and the waist. */
export function decideOverlap(draft: PlanDraft, waist: Estimate | null): void {
  const left = draft.measure(overlapLeft)
  const right = draft.measure(overlapRight)
  const front = draft.measure(frontArc)
  const back = draft.measure(backArc)
  const sides = [left, right].flatMap((one) => one ?? [])
  const lesser = sides.length > 0 ? Math.min(...sides.map((side) => side.value)) : null
  const computed = front && back && waist ? (front.value + back.value - waist.value) / 2 : null
  const known = [lesser, computed].flatMap((one) => one ?? [])
  if (known.length === 0) return
  const isContradicted = sides.length === 1 && lesser !== null && computed !== null && Math.abs(lesser - computed) > sidesWithinCm + 1e-9
  const overlapCm = isContradicted ? Math.min(...known) : (lesser ?? known[0] ?? 0)
  if (isContradicted && sides[0]) {
    draft.caution({
      level: 'caution',
      code: 'check-reading',
      decisions: ['overlap'],
      steps: ['straps'],
      text: 'Measure the overlap on both sides, and both arcs again: the lesser figure counts until then.',
      why: `${sides[0].label} ${sides[0].value.toFixed(1)} cm, and ${(computed ?? 0).toFixed(1)} cm by the arcs.`,
    })
  }
  const difference = left && right ? Math.abs(left.value - right.value) : 0
  if (overlapCm < leastOverlapCm - 1e-9 || difference > sidesWithinCm + 1e-9) {
    draft.caution({
      level: 'caution',
      code: 'overlap',
      decisions: ['overlap'],
      steps: ['front-on', 'straps'],
      text: overlapCm < leastOverlapCm ? 'Take the larger shell, or have wings added.' : 'Centre the shells and close again.',
      why:
        overlapCm < leastOverlapCm
          ? `They overlap ${overlapCm.toFixed(1)} cm; under ${leastOverlapCm} cm the edges part when the patient turns.`
          : `Left and right differ by ${difference.toFixed(1)} cm: the shells sit askew.`,
    })
  }
  draft.decide({
    id: 'overlap',
    value: overlapCm,
    source: 'practice',
    formula:
      'The lesser of left and right, as measured; else (front arc + back arc − waist girth) ÷ 2; the lesser of both where one side alone contradicts the arcs.',
    working: (lesser === null || isContradicted ? [...sides, front, back, waist] : sides).flatMap((one) => (one ? [workingOf(one)] : [])),
  })
}

/** Decides `strap-balance`: the most by which left and right of a pair differ; 1 cm at most. */
export function decideStrapBalance(draft: PlanDraft): void {
  const pairs = shellStraps.flatMap((pair) => {
    const [left, right] = [draft.measure(pair.left), draft.measure(pair.right)]
    return left && right ? [{ left, right, cm: Math.abs(left.value - right.value) }] : []
  })
  if (pairs.length === 0) return
  const worst = pairs.reduce((a, b) => (b.cm > a.cm ? b : a))
  if (worst.cm > sidesWithinCm + 1e-9) {
    draft.caution({
      level: 'caution',
      code: 'strap-balance',
      decisions: ['strap-balance'],
      steps: ['straps'],
      text: 'Even out left and right, from the lowest pair up.',
      why: `${worst.left.label} and right differ by ${worst.cm.toFixed(1)} cm; over ${sidesWithinCm} cm the shell turns.`,
    })
  }
  draft.decide({
    id: 'strap-balance',
    value: worst.cm,
    source: 'practice',
    formula: 'The greatest difference between left and right of a pair; 1 cm at most.',
    working: pairs.flatMap(({ left, right }) => [workingOf(left), workingOf(right)]),
  })
}

/** Decides `top-clearance`, `sit-rise`, `verdict` and `lower-by` from edge and groove. */
export function decideEdges(draft: PlanDraft): void {
  const lying = draft.measure(edgeLying)
  const standing = draft.measure(edgeStanding)
  const sitting = draft.measure(edgeSitting)
  const groove = draft.measureSides(grooveToCrest)
  const clearance = sitting ?? standing ?? lying ?? draft.measure(edgeTight) ?? draft.measure(edgeLoose)
  if (clearance) {
    draft.decide({
      id: 'top-clearance',
      value: clearance.value,
      sd: clearance.sd,
      source: 'practice',
      formula: 'Sitting where it was measured, else standing, else lying. Wanted: 1 to 3 cm upright or lying, at least 0.5 cm sitting.',
      working: [workingOf(clearance)],
    })
  }
  if (standing && sitting) {
    draft.decide({
      id: 'sit-rise',
      value: standing.value - sitting.value,
      source: 'practice',
      formula: 'Edge clearance standing − sitting.',
      working: [workingOf(standing), workingOf(sitting)],
    })
  }
  decideVerdict(
    draft,
    standing ?? lying ?? draft.measure(edgeTight),
    sitting,
    [groove.left, groove.right].flatMap((one) => one ?? []),
  )
}

function decideVerdict(draft: PlanDraft, upright: Estimate | null, sitting: Estimate | null, grooves: readonly Estimate[]): void {
  if (!upright && !sitting && grooves.length === 0) return
  const isEdgeOff = upright !== null && (upright.value < tightRangeCm[0] - 1e-9 || upright.value > tightRangeCm[1] + 1e-9)
  const isGrooveOff = grooves.some((groove) => Math.abs(groove.value) > grooveWithinCm + 1e-9)
  const aim = draft.collect().decisions.find(({ id }) => id === 'loose-aim')?.display
  const lowerByCm = sitting ? sittingLeastCm - sitting.value : 0
  const verdict = isEdgeOff || isGrooveOff ? 're-seat' : lowerByCm > 1e-9 ? 'lower' : 'keep'
  if (verdict !== 'keep') {
    draft.caution({
      level: 'caution',
      code: 'top-edge',
      lasts: true,
      decisions: ['verdict', 'top-clearance'],
      steps: ['edge-height', 'stand', 'sit'],
      text:
        verdict === 'lower'
          ? `Lower it, or have the upper edge trimmed, by ${roundUpTo(lowerByCm, 0.5).toFixed(1)} cm.`
          : `Open it, seat the waist groove on the hip crest, close again${aim ? `: ${aim} below the notch while it is loose` : ''}.`,
      why:
        verdict === 'lower'
          ? 'Sitting, it pushes into the throat.'
          : isGrooveOff
            ? 'The waist groove is off the hip crest: it will slide.'
            : 'The upper edge is too near the notch or too far below it.',
    })
  }
  draft.decide({
    id: 'verdict',
    value: verdict,
    display: verdict === 'keep' ? 'keep' : verdict === 'lower' ? 'lower or trim' : 're-seat',
    source: 'practice',
    formula:
      'Re-seat when the edge is outside 1 to 3 cm or a groove is over 1 cm off the crest; else lower when it is under 0.5 cm sitting; else keep.',
    working: [
      ...(upright ? [workingOf(upright)] : []),
      ...(sitting ? [workingOf(sitting)] : []),
      ...grooves.map((groove) => workingOf(groove)),
    ],
  })
  if (verdict !== 'lower' || !sitting) return
  draft.decide({
    id: 'lower-by',
    value: roundUpTo(lowerByCm, 0.5),
    source: 'practice',
    formula: '0.5 cm − clearance sitting, up to the next 0.5 cm.',
    working: [workingOf(sitting)],
  })
}
