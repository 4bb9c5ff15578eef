import type { GeometryBand } from '../model/geometry'
import type { Step } from '../model/step'
import { hasStepRole } from '../model/step-role'

/**
 * Bands of a drawing that are not on yet when a step comes up: nothing is drawn on a limb before it is put on. A band comes on with the first
 * step that puts something on at its place, or with the first that lays something on or closes it where none names it. What a procedure
 * begins by opening or taking off is on from its beginning, but for the lines that are cut. What is kept clear is always drawn.
 * @param step that is in hand: what it puts on is on; null when all are done
 * @param skipped ids of steps that were skipped: what they put on is not on
 * @returns ids of bands
 */
export function bandsOff(
  steps: readonly Step[],
  bands: readonly GeometryBand[],
  step: Step | null,
  skipped: ReadonlySet<string> = new Set(),
): readonly string[] {
  const at = step ? steps.findIndex(({ id }) => id === step.id) : steps.length
  return bands.filter((band) => !isOn(steps, band, at, skipped)).map((band) => band.id)
}

function isOn(steps: readonly Step[], band: GeometryBand, at: number, skipped: ReadonlySet<string>): boolean {
  if (band.kind === 'no-go') return true
  const named = steps.filter((step) => step.where?.includes(band.id))
  const first = named[0]
  if (band.kind === 'cut') return at >= steps.findIndex((step) => (first ? step === first : hasStepRole(step, 'opens')))
  const freeing = steps.findIndex((step) => hasStepRole(step, 'opens', 'takes-off'))
  const laying = steps.find((step) => hasStepRole(step, 'lays-on', 'closes'))
  const isFreedFirst = freeing >= 0 && (laying === undefined || freeing < steps.indexOf(laying))
  if (isFreedFirst && band.kind !== 'bandage') return true
  const putting = named.filter((step) => hasStepRole(step, 'first-layer', 'lays-on', 'wraps', 'closes', 'pulls'))
  const by = putting.length > 0 ? putting : laying ? [laying] : []
  return by.length === 0 || by.some((step) => !skipped.has(step.id) && steps.indexOf(step) <= at)
}
