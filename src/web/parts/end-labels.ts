import type { Chart } from 'chart.js'

const rowPx = 15
const mostRoomPx = 170
const letterPx = 6.9

/** Room at the right of a chart for the names of its lines. */
export function endRoomPx(labels: readonly string[]): number {
  return Math.min(mostRoomPx, Math.max(0, ...labels.map((label) => label.length)) * letterPx + 14)
}

/** Names lines at their ends, in their own colour, no two over each other: a legend would have to be matched by its greys. */
export const endLabels = {
  id: 'end-labels',
  afterDatasetsDraw(chart: Chart) {
    const { ctx, chartArea } = chart
    const ends = chart.data.datasets.flatMap((dataset, index) => {
      const points = chart.getDatasetMeta(index).data
      const last = (dataset.data as readonly { readonly y: number | null }[]).findLastIndex((point) => point.y !== null)
      const point = points[last]
      return dataset.label && point ? [{ label: dataset.label, tone: String(dataset.borderColor), y: point.y }] : []
    })
    ctx.save()
    ctx.font = '600 13px "Atkinson Hyperlegible Next Variable", system-ui, sans-serif'
    ctx.textBaseline = 'middle'
    for (const { label, tone, y } of spread(ends, chartArea.top, chartArea.bottom)) {
      ctx.fillStyle = tone
      ctx.fillText(label, chartArea.right + 8, y, mostRoomPx - 10)
    }
    ctx.restore()
  },
}

/**
 * Moves names apart that would stand over each other, as little as it takes, within the chart.
 * @param from top, px; `to` bottom
 */
export function spread<T extends { readonly y: number }>(ends: readonly T[], from: number, to: number): readonly T[] {
  const sorted = [...ends].sort((a, b) => a.y - b.y)
  const placed: T[] = []
  for (const end of sorted) placed.push({ ...end, y: Math.max(end.y, placed.length === 0 ? from : placed.at(-1)!.y + rowPx) })
  // What went over the bottom is pushed up again.
  for (let index = placed.length - 1, most = to; index >= 0; index--, most -= rowPx) {
    const end = placed[index]!
    if (end.y <= most) break
    placed[index] = { ...end, y: most }
  }
  return placed
}
