import { readingErrorDefaults } from '../quantities/reading-error'
import type { DefaultGroup, DefaultValue, Protocol } from '../quantities/defaults'
import { heatDefaults } from '../model/heat-input'
import { legMassDefaults } from '../figures/traction/leg-masses'
import { rigDefaults } from '../figures/traction/hang-rig'
import { paddingDefaults } from '../figures/body/padded-girth'
import { plausibilityDefaults } from '../figures/body/plausibility'
import { layerDefaults } from '../figures/slabs/slab-layers'
import { hardDefaults } from '../figures/setting-time/hard-after'
import { settingDefaults } from '../figures/setting-time/working-time'
import { slackDefaults } from '../figures/straps/finger-slack'
import { swellingDefaults } from '../figures/swelling/girth-growth'
import { roomDefaults } from '../figures/swelling/room'
import { bandageDefaults } from '../figures/wraps/bandage-pressure'
import { wrapDefaults } from '../figures/wraps/wrap-length'
import { roundDefaults } from '../planner/schedule-rounds'
import { taskMinuteDefaults } from '../rounds/task-minutes'
import { strapDefaults } from '../techniques/families/traction/decide-strap-places'
import { pullDefaults } from '../techniques/families/traction/decide-pull'
import { stripDefaults } from '../techniques/families/traction/holding-strip'
import { ringDefaults } from '../techniques/families/traction/ring'
import { castStrengthDefaults } from '../techniques/leg-cast/strength'
import { heavyDefaults } from '../techniques/shared/heavy'
import { balanceDefaults } from '../techniques/suspended-ring-traction/weights'

/** One constant that a local protocol may set. */
export interface ProtocolFigure extends DefaultValue {
  /** `<group>.<name>`, as a protocol names it. */
  readonly key: string
  /** What it belongs to, in words. */
  readonly group: string
  readonly label: string
  readonly least: number
  readonly greatest: number
  readonly isWhole: boolean
}

/** Groups of constants in the order in which they are shown, what a ward sets most first. */
const groups: readonly (readonly [title: string, group: DefaultGroup])[] = [
  ['Minutes for a piece of work', taskMinuteDefaults],
  ['Rounds', roundDefaults],
  ['Pull', pullDefaults],
  ['Ring', ringDefaults],
  ['Holding strips', stripDefaults],
  ['Straps of a traction splint', strapDefaults],
  ['Bandage', bandageDefaults],
  ['Setting time', settingDefaults],
  ['Hard after', hardDefaults],
  ['Slab layers', layerDefaults],
  ['Padding', paddingDefaults],
  ['Wrapping', wrapDefaults],
  ['Swelling', swellingDefaults],
  ['Hands for a heavy patient', heavyDefaults],
  ['Room to swell', roomDefaults],
  ['Strength of a cast', castStrengthDefaults],
  ['Fingers under a strap', slackDefaults],
  ['Balanced splint', balanceDefaults],
  ['Rig of the bed', rigDefaults],
  ['What a reading may be', plausibilityDefaults],
  ['How exact a reading is', readingErrorDefaults],
  ['Masses of the leg', legMassDefaults],
  ['Heat', heatDefaults],
]

/** Units and kinds at the end of a name, in words; a unit that stands beside the figure is left out. */
const endings: readonly (readonly [RegExp, string])[] = [
  [/RhoC$/, ' heat stored'],
  [/PerC$/, ' change for each degree'],
  [/K$/, ' conductivity'],
  [/(Cm|Kgf|Kg|Min|Deg|KPa|MPa|MmHg|C|H|W)$/, ''],
]

/** Every constant that a local protocol may set, with its range. */
export const protocolFigures: readonly ProtocolFigure[] = groups.flatMap(([group, defaults]) =>
  Object.entries(defaults.values).map(([name, value]): ProtocolFigure => {
    const [least, greatest] = rangeOf(value)
    return {
      ...value,
      key: `${defaults.group}.${name}`,
      group,
      label: value.label ?? inWords(name),
      least,
      greatest,
      isWhole: value.unit === 'layers',
    }
  }),
)

const byKey = new Map(protocolFigures.map((protocolFigure) => [protocolFigure.key, protocolFigure]))

/** The constant of a key; null where there is none. */
export function findFigure(key: string): ProtocolFigure | null {
  return byKey.get(key) ?? null
}

/** A constant as a protocol has it. */
export function figureOf(key: string, protocol: Protocol): number {
  return protocol.numbers[key] ?? byKey.get(key)?.value ?? Number.NaN
}

/**
 * How far a local figure may be from the shipped one where it does not say: a quarter of to four times, a quarter either way for what
 * physics and anatomy gave, eight degrees either way for temperatures; a share of one is no more than one.
 */
function rangeOf({ value, unit, source, least, greatest }: DefaultValue): readonly [number, number] {
  const [low, high] =
    unit === '°C'
      ? [value - 8, value + 8]
      : source === 'physics' || source === 'anatomy'
        ? [value * 0.75, value * 1.25]
        : [value / 4, value * 4]
  const cap = unit === 'ratio' && value <= 1 ? 1 : Infinity
  const whole = unit === 'layers' ? Math.ceil : (figure: number): number => Number(figure.toPrecision(6))
  return [least ?? whole(low), greatest ?? Math.min(cap, whole(high))]
}

function inWords(name: string): string {
  const [pattern, words] = endings.find(([one]) => one.test(name)) ?? [/$/, '']
  const spaced = name
    .replace(pattern, words)
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replaceAll('-', ' ')
    .toLowerCase()
  return spaced.charAt(0).toUpperCase() + spaced.slice(1)
}
