import { girthGrowthAt, swellingDefaults } from '../../figures/swelling/girth-growth'
import { pressureUnderShell, roomDefaults } from '../../figures/swelling/room'
import { readDefaults, type Protocol } from '../../quantities/defaults'
import type { HiddenBody } from './draw-body'

/** How a hidden body is at one minute. */
export interface BodyState {
  /** Girth growth so far, ε. */
  readonly growth: number
  /** kPa under the device; at most what crushed padding is counted as. */
  readonly pressureKPa: number
  /** Pressure as the limb shows it, a quarter of an hour behind. */
  readonly feltKPa: number
  /** The same half an hour behind: skin cools late. */
  readonly cooledKPa: number
  /** What nerves and muscle have borne, minutes at 1 kPa above the limit. */
  readonly loadMin: number
  /** 0 intact, 1 reddens and blanches, 2 does not blanch, 3 broken. */
  readonly skin: number
  readonly isOpen: boolean
  /** The senior has relieved it for good. */
  readonly isRelieved: boolean
  readonly isHanging: boolean
  readonly isSlipped: boolean
  /** Pain relief works until this minute. */
  readonly relievedUntilMin: number
}

/** Padding that is crushed flat presses like this, kPa. */
export const crushedKPa = 20
const feltLagMin = 15
const coolLagMin = 30
/** Load goes back so fast once there is room, min a minute. */
const recovery = 0.5
/** A limb that hangs swells so much more. */
const hangingFactor = 1.25
/** More than this above the limit adds no more load a minute, kPa. */
const mostLoadKPa = 3
/** A pull that is eased leaves this share of the pressure under its hitch. */
const easedShare = 0.5
/** What a senior leaves of the pressure, kPa. */
const relievedKPa = 0.8

/** A body as the night begins: it has swollen since its device went on, and nothing was found. */
export function bodyAtStart(body: HiddenBody, protocol: Protocol): BodyState {
  const { timeConstantH } = readDefaults(swellingDefaults, protocol)
  const growth = girthGrowthAt(body.growthMax, -body.onAtMin / 60, timeConstantH)
  return atEase(growth, pressureOf(body, atEase(growth, 0), protocol))
}

/** A body to which nothing has happened yet, under a pressure that it has had for long. */
export function atEase(growth: number, pressureKPa: number): BodyState {
  return {
    growth,
    pressureKPa,
    feltKPa: pressureKPa,
    cooledKPa: pressureKPa,
    loadMin: 0,
    skin: 0,
    isOpen: false,
    isRelieved: false,
    isHanging: false,
    isSlipped: false,
    relievedUntilMin: -Infinity,
  }
}

/** The pressure under the device, kPa: by its room and the growth so far, or under the hitch of a pull. */
export function pressureOf(body: HiddenBody, state: BodyState, protocol: Protocol): number {
  if (state.isRelieved) return relievedKPa
  if (body.room === null) return state.isSlipped ? 0 : body.hitchKPa * (state.isOpen ? easedShare : 1)
  const { halvesCm } = readDefaults(roomDefaults, protocol)
  const room = state.isOpen ? { ...body.room, openingCm: body.room.openingCm + halvesCm, hasCrepe: false } : body.room
  return Math.min(crushedKPa, pressureUnderShell({ ...room, growthMax: state.growth }, Infinity, protocol) ?? crushedKPa)
}

/** One minute later. */
export function nextMinute(body: HiddenBody, before: BodyState, atMin: number, protocol: Protocol): BodyState {
  const { timeConstantH } = readDefaults(swellingDefaults, protocol)
  const { limitKPa } = readDefaults(roomDefaults, protocol)
  const isHanging = before.isHanging || body.hangsAtMin === atMin
  const isSlipped = before.isSlipped || body.slipAtMin === atMin
  const aim = body.growthMax * (isHanging ? hangingFactor : 1)
  const state = { ...before, isHanging, isSlipped, growth: before.growth + (aim - before.growth) / (timeConstantH * 60) }
  const pressureKPa = pressureOf(body, state, protocol)
  const above = Math.min(mostLoadKPa, pressureKPa - limitKPa)
  return {
    ...state,
    pressureKPa,
    feltKPa: before.feltKPa + (pressureKPa - before.feltKPa) / feltLagMin,
    cooledKPa: before.cooledKPa + (pressureKPa - before.cooledKPa) / coolLagMin,
    loadMin: above > 0 ? before.loadMin + above : Math.max(0, before.loadMin - recovery),
    skin: Math.min(3, before.skin + (body.skinPerH * pressureKPa) / 2 / 60),
  }
}

/** Pain at rest as they would say it, 0 to 10: of the injury, of the pressure, of a pull that has gone; relief takes little from pressure. */
export function painOf(body: HiddenBody, state: BodyState, atMin: number): number {
  const ofPressure = Math.min(5, Math.max(0, (state.feltKPa - 2.6) * 1.6)) + Math.min(2, state.loadMin / 60)
  const ofInjury = body.basePain + (state.isSlipped ? 3 : 0)
  const isRelieved = atMin < state.relievedUntilMin
  return Math.max(0, Math.min(10, Math.round(ofInjury * (isRelieved ? 0.4 : 1) + ofPressure * (isRelieved ? 0.8 : 1))))
}

/** Whether they sleep. Bad pain wakes. */
export function isAsleep(body: HiddenBody, state: BodyState, atMin: number): boolean {
  return body.asleep.some((one) => atMin >= one.fromMin && atMin < one.toMin) && painOf(body, state, atMin) < 6
}

/** The minute at which the pressure passes the limit if nobody does anything, up to `untilMin`; null for never. */
export function limitPassedAt(body: HiddenBody, state: BodyState, fromMin: number, untilMin: number, protocol: Protocol): number | null {
  const { limitKPa } = readDefaults(roomDefaults, protocol)
  let now = state
  for (let atMin = fromMin; atMin <= untilMin; atMin++) {
    if (now.pressureKPa > limitKPa) return atMin
    now = nextMinute(body, now, atMin + 1, protocol)
  }
  return null
}
