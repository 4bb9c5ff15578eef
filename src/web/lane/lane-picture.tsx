import { memo, useMemo } from 'react'
import type { Geometry } from '#core/model/geometry'
import { LaneStrip } from './kit/lane-frame'
import { laneBodies } from './lane'
import type { LaneLayer, LaneProps } from './lane-props'

const worn: readonly LaneLayer[] = ['slab']

/**
 * A small drawing without names, for cards and lists: the same limb as on a lane, with what is put on. It says nothing of its own to a screen
 * reader, since words stand beside it.
 * @param heightPx 64 on a card, 120 beside a step
 */
export const LanePicture = memo(function LanePicture({
  geometry,
  heightPx = 64,
  widthPx,
  ...shown
}: Partial<Pick<LaneProps, 'layers' | 'off' | 'lit' | 'hands' | 'findings' | 'sitesInHand' | 'onFinding' | 'wet'>> & {
  geometry: Geometry
  heightPx?: number
  /** Where it is drawn without a screen to measure. */
  widthPx?: number
}) {
  const strip = useMemo(() => ({ heightPx, hasSide: false, ...(widthPx ? { widthPx } : {}) }), [heightPx, widthPx])
  if (geometry.body === 'none' || geometry.stations.length === 0) return null
  const Body = laneBodies[geometry.body]
  return (
    <div aria-hidden className={shown.onFinding ? '' : 'pointer-events-none'}>
      <LaneStrip value={strip}>
        <Body geometry={geometry} units="metric" layers={worn} {...shown} />
      </LaneStrip>
    </div>
  )
})
