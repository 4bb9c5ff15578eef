import { Chart, LinearScale, LineController, LineElement, PointElement, type ChartData, type ChartOptions } from 'chart.js'
import { useEffect, useRef } from 'react'
import './chart-face'
import { endLabels, endRoomPx } from './end-labels'
import { pageTone } from './page-tone'
import { useShownTheme } from './use-shown-theme'

Chart.register(LinearScale, LineController, LineElement, PointElement)

export interface ChartLine {
  readonly label: string
  readonly tone: 'ink' | 'soft' | 'stop' | 'caution' | 'calm'
  readonly isDashed?: boolean
  /** A value of null breaks the line. */
  readonly points: readonly (readonly [x: number, y: number | null])[]
}

interface LineChartProps {
  /** The chart in a sentence, for those who do not see it. */
  readonly name: string
  readonly xLabel: string
  readonly yLabel?: string
  readonly lines: readonly ChartLine[]
  /** Words instead of figures, from y 0 up: each has a lane of its own. */
  readonly lanes?: readonly string[]
  /** What is shown at least. */
  readonly yRange?: readonly [number, number]
  /** An upright line there: where the handle stands. */
  readonly atX?: number
  readonly className?: string
}

/** Lines over one axis, drawn anew in place when they change; what they say stands in words beside them. */
export function LineChart(props: LineChartProps) {
  const { name, className = 'h-44' } = props
  const canvas = useRef<HTMLCanvasElement>(null)
  const chart = useRef<Chart<'line', { x: number; y: number | null }[]> | null>(null)
  const theme = useShownTheme()
  useEffect(() => {
    if (!canvas.current) return
    if (!chart.current) {
      chart.current = new Chart(canvas.current, { type: 'line', data: dataOf(props), options: optionsOf(props), plugins: [endLabels] })
      return
    }
    chart.current.data = dataOf(props)
    chart.current.options = optionsOf(props)
    chart.current.update('none')
  }, [props, theme])
  useEffect(
    () => () => {
      chart.current?.destroy()
      chart.current = null
    },
    [],
  )
  return (
    <div className={className}>
      <canvas ref={canvas} role="img" aria-label={name} />
    </div>
  )
}

function dataOf({ lines, atX }: LineChartProps): ChartData<'line', { x: number; y: number | null }[]> {
  const ys = lines.flatMap((line) => line.points.flatMap(([, y]) => (y === null ? [] : [y])))
  const handle =
    atX === undefined
      ? []
      : [{ label: '', tone: 'citrus-deep', width: 3, points: [[atX, Math.min(...ys)] as const, [atX, Math.max(...ys)] as const] }]
  return {
    datasets: [
      ...lines.map((line) => ({
        label: line.label,
        data: line.points.map(([x, y]) => ({ x, y })),
        borderColor: pageTone(line.tone),
        backgroundColor: pageTone(line.tone),
        ...(line.isDashed ? { borderDash: [6, 4] } : {}),
        borderWidth: line.tone === 'soft' ? 1.5 : 2.5,
        pointRadius: 0,
      })),
      ...handle.map((line) => ({
        label: line.label,
        data: line.points.map(([x, y]) => ({ x, y })),
        borderColor: pageTone(line.tone),
        backgroundColor: pageTone(line.tone),
        borderWidth: line.width,
        pointRadius: 0,
      })),
    ],
  }
}

function optionsOf({ lines, xLabel, yLabel, yRange, lanes }: LineChartProps): ChartOptions<'line'> {
  const xs = lines.flatMap((line) => line.points.map(([x]) => x))
  const soft = pageTone('soft')
  return {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    // Each line is named at its end.
    layout: { padding: { right: endRoomPx(lines.map((line) => line.label)) } },
    scales: {
      x: {
        type: 'linear',
        min: Math.min(...xs),
        max: Math.max(...xs),
        title: { display: true, text: xLabel, color: soft },
        ticks: { color: soft, maxTicksLimit: 13 },
        grid: { display: false },
      },
      y: {
        ...(lanes
          ? { min: -0.5, max: lanes.length - 0.5, afterBuildTicks: (axis) => void (axis.ticks = lanes.map((_, value) => ({ value }))) }
          : {}),
        ...(yRange ? { suggestedMin: yRange[0], suggestedMax: yRange[1] } : {}),
        ...(yLabel ? { title: { display: true, text: yLabel, color: soft } } : {}),
        ticks: { color: soft, ...(lanes ? { autoSkip: false, callback: (value) => lanes[Number(value)] ?? '' } : {}) },
        grid: { color: pageTone('line') },
      },
    },
    plugins: {
      legend: { display: false },
      tooltip: { enabled: false },
    },
  }
}
