import type { Point } from '#core/drawing/points'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import { toneOf } from '../../parts/level-mark'
import { toneInk, toneShapes } from '../../parts/tone-shape'
import type { LabelWish } from './lay-frame'

/** A finding with where it stands. */
export interface PlacedFinding {
  readonly finding: LimbFinding
  /** In pixels of the frame. */
  readonly at: Point
}

const sizePx = 16
const none: readonly LimbFinding['site'][] = []
/** A gloved thumb hits it. */
const touchPx = 44

/** What stands, in the shape and tone of its level, at the place where it was found; as large on a small drawing as on a large one. */
export function FindingMarks({
  placed,
  inHand = none,
  onPick,
}: {
  placed: readonly PlacedFinding[]
  /** Places to light. */
  inHand?: readonly LimbFinding['site'][] | undefined
  onPick?: ((finding: LimbFinding) => void) | undefined
}) {
  return placed.map(({ finding, at: [x, y] }) => {
    const tone = toneOf(finding.level)
    return (
      <g
        key={finding.site}
        data-finding={finding.site}
        data-level={finding.level}
        transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
        onClick={onPick ? () => onPick(finding) : undefined}
        className={`${toneInk[tone]} ${onPick ? 'cursor-pointer' : ''}`}
      >
        <title>{finding.label}</title>
        {onPick ? <rect x={-touchPx / 2} y={-touchPx / 2} width={touchPx} height={touchPx} fill="transparent" /> : null}
        {inHand.includes(finding.site) ? <circle r={sizePx - 2} fill="var(--citrus)" stroke="var(--ink)" strokeWidth="1.5" /> : null}
        <g transform={`translate(${-sizePx / 2} ${-sizePx / 2})`}>
          <path
            d={toneShapes[tone]}
            fill={tone === 'blank' ? 'none' : 'currentColor'}
            stroke="var(--sheet)"
            strokeWidth="5"
            strokeLinejoin="round"
            paintOrder="stroke"
          />
          <path
            d={toneShapes[tone]}
            fill="currentColor"
            stroke={tone === 'blank' ? 'currentColor' : 'none'}
            strokeWidth="2"
            fillRule="evenodd"
          />
        </g>
      </g>
    )
  })
}

/** The names of findings, each beside its place. */
export function findingWishes(
  findings: readonly LimbFinding[],
  place: (finding: LimbFinding) => Point | null,
  rail: (finding: LimbFinding, at: Point) => string,
): readonly LabelWish[] {
  return findings.flatMap((finding): readonly LabelWish[] => {
    const at = place(finding)
    return at ? [{ id: `finding/${finding.site}`, rail: rail(finding, at), text: finding.short, at }] : []
  })
}

/** Findings where they stand on a figure; those whose part is not drawn are left to the words beside. */
export function placeFindings(
  findings: readonly LimbFinding[],
  place: (finding: LimbFinding) => Point | null,
  toPixels: (at: Point) => Point,
): readonly PlacedFinding[] {
  return findings.flatMap((finding): readonly PlacedFinding[] => {
    const at = place(finding)
    return at ? [{ finding, at: toPixels(at) }] : []
  })
}

/** What a screen reader is told of the marks. */
export function findingsInWords(findings: readonly LimbFinding[]): string {
  return findings.length === 0 ? '' : `; marked on it: ${findings.map(({ label }) => label).join(', ')}`
}
