import { CategoryScale, Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'
import { assessed } from '#core/model/observation'
import type { Side } from '#core/model/vocabulary'
import '../../parts/chart-face'
import { useShownTheme } from '../../parts/use-shown-theme'
import type { JudgedRound } from '#contract/views/case-rounds'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip, Legend)

/** Pain at rest and capillary refill of the injured side over the rounds; the same figures stand in the list. */
export function TrendChart({ judged, side, appliedAt }: { judged: readonly JudgedRound[]; side: Side; appliedAt: string }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useShownTheme()
  useEffect(() => {
    if (!canvas.current) return
    const styles = getComputedStyle(document.documentElement)
    const tone = (name: string): string => styles.getPropertyValue(name).trim()
    const limbs = judged.map(({ round }) => round.findings.limbs.find((limb) => limb.side === side))
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        labels: judged.map(({ round }) => label(Date.parse(round.at) - Date.parse(appliedAt))),
        datasets: [
          {
            label: 'Pain at rest, 0–10',
            data: limbs.map((limb) => assessed(limb?.restPain) ?? null),
            borderColor: tone('--stop'),
            backgroundColor: tone('--stop'),
            pointStyle: 'rectRot',
            pointRadius: 5,
            borderWidth: 2.5,
            yAxisID: 'pain',
            spanGaps: true,
          },
          {
            label: 'Refill, s',
            data: limbs.map((limb) => assessed(limb?.refillS) ?? null),
            borderColor: tone('--calm'),
            backgroundColor: tone('--calm'),
            pointStyle: 'circle',
            borderDash: [5, 4],
            pointRadius: 4,
            borderWidth: 2.5,
            yAxisID: 'refill',
            spanGaps: true,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        color: tone('--ink'),
        scales: {
          x: { ticks: { color: tone('--soft') }, grid: { color: tone('--line') } },
          pain: { min: 0, max: 10, position: 'left', ticks: { color: tone('--soft'), stepSize: 2 }, grid: { color: tone('--line') } },
          refill: { min: 0, max: 6, position: 'right', ticks: { color: tone('--soft'), stepSize: 1 }, grid: { display: false } },
        },
        plugins: { legend: { labels: { usePointStyle: true, color: tone('--ink') } } },
      },
    })
    return () => chart.destroy()
  }, [judged, side, appliedAt, theme])
  return (
    <div className="h-52 rounded-2xl border border-line bg-sheet p-3">
      <canvas ref={canvas} role="img" aria-label="Trend of pain and refill on the injured side; the figures are in the list of rounds" />
    </div>
  )
}

function label(ms: number): string {
  const minutes = Math.round(ms / 60_000)
  return minutes < 0 ? 'before' : minutes < 100 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`
}
