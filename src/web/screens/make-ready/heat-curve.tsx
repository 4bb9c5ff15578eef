import { CategoryScale, Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'
import { useShownTheme } from '../../parts/use-shown-theme'
import type { HeatResult } from '#core/figures/heat/solve-heat'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip, Legend)

/** Skin temperature over the hour after wetting, with the limit of this patient; the words below say the same. */
export function HeatCurve({ heat, limitC }: { heat: HeatResult; limitC: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useShownTheme()
  useEffect(() => {
    if (!canvas.current) return
    const styles = getComputedStyle(document.documentElement)
    const tone = (name: string): string => styles.getPropertyValue(name).trim()
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        labels: heat.skinC.map((_, minute) => minute),
        datasets: [
          {
            label: 'Skin, °C',
            data: [...heat.skinC],
            borderColor: tone('--ink'),
            backgroundColor: tone('--ink'),
            borderWidth: 2.5,
            pointRadius: 0,
          },
          {
            label: `Limit ${limitC} °C`,
            data: heat.skinC.map(() => limitC),
            borderColor: tone('--stop'),
            backgroundColor: tone('--stop'),
            borderDash: [6, 4],
            borderWidth: 2,
            pointRadius: 0,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            title: { display: true, text: 'minutes after wetting', color: tone('--soft') },
            ticks: { color: tone('--soft'), maxTicksLimit: 13 },
            grid: { display: false },
          },
          y: {
            suggestedMin: 30,
            suggestedMax: Math.max(limitC + 2, Math.ceil(heat.peakC) + 1),
            ticks: { color: tone('--soft') },
            grid: { color: tone('--line') },
          },
        },
        plugins: { legend: { labels: { color: tone('--ink'), usePointStyle: true, pointStyle: 'line' } } },
      },
    })
    return () => chart.destroy()
  }, [heat, limitC, theme])
  return (
    <div className="h-44">
      <canvas ref={canvas} role="img" aria-label={`Skin temperature over an hour: warmest ${heat.peakC.toFixed(1)} °C`} />
    </div>
  )
}
