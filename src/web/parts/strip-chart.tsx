import { Chart, LinearScale, LineController, LineElement, PointElement, type ChartConfiguration } from 'chart.js'
import { useEffect, useRef } from 'react'
import './chart-face'
import { pageTone } from './page-tone'
import { timeTicks } from './time-ticks'
import { useNarrow } from './use-narrow'
import { useShownTheme } from './use-shown-theme'

Chart.register(LinearScale, LineController, LineElement, PointElement)

/** One quantity over time. */
export interface ChartStrip {
  readonly id: string
  readonly label: string
  readonly tone: 'ink' | 'caution' | 'stop'
  /** The earliest first. */
  readonly points: readonly { readonly atMs: number; readonly value: number | null; readonly words: string }[]
  /** What is shown at least; of words their places, 0 the best. */
  readonly range: readonly [number, number]
  /** What cannot wait begins above it, and is shaded. */
  readonly above?: number
  /** Words instead of figures, the best first: each has a lane of its own, the best on top. */
  readonly lanes?: readonly string[]
}

const stripPx = 72
const lanePx = 24
/** The same for every strip, so that a moment is at one place in all of them. */
const axisPx = { figures: 40, words: { wide: 100, narrow: 60 } }
const endPx = 12

/** Quantities one over the other on one axis of true time: a strip each, its last value large at its end. */
export function StripChart({ name, strips }: { name: string; strips: readonly ChartStrip[] }) {
  const isNarrow = useNarrow()
  const times = strips.flatMap((strip) => strip.points.map((point) => point.atMs))
  const [fromMs, untilMs] = [Math.min(...times), Math.max(...times)]
  const toMs = Math.max(untilMs, fromMs + 60_000)
  const hasWords = strips.some((strip) => strip.lanes)
  const left = hasWords ? axisPx.words[isNarrow ? 'narrow' : 'wide'] : axisPx.figures
  return (
    <div role="img" aria-label={name} className="grid gap-1 rounded-2xl border border-line bg-sheet p-3">
      {strips.map((strip) => (
        <div key={strip.id} className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3">
          <p className="col-span-2 text-[0.95rem] font-semibold">{strip.label}</p>
          <Strip strip={strip} fromMs={fromMs} toMs={toMs} leftPx={left} />
          <p
            className={`w-20 text-right text-[1.25rem] leading-tight font-bold [overflow-wrap:anywhere] ${strip.tone === 'ink' ? '' : strip.tone === 'stop' ? 'text-stop' : 'text-caution'}`}
          >
            {strip.points.findLast((point) => point.value !== null)?.words ?? ''}
          </p>
        </div>
      ))}
      <div className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3">
        <div className="relative h-8 border-t-2 border-ink" style={{ marginLeft: left, marginRight: endPx }}>
          {timeTicks(fromMs, toMs, isNarrow ? 3 : 6).map(({ atMs, text }) => (
            <span
              key={atMs}
              className="absolute top-0 flex -translate-x-1/2 flex-col items-center text-[0.8125rem] whitespace-nowrap text-soft"
              style={{ left: `${(100 * (atMs - fromMs)) / (toMs - fromMs)}%` }}
            >
              <span className="h-1.5 w-0.5 bg-ink" />
              {text}
            </span>
          ))}
        </div>
        <span className="w-20" />
      </div>
    </div>
  )
}

function Strip({ strip, fromMs, toMs, leftPx }: { strip: ChartStrip; fromMs: number; toMs: number; leftPx: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useShownTheme()
  useEffect(() => {
    if (!canvas.current) return
    const chart = new Chart(canvas.current, configOf(strip, fromMs, toMs, leftPx))
    return () => chart.destroy()
  }, [strip, fromMs, toMs, leftPx, theme])
  return (
    <div style={{ height: strip.lanes ? Math.max(stripPx, strip.lanes.length * lanePx) : stripPx }}>
      <canvas ref={canvas} aria-hidden />
    </div>
  )
}

function configOf(
  { points, range, above, lanes, tone }: ChartStrip,
  fromMs: number,
  toMs: number,
  leftPx: number,
): ChartConfiguration<'line', { x: number; y: number | null }[]> {
  const ink = pageTone(tone)
  const values = points.flatMap(({ value }) => (value === null ? [] : [value]))
  const [min, max] = [Math.min(range[0], ...values), Math.max(range[1], ...values)]
  return {
    type: 'line',
    data: {
      datasets: [
        {
          data: points.map(({ atMs, value }) => ({ x: atMs, y: value })),
          borderColor: ink,
          backgroundColor: ink,
          borderWidth: 2.5,
          pointRadius: 4.5,
          pointStyle: 'circle',
          spanGaps: true,
          // The first and the last look are whole.
          clip: false,
          stepped: lanes ? 'before' : false,
        },
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      events: [],
      layout: { padding: { right: endPx, top: 6, bottom: 6 } },
      scales: {
        x: { type: 'linear', min: fromMs, max: toMs, display: false },
        y: {
          min: lanes ? -0.5 : min,
          max: lanes ? lanes.length - 0.5 : max,
          reverse: lanes !== undefined,
          afterFit: (axis) => {
            axis.width = leftPx
          },
          border: { display: false },
          grid: { color: pageTone('line') },
          afterBuildTicks: (axis) => {
            axis.ticks = (lanes ? lanes.map((_, place) => place) : [min, ...(above === undefined ? [] : [above]), max]).map((value) => ({
              value,
            }))
          },
          ticks: {
            color: pageTone('soft'),
            autoSkip: false,
            callback: (value) => (lanes ? shortened(lanes[Number(value)] ?? '', leftPx) : String(value)),
          },
        },
      },
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
    },
    plugins: above === undefined ? [] : [shading(above)],
  }
}

/** What cannot wait, behind the line. */
function shading(above: number) {
  return {
    id: 'shading',
    beforeDatasetsDraw({ ctx, chartArea: { left, right, top }, scales }: Chart) {
      const bottom = scales['y']?.getPixelForValue(above) ?? top
      ctx.fillStyle = pageTone('stop-wash')
      ctx.fillRect(left, top, right - left, Math.max(0, bottom - top))
    },
  }
}

/** So much of a lane's word as its axis has room for; the whole of it stands at the end, and in the list. */
function shortened(word: string, px: number): string {
  const most = Math.floor(px / 7)
  return word.length <= most ? word : `${word.slice(0, most - 1)}…`
}
