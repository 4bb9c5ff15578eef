import { useEffect, useState } from 'react'
import { benches } from '#core/practice/benches'
import { usualState, type BenchScene, type CurveScene } from '#core/practice/bench'
import { LaneStrip } from '../../lane/kit/lane-frame'
import { LanePicture } from '../../lane/lane-picture'
import type { BenchJob, BenchReply } from '../../workers/bench-worker'
import { SketchFigure } from './sketch-figure'

const card = { heightPx: 64, hasSide: false }
const [curveWidth, curveHeight] = [108, 60]

/** What each bench shows before anything is turned, by its id, as one after the other is worked out in a worker. */
export function useBenchScenes(): Readonly<Record<string, readonly BenchScene[]>> {
  const [scenes, setScenes] = useState<Readonly<Record<string, readonly BenchScene[]>>>({})
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/bench-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<BenchReply>) => {
      if (data.kind === 'answer') setScenes((before) => ({ ...before, [data.key]: data.answer.scenes }))
    }
    for (const bench of benches) worker.postMessage({ key: bench.id, bench: bench.id, state: usualState(bench) } satisfies BenchJob)
    return () => worker.terminate()
  }, [])
  return scenes
}

/** A small picture of what a bench turns: its limb or sketch, else its curves; the room for it is there from the first. */
export function BenchPicture({ scenes = [] }: { scenes: readonly BenchScene[] | undefined }) {
  const body = scenes.find((scene) => scene.kind === 'limb' || scene.kind === 'pull')
  const sketch = scenes.find((scene) => scene.kind === 'sketch')
  const curves = scenes.find((scene) => scene.kind === 'curves')
  return (
    <div aria-hidden className="pointer-events-none grid min-h-16 content-center">
      {body ? (
        <LanePicture geometry={body.geometry} />
      ) : sketch ? (
        <LaneStrip value={card}>
          <SketchFigure scene={sketch} before={null} />
        </LaneStrip>
      ) : curves ? (
        <Curves scene={curves} />
      ) : null}
    </div>
  )
}

function Curves({ scene }: { scene: CurveScene }) {
  const points = scene.lines.flatMap((line) => line.points)
  const xs = points.map(([x]) => x)
  const ys = points.flatMap(([, y]) => (y === null ? [] : [y]))
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys, 0), Math.max(...ys)]
  const at = ([x, y]: readonly [number, number]): string =>
    `${(((x - x0) / (x1 - x0 || 1)) * (curveWidth - 4) + 2).toFixed(1)} ${(curveHeight - 3 - ((y - y0) / (y1 - y0 || 1)) * (curveHeight - 6)).toFixed(1)}`
  return (
    <svg viewBox={`0 0 ${curveWidth} ${curveHeight}`} className="w-full">
      <path d={`M2 ${curveHeight - 2} H${curveWidth - 2}`} stroke="var(--line)" strokeWidth="2" />
      {scene.lines.map((line) => (
        <path
          key={line.label}
          d={line.points.flatMap(([x, y], index) => (y === null ? [] : [`${index === 0 ? 'M' : 'L'}${at([x, y])}`])).join(' ')}
          fill="none"
          stroke={`var(--${line.tone})`}
          strokeWidth="2"
          strokeDasharray={line.isDashed ? '4 3' : undefined}
        />
      ))}
    </svg>
  )
}
