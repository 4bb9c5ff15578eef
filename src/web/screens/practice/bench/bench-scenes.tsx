import { memo } from 'react'
import { figureAt, type Bench, type BenchScene, type BenchState, type CurveScene, type LimbScene } from '#core/practice/bench'
import type { DisplayUnits } from '#core/planner/format-decision'
import { HeatMap } from '../../../case/plan/heat-map'
import { WetStrip } from '../../../case/plan/wet-strip'
import { Lane } from '../../../lane/lane'
import type { LaneLayer } from '../../../lane/lane-props'
import { TractionScene } from '../../../lane/traction-scene'
import { Button } from '../../../parts/button'
import { LineChart } from '../../../parts/line-chart'
import { useSettings } from '../../../sync/session-store'
import { useHeatSweep } from '../../../workers/use-heat-sweep'
import { defaultProtocol } from '#core/quantities/defaults'
import { RangeSlider } from './bench-controls'
import { SketchFigure } from '../../../cards/sketch-figure'

const girths: readonly LaneLayer[] = ['readings', 'slab']
/** Where findings stand, nothing else is named beside the limb. */
const worn: readonly LaneLayer[] = ['slab']

/** What a bench shows: limb, rig, curves with their handle, maps. A pinned bench's lines lie under the lines of now. */
export function BenchScenes({
  bench,
  state,
  scenes,
  pinned,
  onChange,
}: {
  bench: Bench
  state: BenchState
  scenes: readonly BenchScene[]
  pinned: readonly BenchScene[] | null
  onChange: (change: BenchState) => void
}) {
  const handle = bench.handle
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      {scenes.map((scene) => {
        const before = pinned?.find((one) => one.id === scene.id) ?? null
        return (
          <div key={scene.id} className="grid grid-cols-[minmax(0,1fr)] gap-1">
            <Scene scene={scene} before={before} bench={bench} onChange={onChange} />
            {handle && scene.kind === 'curves' && scene.hasHandle ? (
              <div className="px-2 print:hidden">
                <RangeSlider control={handle} value={figureAt(state, handle)} onChange={(value) => onChange({ [handle.id]: value })} />
              </div>
            ) : null}
          </div>
        )
      })}
    </div>
  )
}

interface SceneProps {
  readonly scene: BenchScene
  readonly before: BenchScene | null
  readonly bench: Bench
  readonly onChange: (change: BenchState) => void
}

/** Drawn anew when its answer is, not whenever a control is turned. */
const Scene = memo(function Scene({ scene, before, bench, onChange }: SceneProps) {
  const { units } = useSettings()
  switch (scene.kind) {
    case 'curves':
      return <Curves scene={scene} before={before?.kind === 'curves' ? before : null} />
    case 'limb':
      return (
        <>
          {before?.kind === 'limb' ? (
            <Pinned>
              <LimbOf scene={before} units={units} />
            </Pinned>
          ) : null}
          <LimbOf scene={scene} units={units} />
        </>
      )
    case 'pull': {
      const control = bench.controls.find((one) => one.id === scene.drags)
      return (
        <>
          {before?.kind === 'pull' ? (
            <Pinned>
              <TractionScene scene={before.scene} limb={before.geometry} />
            </Pinned>
          ) : null}
          <div className="rounded-3xl border border-line bg-sheet p-3">
            <TractionScene
              scene={scene.scene}
              limb={scene.geometry}
              {...(control?.kind === 'range'
                ? { onCarried: (at: number) => onChange({ [control.id]: Math.min(control.greatest, Math.max(control.least, at)) }) }
                : {})}
            />
          </div>
        </>
      )
    }
    case 'sketch':
      return (
        <figure className="rounded-3xl border border-line bg-sheet p-3">
          <figcaption className="px-1 font-bold">{scene.title}</figcaption>
          <SketchFigure scene={scene} before={before?.kind === 'sketch' ? before : null} units={units} />
        </figure>
      )
    case 'wet':
      return (
        <>
          {before?.kind === 'wet' ? (
            <Pinned>
              <WetStrip input={before.input} people={before.people} />
            </Pinned>
          ) : null}
          <WetStrip input={scene.input} people={scene.people} />
        </>
      )
    case 'heat-map':
      return <Map input={scene.input} limitC={scene.limitC} />
  }
})

function LimbOf({ scene, units }: { scene: LimbScene; units: DisplayUnits }) {
  const { geometry, notes, findings } = scene
  return <Lane geometry={geometry} units={units} layers={findings ? worn : girths} notes={notes} findings={findings} />
}

function Pinned({ children }: { children: React.ReactNode }) {
  return (
    <figure className="grid gap-1 rounded-3xl border border-dashed border-soft p-2">
      <figcaption className="px-2 text-sm font-semibold text-soft">A, pinned</figcaption>
      {children}
    </figure>
  )
}

function Curves({ scene, before }: { scene: CurveScene; before: CurveScene | null }) {
  const pinned = (before?.lines ?? [])
    .filter((line) => !line.isDashed)
    .map((line) => ({ ...line, label: `A: ${line.label}`, tone: 'soft' as const, isDashed: true }))
  return (
    <figure className="rounded-3xl border border-line bg-sheet p-3">
      <figcaption className="px-1 font-bold">{scene.title}</figcaption>
      <LineChart
        name={scene.words}
        xLabel={scene.xLabel}
        yLabel={scene.yLabel}
        lines={[...pinned, ...scene.lines]}
        {...(scene.lanes ? { lanes: scene.lanes } : {})}
        {...(scene.yRange ? { yRange: scene.yRange } : {})}
        {...(scene.atX === undefined ? {} : { atX: scene.atX })}
        className="h-40 sm:h-52"
      />
      <p className="sr-only">{scene.words}</p>
    </figure>
  )
}

/** The map of water and layers, worked out in workers when it is asked for. */
function Map({ input, limitC }: { input: Parameters<typeof useHeatSweep>[0]; limitC: number }) {
  const sweep = useHeatSweep(input, setting)
  return (
    <figure className="grid gap-2 rounded-3xl border border-line bg-sheet p-3 print:hidden">
      <figcaption className="flex flex-wrap items-center gap-3 px-1 font-bold">
        Water and layers
        {sweep.status === 'running' ? (
          <Button onClick={sweep.cancel}>Stop the map</Button>
        ) : sweep.status === 'done' ? null : (
          <Button onClick={sweep.start}>{sweep.status === 'idle' ? 'Draw the map' : 'Go on with the map'}</Button>
        )}
        {sweep.status === 'running' ? (
          <span role="status" className="text-sm font-normal text-soft">
            {sweep.results.length} of {sweep.total}
          </span>
        ) : null}
      </figcaption>
      {sweep.results.length > 0 ? <HeatMap results={sweep.results} waterC={input.waterC} layers={input.layers} limitC={limitC} /> : null}
    </figure>
  )
}

const setting = { packMin: null, protocol: defaultProtocol }
