import { mulberry32 } from '../../figures/crew/draws'
import { nerves, type CannotAssess, type Item, type LimbFindings } from '../../model/observation'
import type { skinWords } from '../../model/round-items'
import { otherSide, type Swelling } from '../../model/vocabulary'
import { quietLimb } from '../quiet-limb'
import { seedNumber } from '../seed'
import type { HiddenBody } from './draw-body'
import { isAsleep, painOf, type BodyState } from './hidden-body'

/** What a look shows: both limbs, and what is seen beside. */
export interface Shown {
  readonly limbs: readonly LimbFindings[]
  /** What is seen without asking, in words. */
  readonly seen: readonly string[]
  readonly isAsleep: boolean
}

/** Refill is counted in these, s. */
const refillsS = [1, 1.5, 2, 3, 4, 5] as const
/** The nerve that shows it first, by limb. */
const firstNerve = { leg: 'deep-peroneal', arm: 'median' } as const
/** The others bear so much more. */
const otherNerves = 1.5
/** Pain on stretch may be missed while little has happened: it shows this often. */
const earlyStretchShare = 0.75

/**
 * What somebody finds who looks now: drawn from the hidden body with the noise and the lag that looks have. Nothing is found without a cause.
 * @param wakes somebody who sleeps is woken; otherwise nothing can be asked of them
 */
export function showFindings(body: HiddenBody, state: BodyState, atMin: number, seed: string, wakes: boolean): Shown {
  const random = mulberry32(seedNumber(`${seed}/${body.bed}/look/${atMin}`))
  const { feltKPa, cooledKPa, loadMin } = state
  const sleeps = isAsleep(body, state, atMin) && !wakes
  const asked = <T>(value: T, isRefused = false): Item<T> => (sleeps ? asleep : isRefused && body.refuses ? refused : value)
  const slowS = 1.5 + Math.max(0, feltKPa - 3.4) * 1.1
  const stretches = loadMin > 30 || (loadMin > 8 && random() < earlyStretchShare)
  const reduced = (at: number, id: string): boolean => loadMin >= at * (id === firstNerve[body.limb] ? 1 : otherNerves)
  const [tinglesMin, reducedMin, movementMin] = body.nerveMin
  const injured: LimbFindings = {
    ...quietLimb(body.limb, body.side),
    colour: feltKPa > 8 ? 'dusky' : feltKPa > 5.8 ? 'pale' : 'pink',
    warmth: cooledKPa > 9 ? 'cold' : cooledKPa > 4.6 ? 'cool' : 'warm',
    refillS: slowS <= 2 ? (refillsS[Math.floor(random() * 3)] ?? 1.5) : nearestRefill(slowS),
    pulse: feltKPa > 12 ? 'absent' : feltKPa > 7 ? 'weak' : 'present',
    feeling: Object.fromEntries(
      nerves[body.limb].map(({ id }) => [
        id,
        asked(reduced(reducedMin, id) ? ('reduced' as const) : reduced(tinglesMin, id) ? ('tingling' as const) : ('normal' as const)),
      ]),
    ),
    movement: Object.fromEntries(
      nerves[body.limb].map(({ id }) => [id, asked(reduced(movementMin, id) ? ('weak' as const) : ('full' as const))]),
    ),
    swelling: swellingOf(state.growth),
    restPain: asked(painOf(body, state, atMin)),
    stretchPain: asked(stretches, true),
    tight: asked(feltKPa > 3.3),
    skin: skinOf(state.skin),
  }
  const sound: LimbFindings = { ...quietLimb(body.limb, otherSide(body.side)), ...(sleeps ? unasked(body.limb) : {}) }
  return {
    limbs: [injured, sound],
    isAsleep: sleeps,
    seen: [
      ...(sleeps ? ['They sleep: nothing can be asked.'] : []),
      ...(state.isHanging ? ['The limb hangs over the edge of the bed.'] : []),
      ...(state.isSlipped ? ['The cord has slipped: the weight stands on the floor.'] : []),
      ...(body.refuses && !sleeps ? ['They will not have it stretched.'] : []),
      ...(state.isOpen ? [body.room === null ? 'The pull is eased.' : 'The device lies open.'] : []),
    ],
  }
}

const asleep: CannotAssess = { cannotAssess: true, reason: 'asleep' }
const refused: CannotAssess = { cannotAssess: true, reason: 'refuses' }

function unasked(limb: 'leg' | 'arm'): Pick<LimbFindings, 'feeling' | 'movement'> {
  const all = Object.fromEntries(nerves[limb].map(({ id }) => [id, asleep]))
  return { feeling: all, movement: all }
}

function nearestRefill(seconds: number): number {
  return refillsS.reduce<number>((best, one) => (Math.abs(one - seconds) < Math.abs(best - seconds) ? one : best), refillsS[0])
}

function swellingOf(growth: number): Swelling {
  return growth < 0.012 ? 'none' : growth < 0.03 ? 'mild' : growth < 0.065 ? 'moderate' : 'marked'
}

function skinOf(stage: number): (typeof skinWords)[number] {
  return stage < 1 ? 'intact' : stage < 2 ? 'reddens-and-blanches' : stage < 3 ? 'red-not-blanching' : 'broken'
}
