import { paddedGirth, paddingDefaults } from '../figures/body/padded-girth'
import { roomFor, type Opening } from '../figures/swelling/compare-openings'
import { girthGrowthAt, swellingDefaults } from '../figures/swelling/girth-growth'
import { hoursUntilLimit, pressureUnderShell, roomDefaults, type RoomInput } from '../figures/swelling/room'
import type { GeometryStation } from '../model/geometry'
import { swellings, type Swelling } from '../model/vocabulary'
import { readDefaults, type Protocol } from '../quantities/defaults'
import {
  choiceAt,
  figureAt,
  type Bench,
  type BenchCaution,
  type BenchState,
  type ChoiceControl,
  type LimbNote,
  type RangeControl,
} from './bench'
import { insideStations, practiceLimb } from './practice-limb'

const limb: ChoiceControl = {
  kind: 'choice',
  id: 'limb',
  label: 'Limb',
  choices: [
    { id: 'leg', label: 'leg' },
    { id: 'arm', label: 'forearm' },
  ],
  usual: 'leg',
}
const swelling: ChoiceControl = {
  kind: 'choice',
  id: 'swelling',
  label: 'Swelling to come',
  choices: swellings.map((id) => ({ id, label: id })),
  usual: 'moderate',
}
const padding: RangeControl = { kind: 'range', id: 'padding', label: 'Padding', unit: 'layers', least: 1, greatest: 8, step: 1, usual: 2 }
const way: ChoiceControl = {
  kind: 'choice',
  id: 'way',
  label: 'Way out',
  choices: [
    { id: 'closed', label: 'stays closed' },
    { id: 'single', label: 'one cut' },
    { id: 'strip', label: 'strip out' },
    { id: 'two-halves', label: 'two halves' },
    { id: 'half-shell', label: 'slab from the start' },
  ],
  usual: 'closed',
}
const cutAt: RangeControl = { kind: 'range', id: 'cut', label: 'Cut after', unit: 'h', least: 0, greatest: 72, step: 1, usual: 12 }
const toSkin: ChoiceControl = {
  kind: 'choice',
  id: 'skin',
  label: 'Padding at the cut',
  choices: [
    { id: 'cut', label: 'cut to skin' },
    { id: 'kept', label: 'kept' },
  ],
  usual: 'cut',
}
const hour: RangeControl = {
  kind: 'range',
  id: 'hour',
  label: 'Hours after it went on',
  unit: 'h',
  least: 0,
  greatest: 72,
  step: 1,
  usual: 24,
}
const lastHour = 72
/** Hours are looked at this finely, h. */
const stepH = 0.25
/** A slab covers this share of the limb. */
const slabShare = 0.66

interface Shell {
  readonly closed: RoomInput
  readonly opened: RoomInput
  /** When the closed one becomes the opened one, h. */
  readonly cutH: number
}

/** What is round a girth before and after it is cut. */
function shellAt(state: BenchState, girthCm: number, protocol: Protocol): Shell {
  const paddingLayers = figureAt(state, padding)
  const how = choiceAt(state, way) as Opening
  const room = (opening: Opening): RoomInput =>
    roomFor(
      opening,
      {
        girthCm,
        paddedGirthCm: paddedGirth(girthCm, paddingLayers, readDefaults(paddingDefaults, protocol).compressedLayerCm),
        growthMax: readDefaults(swellingDefaults, protocol)[choiceAt(state, swelling) as Swelling],
        paddingLayers,
        isPaddingCut: choiceAt(state, toSkin) === 'cut',
        coverage: slabShare,
      },
      protocol,
    )
  const cutH = how === 'closed' ? Infinity : how === 'half-shell' ? 0 : figureAt(state, cutAt)
  return { closed: room('closed'), opened: room(how), cutH }
}

/** kPa under a shell at an hour; null where the padding is crushed flat. */
function pressureAt(shell: Shell, atH: number, protocol: Protocol): number | null {
  return pressureUnderShell(atH < shell.cutH ? shell.closed : shell.opened, atH, protocol)
}

/** Hours of the 72 that lie above the limit. */
function hoursAbove(shell: Shell, limitKPa: number, protocol: Protocol): number {
  let hours = 0
  for (let at = 0; at < lastHour; at += stepH) if ((pressureAt(shell, at, protocol) ?? Infinity) >= limitKPa) hours += stepH
  return hours
}

/** What stands about the room for swelling, station by station. */
export const swellingBench: Bench = {
  id: 'swelling',
  name: 'Swelling',
  purpose: 'How a limb fills its cast over three days, and what a cut gains, now or later.',
  controls: [limb, swelling, way, toSkin, padding, cutAt],
  handle: hour,
  work: (state, ctx) => {
    const { protocol } = ctx
    const { limitKPa, restKPa, stiffnessKPa } = readDefaults(roomDefaults, protocol)
    const { timeConstantH } = readDefaults(swellingDefaults, protocol)
    const geometry = practiceLimb(choiceAt(state, limb) === 'arm', ctx)
    const at = figureAt(state, hour)
    const inside = insideStations(geometry)
    const shells = inside.map((station) => ({ station, shell: shellAt(state, station.girthCm, protocol) }))
    const kPaOf = (shell: Shell, atH: number): number => pressureAt(shell, atH, protocol) ?? Infinity
    const worst = shells.reduce((most, one) => (one.station.girthCm > most.station.girthCm ? one : most))
    const growthMax = worst.shell.closed.growthMax
    const growth = girthGrowthAt(growthMax, at, timeConstantH)
    const now = pressureAt(worst.shell, at, protocol)
    const closedH = hoursUntilLimit(worst.shell.closed, protocol)
    const openedH = hoursUntilLimit(worst.shell.opened, protocol)
    const aboveH = hoursAbove(worst.shell, limitKPa, protocol)
    const isCut = Number.isFinite(worst.shell.cutH) && choiceAt(state, way) !== 'half-shell'
    const later: Shell = { ...worst.shell, cutH: worst.shell.cutH + 1 }
    const laterH = isCut ? hoursAbove(later, limitKPa, protocol) - aboveH : 0
    const atCut = isCut ? (pressureAt({ ...worst.shell, cutH: Infinity }, worst.shell.cutH, protocol) ?? null) : null
    const name = worst.station.label
    const figures = [
      {
        id: 'growth',
        label: `Girth at the ${name}`,
        value: worst.station.girthCm * (1 + growth),
        unit: 'cm',
        digits: 1,
        words: `${(growth * 100).toFixed(1)} % more`,
        working: `${worst.station.girthCm.toFixed(1)} cm × (1 + ${(growthMax * 100).toFixed(1)} % × (1 − exp(−${at}/${timeConstantH}))).`,
      },
      {
        id: 'pressure',
        label: `Pressure there at ${at} h`,
        value: now,
        unit: 'kPa',
        digits: 1,
        ...(now === null ? { words: 'padding crushed flat: no room' } : {}),
        working: `${restKPa} kPa at rest + ${stiffnessKPa}·x/(1 − x), x the share of the padding that is pressed out of ${figureAt(state, padding)} layers. Our estimate, not a compartment’s pressure.`,
      },
      {
        id: 'closed-hours',
        label: `Closed, hours to ${limitKPa} kPa`,
        value: closedH,
        unit: 'h',
        digits: 1,
        ...(closedH === null ? { words: 'not within 72 h by estimate' } : {}),
        working: `When the pressure in the closed cast passes ${limitKPa} kPa (30 mmHg).`,
      },
      {
        id: 'opened-hours',
        label: `As chosen, hours to ${limitKPa} kPa`,
        value: openedH,
        unit: 'h',
        digits: 1,
        ...(openedH === null ? { words: 'not within 72 h by estimate' } : {}),
        working: `The same with ${openedWords(state)}: ${worst.shell.opened.openingCm.toFixed(1)} cm freed round the limb${worst.shell.opened.hasCrepe ? ', 0.5 kPa for a light crepe' : ''}.`,
      },
      {
        id: 'above',
        label: `Above ${limitKPa} kPa in 72 h`,
        value: aboveH,
        unit: 'h',
        digits: 2,
        working: `Hours before and after the cut in which the pressure at the ${name} is ${limitKPa} kPa or more, every quarter of an hour.`,
      },
      {
        id: 'later',
        label: 'Waiting one hour more',
        value: isCut ? laterH : null,
        unit: 'h',
        digits: 2,
        words: isCut ? `more above ${limitKPa} kPa` : 'nothing is cut',
        working: isCut
          ? `The same with the cut an hour later. At ${worst.shell.cutH} h the closed cast presses ${atCut === null ? 'more than its padding bears' : `${atCut.toFixed(1)} kPa`}.`
          : 'Choose a cut and its hour.',
      },
    ]
    const cautions: BenchCaution[] = []
    if (now === null || now >= limitKPa)
      cautions.push({
        level: 'stop',
        text: 'Open it down to skin now, call the senior, look again within 15 minutes.',
        why: `At ${at} h the estimate is ${now === null ? 'padding crushed flat' : `${now.toFixed(1)} kPa`} at the ${name}; ${limitKPa} kPa is the limit.`,
      })
    else if (closedH !== null && !isCut && choiceAt(state, way) === 'closed')
      cautions.push({
        level: 'caution',
        text: 'A closed cast will not hold this swelling: leave a way out from the start.',
        why: `It passes ${limitKPa} kPa after about ${closedH.toFixed(1)} h.`,
      })
    return {
      figures,
      cautions,
      scenes: [
        {
          kind: 'limb',
          id: 'limb',
          geometry: { ...geometry, stations: geometry.stations.map((station) => grown(station, growth, inside)) },
          notes: Object.fromEntries(shells.map(({ station, shell }) => [station.id, noteOf(kPaOf(shell, at), limitKPa)])),
        },
        {
          kind: 'curves',
          id: 'pressure',
          title: 'Three days under it',
          xLabel: 'hours after it went on',
          yLabel: 'kPa',
          lines: [
            ...shells.map(({ station, shell }) => ({
              label: station.label,
              tone: station === worst.station ? ('ink' as const) : ('soft' as const),
              points: Array.from({ length: lastHour + 1 }, (_, h) => [h, pressureAt(shell, h, protocol)] as const),
            })),
            {
              label: `limit ${limitKPa} kPa`,
              tone: 'stop' as const,
              isDashed: true,
              points: [
                [0, limitKPa],
                [lastHour, limitKPa],
              ] as const,
            },
          ],
          yRange: [0, 6],
          atX: at,
          hasHandle: true,
          words: `Pressure by station over 72 hours; at ${at} hours ${now === null ? 'the padding is crushed flat' : `${now.toFixed(1)} kPa`} at the ${name}.`,
        },
      ],
    }
  },
  fromCase: (clinicalCase, plan) => {
    const layers = plan.decisions.find((decision) => decision.unit === 'layers' && decision.label.toLowerCase().includes('padding'))?.value
    const isArm = plan.geometry.body === 'arm'
    if (plan.geometry.body !== 'leg' && !isArm) return null
    return {
      limb: isArm ? 'arm' : 'leg',
      swelling: clinicalCase.injury.swelling,
      ...(typeof layers === 'number' ? { padding: layers } : {}),
    }
  },
}

function openedWords(state: BenchState): string {
  return way.choices.find((choice) => choice.id === choiceAt(state, way))?.label ?? ''
}

function grown(station: GeometryStation, growth: number, inside: readonly GeometryStation[]): GeometryStation {
  return inside.includes(station) ? { ...station, girthCm: station.girthCm * (1 + growth), from: 'measured' } : station
}

/** Pressure at a girth in words and tone. */
function noteOf(kPa: number, limitKPa: number): LimbNote {
  if (!Number.isFinite(kPa)) return { words: 'no room', tone: 'stop' }
  return { words: `${kPa.toFixed(1)} kPa`, tone: kPa >= limitKPa ? 'stop' : kPa >= limitKPa * 0.6 ? 'caution' : 'calm' }
}
