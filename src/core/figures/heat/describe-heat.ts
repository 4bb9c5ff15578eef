import type { HeatResult } from './solve-heat'

/**
 * What a heat result means, in plain words; always as an estimate, never as "not reached".
 * @param limitC the caution limit of this patient, °C
 */
export function describeHeat(heat: Pick<HeatResult, 'peakC' | 'peakMin' | 'minutesAbove44' | 'omega'>, limitC: number): readonly string[] {
  const peak = `In this estimate the skin is warmest at ${heat.peakC.toFixed(1)} °C, ${heat.peakMin.toFixed(0)} minutes after wetting.`
  const meaning =
    heat.omega >= 0.53
      ? 'That is enough to burn. Do not lay it on: cooler water, fewer layers, open air.'
      : heat.peakC >= limitC
        ? `That is above the ${limitC} °C of this patient: cooler water, fewer layers, open air, and ask about heat until it cools.`
        : `The limit of this patient is ${limitC} °C. Ask about heat all the same: skin differs, and folds of plaster are thicker than planned.`
  const above =
    heat.minutesAbove44 > 0
      ? `It stays above 44 °C for about ${heat.minutesAbove44.toFixed(0)} ${heat.minutesAbove44 < 1.5 ? 'minute' : 'minutes'}.`
      : ''
  return [
    peak,
    meaning,
    above,
    'This is a model of flat layers, not a measurement: it knows nothing of edges, folds or poor blood flow. “Too hot” means take it off.',
  ].filter(Boolean)
}
