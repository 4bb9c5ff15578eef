import { drawTriangular, mulberry32 } from '../../figures/crew/draws'
import { roomFor } from '../../figures/swelling/compare-openings'
import type { RoomInput } from '../../figures/swelling/room'
import { paddedGirth, paddingDefaults } from '../../figures/body/padded-girth'
import type { ClinicalCase } from '../../model/clinical-case'
import { watchedOf } from '../../model/observation'
import type { Side } from '../../model/vocabulary'
import { spoken } from '../../model/vocabulary'
import type { Technique } from '../../planner/technique'
import { readDefaults, type Protocol } from '../../quantities/defaults'
import { legCast } from '../../techniques/leg-cast/leg-cast'
import { legSlab } from '../../techniques/leg-slab/leg-slab'
import { suspendedRingTraction } from '../../techniques/suspended-ring-traction/suspended-ring-traction'
import { volarSlab } from '../../techniques/volar-slab/volar-slab'
import { practiceCase, usualPatient } from '../practice-case'
import { seedNumber } from '../seed'
import type { Night } from './nights'

/** Somebody in the drill, with what nobody sees. A model for teaching; times are minutes from the start of the night, below 0 before it. */
export interface HiddenBody {
  readonly bed: number
  /** What is said of them: age, injury, device. */
  readonly words: string
  readonly technique: Technique
  readonly clinicalCase: ClinicalCase
  readonly limb: 'leg' | 'arm'
  readonly side: Side
  readonly onAtMin: number
  /** The room under the device; null where it is held by a pull. */
  readonly room: RoomInput | null
  /** Girth growth in the end, ε_max. */
  readonly growthMax: number
  /** Pressure under the hitch of a pull, kPa. */
  readonly hitchKPa: number
  /** When the cord slips; null for never. */
  readonly slipAtMin: number | null
  /** Load, minutes, at which feeling tingles, at which it is reduced, at which movement goes. */
  readonly nerveMin: readonly [number, number, number]
  readonly basePain: number
  /** How fast skin under an edge suffers at 2 kPa, stages an hour. */
  readonly skinPerH: number
  readonly asleep: readonly { readonly fromMin: number; readonly toMin: number }[]
  readonly refuses: boolean
  /** When they let the limb hang, until somebody puts it up again. */
  readonly hangsAtMin: number | null
  /** How long the senior takes to come. */
  readonly seniorMin: number
}

const devices = [legSlab, legCast, volarSlab, legCast, legSlab, suspendedRingTraction] as const
const girthsCm = { leg: { least: 23, most: 27 }, arm: { least: 16, most: 19 } } as const
const paddingLayers = 2
/** A slab covers this share of the limb. */
const slabShare = 0.66

/** The people of a night, the same for the same seed. */
export function drawBodies(night: Night, seed: string, protocol: Protocol): readonly HiddenBody[] {
  return Array.from({ length: night.beds }, (_, index) => drawBody(night, seed, index + 1, protocol))
}

function drawBody(night: Night, seed: string, bed: number, protocol: Protocol): HiddenBody {
  const random = mulberry32(seedNumber(`${seed}/${night.id}/${bed}`))
  const between = (least: number, most: number): number => least + random() * (most - least)
  const technique = devices[Math.floor(random() * devices.length)] ?? legSlab
  const side = random() < 0.5 ? 'left' : 'right'
  const ageYears = Math.round(between(19, 88))
  const isPulled = technique === suspendedRingTraction
  const isTight = random() < night.tightShare
  const swelling = isTight ? 'marked' : random() < 0.5 ? 'moderate' : 'mild'
  const base = practiceCase(technique, { ...usualPatient, side, swelling, heightCm: Math.round(between(155, 188)) }, protocol)
  const clinicalCase: ClinicalCase = { ...base, patient: { ...base.patient, ageYears } }
  const limb = watchedOf(base.injury.region) === 'arm' ? 'arm' : 'leg'
  const girthCm = between(girthsCm[limb].least, girthsCm[limb].most)
  const isSlab = technique === legSlab || technique === volarSlab
  // A slab that gets tight was wrapped all round: what is open in front gives way.
  const growthMax = isTight ? between(0.095, 0.14) : drawTriangular(random, [0.01, 0.025, 0.05])
  const isClosed = !isSlab || isTight
  const onAtMin = -Math.round(between(isTight ? 90 : 600, isTight ? 480 : 2_400))
  const lengthMin = night.hours * 60
  const sleepFrom = between(60, 150)
  const when = (share: number): number | null => (random() < share ? Math.round(between(30, lengthMin - 60)) : null)
  const { region } = base.injury
  return {
    bed,
    words: `${ageYears} years, ${side.toUpperCase()} ${region ? spoken(region) : limb}, ${technique.name.toLowerCase()}`,
    technique,
    clinicalCase,
    limb,
    side,
    onAtMin,
    growthMax,
    room: isPulled
      ? null
      : roomFor(
          isClosed ? 'closed' : 'half-shell',
          {
            girthCm,
            paddedGirthCm: paddedGirth(girthCm, paddingLayers, readDefaults(paddingDefaults, protocol).compressedLayerCm),
            growthMax,
            paddingLayers,
            isPaddingCut: true,
            coverage: slabShare,
          },
          protocol,
        ),
    hitchKPa: isTight ? between(4.4, 5.6) : between(1, 3),
    slipAtMin: isPulled ? when(night.slipShare) : null,
    nerveMin: [between(25, 50), between(90, 150), between(150, 260)],
    basePain: Math.round(between(1, 4)),
    skinPerH: between(0.02, 0.09),
    asleep:
      random() < night.sleepShare
        ? [{ fromMin: sleepFrom, toMin: lengthMin - between(20, 60) }]
        : [{ fromMin: sleepFrom, toMin: sleepFrom + between(60, 180) }],
    refuses: random() < night.refuseShare,
    hangsAtMin: when(night.hangShare),
    seniorMin: Math.round(between(12, 25)),
  }
}
