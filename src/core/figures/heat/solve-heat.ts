import { isPlaster } from '../setting-time/working-time'
import type { HeatInput } from '../../model/heat-input'
import { stepThrough, type Conduction } from './step-through'
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

/** How finely the model is solved. */
export interface HeatAccuracy {
  /** Greatest cell of padding and plaster, and of the tissue under the skin, cm. */
  readonly cellCm: number
  /** How much each cell of tissue is longer than the one above it: deeper down the temperature bends less. 1 for cells of one length. */
  readonly growth: number
  /** Error of one step that is allowed, °C, root mean square over the cells. */
  readonly stepErrorC: number
}

/** Within 0.03 °C of the converged peak. */
export const usualAccuracy: HeatAccuracy = { cellCm: 0.02, growth: 1.06, stepErrorC: 0.015 }
const runS = 3600
const minuteS = 60
/** How finely the skin's curve is read for its peak and for the burn integral, s. */
const readS = 6

/**
 * Skin temperature under a setting slab or cast: one-dimensional conduction from the core
 * through tissue, damp padding and plaster to air or pillow, with perfusion and the heat of setting.
 * Implicit finite volumes, cells of at most 0.02 cm, longer ones deep in the tissue; steps as long as their error allows (see `stepThrough`). Our estimate.
 * @param input layers 1 or more; temperatures in °C; set time above 0
 * @param accuracy finer only to see how far the usual one is off
 * @returns the skin curve, its peak, and the burn integral
 * @example plaster-fast, 10 layers, 22 °C water, 21 °C room, air, 2 padding layers: 41.0 °C at 12.5 min
 */
export function solveHeat(input: HeatInput, accuracy: HeatAccuracy = usualAccuracy): HeatResult {
  const grid = buildGrid(input, accuracy)
  const c = input.constants
  const temperature = startingTemperature(input, grid)
  const startEnergy = storedEnergy(temperature, grid.capacity)
  const theta = input.setMin * 60 * c.reactionStretch
  const skin = new Float64Array(runS / readS + 1)
  skin[0] = skinTemperature(temperature, grid)
  let read = 1
  const flows = stepThrough(conductionOf(input, grid), temperature, {
    endS: runS,
    stepErrorC: accuracy.stepErrorC,
    source: (timeS) => reactionRate(timeS, theta) * grid.heatPerVolume,
    watched: { cell: grid.skin - 1, share: grid.skinWeight },
    onStep(curve, toS) {
      for (; read < skin.length && read * readS <= toS + 1e-9; read++) skin[read] = curve(read * readS)
    },
  })
  const gained = storedEnergy(temperature, grid.capacity) - startEnergy
  const released = grid.plasterM * flows.source
  return {
    ...peakOf(skin),
    minutesAbove44: secondsAbove(skin, c.hotC) / minuteS,
    omega: burnIntegral(skin, c.burnRate, c.burnActivationK),
    skinC: Array.from({ length: runS / minuteS + 1 }, (_, minute) => skin[(minute * minuteS) / readS]!),
    energyError: Math.abs(gained - released - flows.exchanged) / released,
  }
}

/** The greatest of a curve, between its readings by the parabola through the three about it. */
function peakOf(skin: Float64Array): { readonly peakC: number; readonly peakMin: number } {
  let at = 0
  for (let i = 1; i < skin.length; i++) if (skin[i]! > skin[at]!) at = i
  const [before, here, after] = [skin[at - 1], skin[at]!, skin[at + 1]]
  if (before === undefined || after === undefined) return { peakC: here, peakMin: (at * readS) / minuteS }
  const bend = before - 2 * here + after
  const shift = bend < 0 ? (before - after) / (2 * bend) : 0
  return { peakC: here - ((before - after) * shift) / 4, peakMin: ((at + shift) * readS) / minuteS }
}

/** How long a curve lies above a limit, straight between its readings, s. */
function secondsAbove(skin: Float64Array, limitC: number): number {
  let share = 0
  for (let i = 1; i < skin.length; i++) {
    const [low, high] = skin[i - 1]! < skin[i]! ? [skin[i - 1]!, skin[i]!] : [skin[i]!, skin[i - 1]!]
    share += high <= limitC ? 0 : low >= limitC ? 1 : (high - limitC) / (high - low)
  }
  return share * readS
}

/** Ω = ∫ A·exp(−E/T) dt over the curve, by trapezes. */
function burnIntegral(skin: Float64Array, ratePerS: number, activationK: number): number {
  let sum = 0
  for (let i = 0; i < skin.length; i++) {
    const rate = ratePerS * Math.exp(-activationK / (skin[i]! + 273.15))
    sum += i === 0 || i === skin.length - 1 ? rate / 2 : rate
  }
  return sum * readS
}

/** The grid as a system of equations: what each cell gets from its neighbours, from blood, core and air, and from the reaction. */
function conductionOf(input: HeatInput, grid: HeatGrid): Conduction {
  const c = input.constants
  const { n, skin, plaster, widths, capacity, conductance, coreLink, airLink } = grid
  const lower = new Float64Array(n)
  const diagonal = new Float64Array(n)
  const upper = new Float64Array(n)
  const fixed = new Float64Array(n)
  const heated = new Float64Array(n)
  const outward = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const below = i === 0 ? coreLink : conductance[i - 1]!
    const above = i === n - 1 ? airLink : conductance[i]!
    const blood = i < skin ? c.perfusionW * widths[i]! : 0
    lower[i] = i === 0 ? 0 : below
    upper[i] = i === n - 1 ? 0 : above
    diagonal[i] = below + above + blood
    fixed[i] = (i === 0 ? coreLink * c.coreC : 0) + (i === n - 1 ? airLink * input.roomC : 0) + blood * c.coreC
    outward[i] = (i === 0 ? coreLink : 0) + (i === n - 1 ? airLink : 0) + blood
    heated[i] = i >= plaster ? widths[i]! : 0
  }
  return { capacity, lower, diagonal, upper, fixed, outward, heated }
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

function buildGrid(input: HeatInput, { cellCm, growth }: HeatAccuracy): HeatGrid {
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
  const deep = tissueCells(c.tissueCm, cellCm, growth)
  const counts = layers.map((layer, index) => {
    if (index === 0) return deep.length
    return layer.cm > 0 ? Math.max(2, Math.ceil(layer.cm / cellCm - 1e-9)) : 0
  })
  const n = counts.reduce((sum, count) => sum + count, 0)
  const widths = new Float64Array(n)
  const conductivity = new Float64Array(n)
  const capacity = new Float64Array(n)
  let cell = 0
  layers.forEach((layer, index) => {
    const count = counts[index]!
    for (let i = 0; i < count; i++, cell++) {
      widths[cell] = index === 0 ? deep[i]! / 100 : layer.cm / 100 / count
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

/** Lengths of the cells of tissue from deep to the skin, cm: the last is at most `cellCm` long. */
function tissueCells(tissueCm: number, cellCm: number, growth: number): readonly number[] {
  const shares: number[] = []
  let sum = 0
  for (let next = 1; sum * cellCm < tissueCm - 1e-9 || shares.length < 2; next *= growth) {
    shares.unshift(next)
    sum += next
  }
  return shares.map((share) => (share * tissueCm) / sum)
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

/** dξ/dt of ξ = 1 − exp(−(t/θ)³), 1/s. */
function reactionRate(timeS: number, theta: number): number {
  const share = timeS / theta
  return ((3 * share * share) / theta) * Math.exp(-(share ** 3))
}

/**
 * Temperature through the depth at one moment, by the same model as `solveHeat`.
 * @param minute after wetting, 0 to 60
 * @returns middles of the cells from deep to outer: cm from the skin (tissue below 0), °C
 */
export function heatProfile(input: HeatInput, minute: number): readonly { readonly depthCm: number; readonly temperatureC: number }[] {
  const grid = buildGrid(input, usualAccuracy)
  const temperature = startingTemperature(input, grid)
  const theta = input.setMin * 60 * input.constants.reactionStretch
  if (minute > 0) {
    stepThrough(conductionOf(input, grid), temperature, {
      endS: minute * minuteS,
      stepErrorC: usualAccuracy.stepErrorC,
      source: (timeS) => reactionRate(timeS, theta) * grid.heatPerVolume,
      watched: { cell: grid.skin - 1, share: grid.skinWeight },
      onStep: () => undefined,
    })
  }
  let edgeM = 0
  for (let i = 0; i < grid.skin; i++) edgeM -= grid.widths[i]!
  return Array.from(temperature, (temperatureC, cell) => {
    const depthCm = (edgeM + grid.widths[cell]! / 2) * 100
    edgeM += grid.widths[cell]!
    return { depthCm, temperatureC }
  })
}
