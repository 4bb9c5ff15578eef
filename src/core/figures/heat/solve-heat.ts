import { isPlaster } from '../setting-time/working-time'
import type { HeatInput } from '../../model/heat-input'
import { factorTridiagonal } from './tridiagonal'

export interface HeatResult {
  readonly peakC: number
  readonly peakMin: number
  /** Minutes with the skin above 44 °C. */
  readonly minutesAbove44: number
  /** Burn integral Ω; 0.53 is the threshold of a burn. */
  readonly omega: number
  /** Skin temperature at 0, 1, … 60 minutes, °C. */
  readonly skinC: readonly number[]
  /** Energy put in less energy found and lost, as a share of the heat set free: a check of the scheme. */
  readonly energyError: number
}

const cellCm = 0.02
const stepS = 2
const runMin = 60

/**
 * Skin temperature under a setting slab or cast (COMPUTATION 6): one-dimensional conduction from the core
 * through tissue, damp padding and plaster to air or pillow, with perfusion and the heat of setting.
 * Implicit finite volumes, cells of at most 0.02 cm, steps of 2 s over 60 min. Our estimate.
 * @param input layers 1 or more; temperatures in °C; set time above 0
 * @returns the skin curve, its peak, and the burn integral
 * @example plaster-fast, 10 layers, 22 °C water, 21 °C room, air, 2 padding layers: 41.0 °C at 12.5 min
 */
export function solveHeat(input: HeatInput): HeatResult {
  const grid = buildGrid(input)
  const { n, skin, widths, capacity, conductance, coreLink, airLink } = grid
  const c = input.constants
  const lower = new Float64Array(n)
  const diagonal = new Float64Array(n)
  const upper = new Float64Array(n)
  const fixed = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const below = i === 0 ? coreLink : conductance[i - 1]!
    const above = i === n - 1 ? airLink : conductance[i]!
    const blood = i < skin ? c.perfusionW * widths[i]! : 0
    lower[i] = i === 0 ? 0 : -below
    upper[i] = i === n - 1 ? 0 : -above
    diagonal[i] = capacity[i]! / stepS + below + above + blood
    fixed[i] = (i === 0 ? coreLink * c.coreC : 0) + (i === n - 1 ? airLink * input.roomC : 0) + blood * c.coreC
  }
  const system = factorTridiagonal(lower, diagonal, upper)
  const temperature = startingTemperature(input, grid)
  const startEnergy = storedEnergy(temperature, capacity)
  const theta = input.setMin * 60 * c.reactionStretch
  const heatPerArea = grid.heatPerVolume
  const steps = (runMin * 60) / stepS
  const skinC: number[] = [skinTemperature(temperature, grid)]
  let peakC = skinC[0]!
  let peakMin = 0
  let above44 = 0
  let omega = 0
  let released = 0
  let exchanged = 0
  for (let step = 1; step <= steps; step++) {
    const time = step * stepS
    const reacted = conversion(time, theta) - conversion(time - stepS, theta)
    for (let i = 0; i < n; i++) {
      let right = (capacity[i]! / stepS) * temperature[i]! + fixed[i]!
      if (i >= grid.plaster) right += (heatPerArea * widths[i]! * reacted) / stepS
      temperature[i] = right
    }
    system.solve(temperature)
    released += heatPerArea * grid.plasterM * reacted
    exchanged += stepS * (coreLink * (c.coreC - temperature[0]!) + airLink * (input.roomC - temperature[n - 1]!))
    for (let i = 0; i < skin; i++) exchanged += stepS * c.perfusionW * widths[i]! * (c.coreC - temperature[i]!)
    const now = skinTemperature(temperature, grid)
    if (now > peakC) {
      peakC = now
      peakMin = time / 60
    }
    if (now > c.hotC) above44 += stepS / 60
    omega += stepS * c.burnRate * Math.exp(-c.burnActivationK / (now + 273.15))
    if (time % 60 === 0) skinC.push(now)
  }
  const gained = storedEnergy(temperature, capacity) - startEnergy
  return {
    peakC,
    peakMin,
    minutesAbove44: above44,
    omega,
    skinC,
    energyError: Math.abs(gained - released - exchanged) / released,
  }
}

interface HeatGrid {
  readonly n: number
  /** Index of the first padding cell: the skin lies between it and the cell below. */
  readonly skin: number
  /** Index of the first plaster cell. */
  readonly plaster: number
  readonly plasterM: number
  readonly heatPerVolume: number
  readonly widths: Float64Array
  readonly capacity: Float64Array
  readonly conductance: Float64Array
  readonly coreLink: number
  readonly airLink: number
  /** Share of the skin temperature that comes from the tissue cell below it. */
  readonly skinWeight: number
}

function buildGrid(input: HeatInput): HeatGrid {
  const c = input.constants
  const plaster = isPlaster(input.material)
  const layers = [
    { cm: c.tissueCm, k: c.tissueK, rhoC: c.tissueRhoC },
    { cm: input.paddingLayers * c.paddingLayerCm, k: c.paddingK, rhoC: c.paddingRhoC },
    {
      cm: input.layers * (plaster ? c.plasterLayerCm : c.fibreglassPlyCm),
      k: plaster ? c.plasterK : c.fibreglassK,
      rhoC: plaster ? c.plasterRhoC : c.fibreglassRhoC,
    },
  ]
  const counts = layers.map((layer) => (layer.cm > 0 ? Math.max(2, Math.ceil(layer.cm / cellCm - 1e-9)) : 0))
  const n = counts.reduce((sum, count) => sum + count, 0)
  const widths = new Float64Array(n)
  const conductivity = new Float64Array(n)
  const capacity = new Float64Array(n)
  let cell = 0
  layers.forEach((layer, index) => {
    const count = counts[index]!
    for (let i = 0; i < count; i++, cell++) {
      widths[cell] = layer.cm / 100 / count
      conductivity[cell] = layer.k
      capacity[cell] = layer.rhoC * widths[cell]!
    }
  })
  const conductance = new Float64Array(n)
  for (let i = 0; i < n - 1; i++) {
    conductance[i] = 2 / (widths[i]! / conductivity[i]! + widths[i + 1]! / conductivity[i + 1]!)
  }
  const h = input.backing === 'pillow' ? c.pillowH : c.airH
  const skin = counts[0]!
  const below = conductivity[skin - 1]! / widths[skin - 1]!
  const above = conductivity[skin]! / widths[skin]!
  return {
    n,
    skin,
    plaster: skin + counts[1]!,
    widths,
    capacity,
    conductance,
    plasterM: layers[2]!.cm / 100,
    heatPerVolume: plaster ? c.plasterHeat : c.fibreglassHeat,
    coreLink: (2 * conductivity[0]!) / widths[0]!,
    airLink: 1 / (widths[n - 1]! / (2 * conductivity[n - 1]!) + 1 / h),
    skinWeight: below / (below + above),
  }
}

/** Tissue at its steady state for bare skin in the room, padding midway between skin and water, plaster at water. */
function startingTemperature(input: HeatInput, grid: HeatGrid): Float64Array {
  const c = input.constants
  const { skin, widths, conductance } = grid
  const lower = new Float64Array(skin)
  const diagonal = new Float64Array(skin)
  const upper = new Float64Array(skin)
  const tissue = new Float64Array(skin)
  const bareLink = 1 / (widths[skin - 1]! / (2 * c.tissueK) + 1 / c.airH)
  for (let i = 0; i < skin; i++) {
    const below = i === 0 ? grid.coreLink : conductance[i - 1]!
    const above = i === skin - 1 ? bareLink : conductance[i]!
    const blood = c.perfusionW * widths[i]!
    lower[i] = i === 0 ? 0 : -below
    upper[i] = i === skin - 1 ? 0 : -above
    diagonal[i] = below + above + blood
    tissue[i] = (i === 0 ? below * c.coreC : 0) + (i === skin - 1 ? bareLink * input.roomC : 0) + blood * c.coreC
  }
  factorTridiagonal(lower, diagonal, upper).solve(tissue)
  const top = tissue[skin - 1]!
  const skinStart = top + ((input.roomC - top) * bareLink * widths[skin - 1]!) / (2 * c.tissueK)
  const temperature = new Float64Array(grid.n)
  temperature.set(tissue)
  temperature.fill((skinStart + input.waterC) / 2, skin, grid.plaster)
  temperature.fill(input.waterC, grid.plaster)
  return temperature
}

function skinTemperature(temperature: Float64Array, grid: HeatGrid): number {
  return grid.skinWeight * temperature[grid.skin - 1]! + (1 - grid.skinWeight) * temperature[grid.skin]!
}

function storedEnergy(temperature: Float64Array, capacity: Float64Array): number {
  let energy = 0
  for (let i = 0; i < temperature.length; i++) energy += temperature[i]! * capacity[i]!
  return energy
}

function conversion(timeS: number, theta: number): number {
  return 1 - Math.exp(-((timeS / theta) ** 3))
}
