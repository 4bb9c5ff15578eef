import { lazy, Suspense, useEffect, useState } from 'react'
import { readDefaults } from '#core/quantities/defaults'
import { describeHeat } from '#core/figures/heat/describe-heat'
import { heatDefaults, type HeatInput } from '#core/model/heat-input'
import type { HeatResult } from '#core/figures/heat/solve-heat'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useHeatSweep } from '../../workers/use-heat-sweep'
import { HeatMap } from '../../case/plan/heat-map'
import type { HeatAnswer, HeatJob, SettingLocally } from '../../workers/heat-worker'

const LineChart = lazy(async () => ({ default: (await import('../../parts/line-chart')).LineChart }))

/** How warm the skin gets in this plan, and how water and layers would change it. */
export function HeatPanel({
  input,
  vulnerable,
  setting,
}: {
  input: HeatInput
  /** Why this patient's limit is lower, or null. */
  vulnerable: string | null
  setting: SettingLocally
}) {
  const heat = useHeatCurve(input)
  const sweep = useHeatSweep(input, setting)
  const { hotC, hotVulnerableC } = readDefaults(heatDefaults, setting.protocol)
  const limitC = vulnerable ? hotVulnerableC : hotC
  const share = sweep.results.length / sweep.total
  return (
    <section aria-labelledby="heat" className="grid grid-cols-[minmax(0,1fr)] gap-3 rounded-3xl border border-line bg-sheet p-4">
      <h2 id="heat" className="font-bold">
        Heat under it, an estimate
      </h2>
      {heat ? (
        <>
          <Suspense fallback={<p className="h-44 text-soft">Drawing…</p>}>
            <SkinCurve heat={heat} limitC={limitC} />
          </Suspense>
          <div className="grid gap-1">
            {describeHeat(heat, limitC).map((sentence) => (
              <p key={sentence}>{sentence}</p>
            ))}
            {vulnerable ? <p className="font-semibold text-caution">Lower limit: {vulnerable}.</p> : null}
          </div>
        </>
      ) : (
        <p className="h-44 text-soft">Working it out…</p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {sweep.status === 'running' ? (
          <Button onClick={sweep.cancel}>Cancel the map</Button>
        ) : sweep.status === 'done' ? null : (
          <Button onClick={sweep.start}>{sweep.status === 'idle' ? 'Map of water and layers' : 'Go on with the map'}</Button>
        )}
        {sweep.status === 'running' || sweep.status === 'cancelled' ? (
          <div
            role="progressbar"
            aria-label="Heat map"
            aria-valuemin={0}
            aria-valuemax={sweep.total}
            aria-valuenow={sweep.results.length}
            className="h-3 min-w-40 flex-1 overflow-hidden rounded-full bg-well"
          >
            <div className="h-full rounded-full bg-ink" style={{ width: `${share * 100}%` }} />
          </div>
        ) : null}
      </div>
      {sweep.status === 'failed' ? (
        <Notice tone="caution" lead="The map stopped: a worker of the browser ended again and again" role="status">
          {sweep.results.length} of {sweep.total} points are there. Go on with the map, or plan by the curve above.
        </Notice>
      ) : null}
      {sweep.results.length > 0 ? <HeatMap results={sweep.results} waterC={input.waterC} layers={input.layers} limitC={limitC} /> : null}
    </section>
  )
}

/** Skin temperature over the hour after wetting, with the limit of this patient; the words below say the same. */
function SkinCurve({ heat, limitC }: { heat: HeatResult; limitC: number }) {
  return (
    <LineChart
      name={`Skin temperature over an hour: warmest ${heat.peakC.toFixed(1)} °C`}
      xLabel="minutes after wetting"
      lines={[
        { label: 'Skin, °C', tone: 'ink', points: heat.skinC.map((value, minute) => [minute, value] as const) },
        {
          label: `Limit ${limitC} °C`,
          tone: 'stop',
          isDashed: true,
          points: [
            [0, limitC],
            [heat.skinC.length - 1, limitC],
          ],
        },
      ]}
      yRange={[30, Math.max(limitC + 2, Math.ceil(heat.peakC) + 1)]}
    />
  )
}

/** The skin curve of a plan, worked out in a worker of its own that ends with the answer. */
function useHeatCurve(input: HeatInput): HeatResult | null {
  const key = JSON.stringify(input)
  const [solved, setSolved] = useState<{ key: string; heat: HeatResult } | null>(null)
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/heat-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<HeatAnswer>) => {
      if (data.kind === 'curve') setSolved({ key, heat: data.heat })
      worker.terminate()
    }
    worker.postMessage({ kind: 'curve', base: JSON.parse(key) as HeatInput } satisfies HeatJob)
    return () => worker.terminate()
  }, [key])
  return solved?.heat ?? null
}
