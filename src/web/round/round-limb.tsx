import { useRef } from 'react'
import type { ClinicalCase } from '#core/model/clinical-case'
import type { Geometry } from '#core/model/geometry'
import type { RoundInput } from '#core/model/observation'
import { readItemId } from '#core/rounds/item-ids'
import { roundOnLimb, siteOnDrawing, type AskedItem, type LimbFinding } from '#core/standing/findings-on-limb'
import { looksOfOne } from '#core/standing/fold-rounds'
import { LanePicture } from '../lane/lane-picture'
import type { LaneLayer } from '../lane/lane-props'

/** What a round is drawn on. */
export interface DrawnLimb {
  readonly geometry: Geometry
  readonly clinicalCase: ClinicalCase
  /** Nothing is on yet. */
  readonly layers: readonly LaneLayer[]
}

/** A cell of a round as an item of what is judged. */
export interface LimbCell extends AskedItem {
  readonly key: string
}

/** A cell by part and item; null for one that is no item of a round. */
export function limbCell(key: string, part: string, field: string, isOpen: boolean): LimbCell | null {
  const about = readItemId(`${part}/${field === 'refillS' ? 'refill' : field}`)
  return about ? { key, ...about, isOpen } : null
}

const heightPx = 104
const none = [] as const

/**
 * The limb while its round is entered: each place is a dash until it was looked at, and then shows what was found there. A tap on a place
 * brings its line under the hand.
 */
export function RoundLimb({
  limb,
  cells,
  findings,
  inHand = null,
}: {
  limb: DrawnLimb
  cells: readonly LimbCell[]
  findings: Omit<RoundInput, 'atMin'>
  /** Key of the cell in hand: its place is lit. */
  inHand?: string | null
}) {
  const { geometry, clinicalCase, layers } = limb
  const box = useRef<HTMLDivElement>(null)
  const marks = roundOnLimb(geometry, cells, looksOfOne(clinicalCase, { atMin: 0, ...findings }))
  const held = cells.find(({ key }) => key === inHand)
  const lit = held ? siteOnDrawing(geometry, held.part, held.item) : null
  const goTo = ({ site }: LimbFinding): void => {
    const there = cells.filter((cell) => siteOnDrawing(geometry, cell.part, cell.item) === site)
    const cell = there.find((one) => one.isOpen) ?? there[0]
    const line = cell && box.current?.closest('form')?.querySelector<HTMLElement>(`[data-cell="${cell.key}"]`)
    line?.scrollIntoView({ block: 'center' })
    line?.querySelector<HTMLElement>('button[aria-pressed="true"], button, input')?.focus()
  }
  return (
    <div ref={box} className="min-w-0">
      <LanePicture
        geometry={geometry}
        heightPx={heightPx}
        layers={layers}
        findings={marks}
        sitesInHand={lit ? [lit] : none}
        onFinding={goTo}
      />
    </div>
  )
}
