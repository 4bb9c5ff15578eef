import { memo } from 'react'
import { ArmLane } from './arm-lane'
import { ColumnLane } from './column-lane'
import { LaneList } from './lane-list'
import type { LaneProps } from './lane-props'
import { LaneStrip } from './kit/lane-frame'
import { useNarrow } from '../parts/use-narrow'
import { LegLane } from './leg-lane'
import { SheetLane } from './sheet-lane'
import { TemplateLane } from './template-lane'
import { TractionScene } from './traction-scene'

/** What draws each part of the body. */
export const laneBodies = { leg: LegLane, arm: ArmLane, neck: ColumnLane, trunk: ColumnLane } as const

/** Over the work on a phone. */
const strip = { heightPx: 116, hasSide: true }

/** The limb of this patient, to scale from the readings, with what the stage lays over it; drawn again only when that changes. */
export const Lane = memo(function Lane(props: LaneProps) {
  const { geometry } = props
  const isNarrow = useNarrow()
  const isStrip = props.isStrip === true && isNarrow
  if (geometry.body === 'none' || geometry.stations.length === 0) return <EmptyLane />
  const Body = laneBodies[geometry.body]
  const hasSheet = props.layers.includes('sheet') && geometry.polygons.length > 0
  return (
    <section
      aria-label="The limb to scale"
      className="grid gap-2 border-line bg-sheet px-2 max-lg:border-b lg:rounded-3xl lg:border lg:p-3"
    >
      <LaneStrip value={isStrip ? strip : null}>
        <Body {...props} />
      </LaneStrip>
      {geometry.scene && !props.isSceneElsewhere && !isStrip ? <TractionScene scene={geometry.scene} limb={geometry} /> : null}
      {hasSheet ? <SheetLane geometry={geometry} units={props.units} {...(props.onPick ? { onPick: props.onPick } : {})} /> : null}
      {props.layers.includes('sheet') ? <TemplateLane geometry={geometry} units={props.units} /> : null}
      <LaneList geometry={geometry} units={props.units} />
    </section>
  )
})

function EmptyLane() {
  return (
    <section aria-label="The limb to scale" className="border-line bg-sheet max-lg:border-b lg:rounded-3xl lg:border lg:py-10">
      <svg
        viewBox="0 0 600 110"
        className="mx-auto block h-28 w-full max-w-3xl"
        role="img"
        aria-label="No reading yet: the limb is drawn from the first girth"
      >
        <path
          d="M60 88 L60 22 Q62 14 70 20 L84 60 Q96 72 130 66 Q210 44 300 40 Q380 38 470 46 L540 44 M540 92 L470 92 Q400 104 310 98 Q200 92 130 88 Z"
          fill="none"
          className="stroke-line"
          strokeWidth="2.5"
          strokeDasharray="3 7"
          strokeLinecap="round"
        />
        <text x="300" y="76" textAnchor="middle" className="fill-soft text-[15px]">
          The limb appears with the first girth
        </text>
      </svg>
    </section>
  )
}
