import { hingeMoments } from '../../figures/body/measurements/brace'
import type { Estimate } from '../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { formatValue } from '../../planner/format-decision'

/** A hinge that moved more than this was drawn by something, cm. Our estimate: what a tape on a bent bar tells apart. */
const drawnCm = 0.5

/** Where the hinge sat at one moment; null where it was not read there. */
interface Reading {
  readonly moment: (typeof hingeMoments)[number]
  readonly forward: Estimate | null
  readonly up: Estimate | null
}

/** Where the hinge sat at each moment, in turn. */
export function readHinge(draft: PlanDraft): readonly Reading[] {
  return hingeMoments.map((moment) => ({ moment, forward: draft.measure(moment.forward), up: draft.measure(moment.up) }))
}

/** Decides `hinge-drift`: what drew the hinge, which way and how far, and what is loosened for it. */
export function decideDrift(draft: PlanDraft, readings: readonly Reading[]): void {
  const read = readings.flatMap(({ moment, forward, up }) => (forward && up ? [{ moment, forward, up }] : []))
  if (read.length < 2) return
  const moves = read.slice(1).map((to, index) => {
    const from = read[index] ?? to
    return { to, forwardCm: to.forward.value - from.forward.value, upCm: to.up.value - from.up.value }
  })
  for (const { to, forwardCm, upCm } of moves) {
    if (Math.hypot(forwardCm, upCm) <= drawnCm + 1e-9) continue
    draft.caution({
      level: 'caution',
      code: 'hinge-drawn',
      decisions: ['hinge-drift'],
      steps: [to.moment.step],
      text: to.moment.remedy,
      why: `The hinge moved ${wayWords(forwardCm, upCm)} ${to.moment.words}.`,
    })
  }
  const most = moves.reduce((a, b) => (Math.hypot(b.forwardCm, b.upCm) > Math.hypot(a.forwardCm, a.upCm) ? b : a))
  const moved = Math.hypot(most.forwardCm, most.upCm)
  draft.decide({
    id: 'hinge-drift',
    value: moved > drawnCm ? `${wayWords(most.forwardCm, most.upCm)} ${most.to.moment.words}` : 'nowhere',
    source: 'practice',
    formula: 'The greatest change of the hinge’s two offsets from one moment to the next; over 0.5 cm something drew it.',
    working: read.flatMap(({ forward, up }) => [workingOf(forward), workingOf(up)]),
  })
}

/** "back 1.2 cm and up 0.4 cm". */
function wayWords(forwardCm: number, upCm: number): string {
  const way = (cm: number, more: string, less: string): readonly string[] =>
    Math.abs(cm) < 0.05 ? [] : [`${cm > 0 ? more : less} ${formatValue(Math.abs(cm), 'cm')}`]
  return [...way(forwardCm, 'forward', 'back'), ...way(upCm, 'up', 'down')].join(' and ')
}
