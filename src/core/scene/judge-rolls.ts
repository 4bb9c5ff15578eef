import { closeShare, layersLess, layersMore } from '../figures/wraps/wind-rolls'
import type { Plan } from '../model/plan'
import type { RollRun } from '../model/roll-run'
import type { SceneFault } from './scene-fault'

/** Layers that lie at a place of an axis, those of turns left out. */
export function layersAt(rolls: readonly RollRun[], axis: string, atCm: number): number {
  return rolls
    .filter((run) => run.axis === axis && Math.min(run.fromCm, run.toCm) <= atCm && atCm < Math.max(run.fromCm, run.toCm))
    .reduce((sum, run) => sum + run.layers, 0)
}

/**
 * Whether every place has its layers after the last roll, the turns at the joints are made, and each roll but a zone's last is used up.
 * @param wanted layers everywhere; null where none are counted
 * @param turns wanted at the joints, by station
 * @returns faults of the rule `bare`; none where no rolls are planned one by one
 */
export function judgeRolls(
  { rolls, geometry, materials }: Pick<Plan, 'rolls' | 'geometry' | 'materials'>,
  wanted: number | null,
  turns: Readonly<Record<string, number>>,
): readonly SceneFault[] {
  if (!rolls || rolls.length === 0 || wanted === null) return []
  const last = rolls.at(-1)?.id ?? ''
  const fault = (step: string, text: string): SceneFault => ({ rule: 'bare', step, line: null, text })
  const faults: SceneFault[] = []
  for (const { axis, fromCm, toCm, id } of geometry.bands.filter((band) => band.kind === 'zone')) {
    // The heel itself has the turns of the ankle.
    const endCm = axis === 'foot' ? (geometry.stations.find((station) => station.id === 'heel-instep')?.atCm ?? toCm) : toCm
    for (let atCm = fromCm + 0.25; atCm < endCm; atCm += 0.5) {
      const layers = layersAt(rolls, axis, atCm)
      if (layers >= wanted - layersLess - 1e-6 && layers <= wanted + layersMore + 1e-6) continue
      faults.push(fault(last, `${id}: ${layers} layers at ${atCm.toFixed(1)} cm, ${wanted} are wanted.`))
      break
    }
  }
  const turned = new Map<string, number>()
  for (const { turnsAt } of rolls) for (const { station, turns } of turnsAt) turned.set(station, (turned.get(station) ?? 0) + turns)
  for (const [station, count] of Object.entries(turns))
    if (Math.abs((turned.get(station) ?? 0) - count) > 0.15)
      faults.push(fault(last, `${turned.get(station) ?? 0} turns are made at the ${station}, ${count} are wanted.`))
  return [...faults, ...judgeLengths(rolls, materials, fault)]
}

/** A roll is as long as those laid out, what is laid and what is left together; and each but the last of its zone is used up. */
function judgeLengths(
  rolls: readonly RollRun[],
  materials: Plan['materials'],
  fault: (step: string, text: string) => SceneFault,
): readonly SceneFault[] {
  const ids = [...new Set(rolls.map(({ id }) => id))]
  const packsCm = materials.flatMap(({ item, lengthCm }) => (/-roll$/.test(item) && item !== 'padding-roll' && lengthCm ? [lengthCm] : []))
  return ids.flatMap((id, index) => {
    const own = rolls.filter((run) => run.id === id)
    const restCm = own.reduce((sum, run) => sum + run.restCm, 0)
    const wholeCm = own.reduce((sum, run) => sum + run.lengthCm, 0) + restCm
    const end = own.at(-1)
    const begins = ids.slice(index + 1).flatMap((later) => rolls.find((run) => run.id === later) ?? [])
    const goesOn = begins.some((run) => run.axis === end?.axis && run.fromCm === end.toCm)
    return [
      ...(goesOn && restCm > closeShare * wholeCm
        ? [fault(id, `${restCm.toFixed(0)} cm of it are left, and the next goes on from there.`)]
        : []),
      ...(packsCm.some((packCm) => Math.abs(wholeCm - packCm) <= closeShare * packCm + 0.1)
        ? []
        : [fault(id, `${wholeCm.toFixed(0)} cm of it are laid or left, and no roll is as long.`)]),
    ]
  })
}
