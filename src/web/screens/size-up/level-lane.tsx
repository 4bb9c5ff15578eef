import { useRef } from 'react'
import type { Geometry } from '#core/model/geometry'
import { formatLength } from '#core/planner/format-decision'
import { Lane } from '../../lane/lane'
import { useSettings } from '../../sync/session-store'

/** The limb on which the level of the injury is set: a tap puts it there, the slider moves it by keyboard. */
export function LevelLane({ geometry, level, onLevel }: { geometry: Geometry; level: number | null; onLevel: (levelCm: number) => void }) {
  const { units } = useSettings()
  const slider = useRef<HTMLInputElement>(null)
  const axis = geometry.axes.find((one) => one.id === 'leg' || one.id === 'arm')
  if (!axis) return null
  const most = Math.floor(axis.lengthCm)
  return (
    <section aria-label="Level of the injury" className="grid gap-1">
      <Lane
        geometry={geometry}
        units={units}
        layers={[]}
        off={geometry.bands.map((band) => band.id)}
        onLevel={(cm) => onLevel(Math.round(Math.min(most, Math.max(0, cm)) * 2) / 2)}
      />
      <label className="flex min-h-11 items-center gap-3 text-sm font-semibold text-soft">
        Level
        <input
          ref={slider}
          type="range"
          min={0}
          max={most}
          step={0.5}
          value={level ?? 0}
          onChange={(event) => onLevel(Number(event.target.value))}
          aria-valuetext={level === null ? 'not set' : formatLength(level, units)}
          className="min-w-0 flex-1 accent-ink"
        />
        <span className="numeral w-20 text-right text-ink">{level === null ? 'not set' : formatLength(level, units)}</span>
      </label>
    </section>
  )
}
