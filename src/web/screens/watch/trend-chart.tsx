import { useMemo } from 'react'
import { pressingPain, pressingRefillS } from '#core/rounds/look-at-limb'
import { assessed } from '#core/model/observation'
import type { Side } from '#core/model/vocabulary'
import type { JudgedRound } from '#ward/rounds/case-rounds'
import { StripChart, type ChartStrip } from '../../parts/strip-chart'

/** Pain at rest and capillary refill of the injured side over the rounds, with what cannot wait; the same figures stand in the list. */
export function TrendChart({ judged, side }: { judged: readonly JudgedRound[]; side: Side }) {
  const strips = useMemo((): readonly ChartStrip[] => {
    const points = (valueOf: (limb: JudgedRound['round']['findings']['limbs'][number]) => number | undefined, unit: string) =>
      judged.map(({ round }) => {
        const limb = round.findings.limbs.find((one) => one.side === side)
        const value = (limb && valueOf(limb)) ?? null
        return { atMs: Date.parse(round.at), value, words: value === null ? '' : `${value}${unit}` }
      })
    const strip = (id: string, label: string, own: ChartStrip['points'], range: ChartStrip['range'], above: number): ChartStrip => {
      const last = own.findLast(({ value }) => value !== null)?.value ?? 0
      return { id, label, points: own, range, above, tone: last > above ? 'stop' : 'ink' }
    }
    return [
      strip(
        'pain',
        'Pain at rest, of 10',
        points((limb) => assessed(limb.restPain), ''),
        [0, 10],
        pressingPain - 1,
      ),
      strip(
        'refill',
        'Capillary refill, s',
        points((limb) => assessed(limb.refillS), ' s'),
        [0, 6],
        pressingRefillS,
      ),
    ]
  }, [judged, side])
  return <StripChart name="Trend of pain and refill on the injured side; the figures are in the list of rounds" strips={strips} />
}
