import type { Measurement } from '#core/model/clinical-case'
import type { Device } from '#core/model/device'
import type { Orders } from '#core/model/orders'
import { bodyRegionOf, type Pattern, type Region, type Side, type Swelling } from '#core/model/vocabulary'
import type { Technique } from '#core/planner/technique'
import { techniques } from '#core/techniques/registry'
import type { RoundInput } from '#core/model/observation'
import type { Stage } from '#contract/api/board'
import type { InjuryRecord, PatientDetails } from '#contract/records/episode'
import type { DemoWriter } from './demo-writer'
import { bothArms, bothLegs, fourLimbs, quietNeck, quietSpine } from './findings'

type Findings = Omit<RoundInput, 'atMin' | 'baseline'>

interface Story {
  readonly technique: string
  readonly patient: Partial<PatientDetails>
  readonly place: string
  readonly injury: InjuryRecord
  readonly flags?: readonly string[]
  readonly options?: Readonly<Record<string, string | number>>
  readonly orders?: Orders
  readonly device?: Device
  readonly readings: readonly Pick<Measurement, 'id' | 'side' | 'value' | 'unit' | 'breadthCm'>[]
  readonly upTo: Stage
  /** Minutes since it was put on, for those who have it. */
  readonly appliedAgo?: number
  readonly baseline: Findings
  /** Findings after so many minutes. */
  readonly rounds?: readonly (readonly [number, Findings])[]
  /** The technique that it is being changed for. */
  readonly changesTo?: string
}

function person(
  name: string,
  born: string,
  number: string,
  ageYears: number,
  heightCm: number,
  massKg: number,
  sex: string,
): Partial<PatientDetails> {
  return { name, isTemporary: false, born, number, ageYears, heightCm, massKg, sex }
}
function injury(
  region: Region,
  side: Side | null,
  pattern: Pattern,
  swelling: Swelling = 'none',
  levelCm: number | null = null,
  flags: InjuryRecord['flags'] = ['fresh'],
): InjuryRecord {
  return { region, side, pattern, swelling, levelCm, flags }
}
const cm = (id: string, value: number, side?: Side): Story['readings'][number] => ({ id, value, unit: 'cm', ...(side ? { side } : {}) })
const fingers = (id: string, value: number, breadthCm: number): Story['readings'][number] => ({ id, value, unit: 'fw', breadthCm })
const neck = fourLimbs({ neck: quietNeck })
const spine = fourLimbs({ spine: quietSpine })

/** Told at length in stories of its own. */
const firstTold = 'leg-slab'

const stories: readonly Story[] = [
  {
    technique: 'slab-and-stirrup',
    patient: person('Perran Hoskyn', '2001-08-17', 'TS-2302', 25, 178, 74, 'male'),
    place: 'Bay 1',
    injury: injury('ankle', 'right', 'ankle-sprain', 'mild', 7),
    readings: [
      cm('slab-path', 61, 'left'),
      cm('stirrup-path', 74, 'left'),
      cm('ankle-girth', 23.5, 'right'),
      cm('calf-girth', 37.4, 'right'),
    ],
    upTo: 'choose',
    baseline: bothLegs('right'),
  },
  {
    technique: 'volar-slab',
    patient: person('Lowenna Pascoe-Bray', '1958-04-02', 'TS-0666', 68, 160, 63, 'female'),
    place: 'Ward B, bed 2',
    injury: injury('wrist', 'left', 'distal-radius-fracture', 'mild', 2),
    readings: [
      cm('volar-path-index', 24.5, 'right'),
      cm('volar-path-little', 22, 'right'),
      cm('wrist-girth', 16.4, 'left'),
      cm('mid-forearm-girth', 22.4, 'left'),
      cm('forearm-girth', 25.2, 'left'),
      cm('hand-girth', 19.4, 'left'),
      cm('thumb-girth', 6.3, 'left'),
    ],
    upTo: 'watch',
    appliedAgo: 95,
    baseline: bothArms('left'),
    rounds: [
      [15, bothArms('left')],
      [31, bothArms('left', { restPain: 4 })],
      [46, bothArms('left', { restPain: 4 })],
      [61, bothArms('left', { restPain: 5, feeling: { radial: 'normal', median: 'tingling', ulnar: 'normal' } })],
      [
        90,
        bothArms('left', {
          restPain: 6,
          swelling: 'moderate',
          tight: true,
          feeling: { radial: 'normal', median: 'reduced', ulnar: 'normal' },
        }),
      ],
    ],
  },
  {
    technique: 'leg-cast',
    patient: person('Marlo Trevanion', '1983-12-12', 'TS-1411', 42, 180, 84, 'male'),
    place: 'Plaster room',
    injury: injury('lower-leg', 'left', 'tibial-shaft-fracture', 'mild', 24, ['reduced-or-operated']),
    readings: [
      cm('ankle-girth', 23.6, 'right'),
      cm('calf-girth', 38, 'right'),
      cm('knee-girth', 38.5, 'right'),
      cm('mid-thigh-girth', 53, 'right'),
      cm('groin-girth', 60, 'right'),
      cm('inside-leg', 84, 'right'),
      cm('lower-leg-length', 51, 'right'),
      cm('foot-length', 27, 'right'),
    ],
    upTo: 'make-ready',
    baseline: bothLegs('left'),
  },
  {
    technique: 'leg-cast',
    patient: person('Ruan Tolgarrick', '1990-04-02', 'TS-1822', 36, 176, 78, 'male'),
    place: 'Ward A, bed 6',
    injury: injury('lower-leg', 'right', 'tibial-shaft-fracture', 'mild', 22, ['fresh', 'reduced-or-operated']),
    readings: [
      cm('ankle-girth', 23, 'left'),
      cm('calf-girth', 37, 'left'),
      cm('knee-girth', 38, 'left'),
      cm('mid-thigh-girth', 51, 'left'),
      cm('groin-girth', 58, 'left'),
      cm('inside-leg', 82, 'left'),
      cm('lower-leg-length', 50, 'left'),
      cm('foot-length', 26, 'left'),
    ],
    upTo: 'watch',
    appliedAgo: 42,
    baseline: bothLegs('right', { swelling: 'mild', restPain: 4 }),
    rounds: [
      [2, bothLegs('right', { swelling: 'mild', restPain: 3 })],
      [16, bothLegs('right', { swelling: 'mild', restPain: 3 })],
      [31, bothLegs('right', { swelling: 'mild', restPain: 3 })],
    ],
  },
  {
    technique: 'cast-opening',
    patient: person('Eseld Nance', '1975-05-05', 'TS-1699', 51, 168, 71, 'female'),
    place: 'Plaster room',
    injury: injury('lower-leg', 'right', 'tibial-shaft-fracture', 'moderate', 20, ['fresh', 'reduced-or-operated']),
    device: { material: 'plaster-fast', layers: 7, paddingLayers: 2, minutesSince: 70 },
    readings: [cm('ankle-girth', 24, 'right'), cm('calf-girth', 37, 'right'), cm('knee-girth', 37.5, 'right')],
    upTo: 'make-ready',
    baseline: bothLegs('right', { swelling: 'moderate', restPain: 5 }),
  },
  {
    technique: 'extrication-collar',
    patient: { name: '', isTemporary: true, ageYears: 30, isAgeEstimated: true, heightCm: 175, massKg: 75, isMassEstimated: true },
    place: 'Boat ambulance',
    injury: injury('neck', null, 'neck-injury', 'none', null, ['fresh', 'high-energy']),
    options: { policy: 'rigid' },
    orders: { oxygen: 'mask' },
    readings: [fingers('neck-height', 3, 1.7), cm('neck-girth', 38)],
    upTo: 'apply',
    baseline: neck,
  },
  {
    technique: 'care-collar',
    patient: person('Tegen Rowse', '1947-10-09', 'TS-0099', 79, 156, 55, 'female'),
    place: 'Ward B, bed 4',
    flags: ['fragile-skin'],
    injury: injury('neck', null, 'neck-injury', 'none', null, []),
    readings: [
      cm('strap-overhang', 2.2, 'left'),
      cm('strap-overhang', 2.9, 'right'),
      cm('liner-margin', 0.6),
      { id: 'skin-chin', value: 'intact' },
      { id: 'skin-occiput', value: 'reddens-and-blanches' },
    ],
    upTo: 'watch',
    appliedAgo: 70,
    baseline: neck,
    rounds: [
      [15, neck],
      [30, neck],
      [45, neck],
      [60, neck],
    ],
  },
  {
    technique: 'trunk-shell',
    patient: person('Hedrek Callow', '1969-02-21', 'TS-1288', 57, 176, 82, 'male'),
    place: 'Ward B, bed 6',
    injury: injury('trunk', null, 'thoracolumbar-fracture', 'none', null, []),
    options: { 'spine-below': 'cleared' },
    readings: [
      cm('waist-girth', 88),
      cm('chest-girth', 98),
      cm('hip-girth', 101),
      cm('notch-pubis', 51),
      cm('overlap-left', 3.1),
      cm('overlap-right', 3.4),
      cm('edge-to-notch-lying', 2.4),
      cm('edge-to-notch-standing', 1.9),
      cm('edge-to-notch-sitting', 0.2),
      cm('groove-to-crest', 0.4, 'left'),
      cm('groove-to-crest', 0.5, 'right'),
    ],
    upTo: 'check',
    appliedAgo: 12,
    baseline: spine,
  },
  {
    technique: 'seated-vest',
    patient: { name: '', isTemporary: true, ageYears: 45, isAgeEstimated: true, heightCm: 172, massKg: 80, isMassEstimated: true },
    place: 'Boat ambulance',
    injury: injury('neck', null, 'seated-spine-suspected', 'none', null, ['fresh', 'pelvis-suspected']),
    readings: [fingers('neck-height', 3, 2.1)],
    upTo: 'measure',
    baseline: neck,
  },
  {
    technique: 'ring-traction',
    patient: person('Jenifer Opie', '1992-07-30', 'TS-1802', 34, 170, 66, 'female'),
    place: 'Bay 3',
    injury: injury('thigh', 'right', 'femoral-shaft-fracture', 'moderate', 60),
    readings: [
      cm('oblique-groin-girth', 51, 'left'),
      cm('inside-leg', 80, 'left'),
      cm('mid-thigh-girth', 50, 'left'),
      cm('calf-girth', 36, 'left'),
    ],
    upTo: 'choose',
    baseline: bothLegs('right', { restPain: 6 }),
  },
  {
    technique: 'suspended-ring-traction',
    patient: person('Kitto Vellan', '1964-03-03', 'TS-0930', 62, 174, 82, 'male'),
    place: 'Ward A, bed 1',
    injury: injury('thigh', 'left', 'femoral-shaft-fracture', 'mild', 62),
    readings: [cm('oblique-groin-girth', 52, 'right'), cm('inside-leg', 79, 'right'), cm('outer-leg', 87, 'right')],
    upTo: 'watch',
    appliedAgo: 200,
    baseline: bothLegs('left', { restPain: 5 }),
    rounds: [15, 30, 45, 60, 90, 120, 150, 180].map((minute) => [minute, bothLegs('left', { restPain: 4 })] as const),
  },
  {
    technique: 'pole-traction',
    patient: { name: '', isTemporary: true, ageYears: 25, isAgeEstimated: true, heightCm: 182, massKg: 78, isMassEstimated: true },
    place: 'Landing bay',
    injury: injury('thigh', 'left', 'femoral-shaft-fracture', 'moderate', 58, ['fresh', 'high-energy']),
    readings: [cm('inside-leg', 86, 'right')],
    upTo: 'watch',
    appliedAgo: 20,
    baseline: bothLegs('left', { restPain: 6 }),
    rounds: [[14, bothLegs('left', { restPain: 5 })]],
    changesTo: 'suspended-ring-traction',
  },
  {
    technique: 'frame-traction',
    patient: { name: '', isTemporary: true, ageYears: 38, isAgeEstimated: true, heightCm: 176, massKg: 90, isMassEstimated: true },
    place: 'Boat ambulance',
    injury: injury('thigh', 'right', 'femoral-shaft-fracture', 'moderate', 61),
    readings: [cm('inside-leg', 82, 'left')],
    upTo: 'make-ready',
    baseline: bothLegs('right', { restPain: 6 }),
  },
  {
    technique: 'hinged-knee-brace',
    patient: person('Senara Toll', '1999-11-11', 'TS-1951', 27, 171, 65, 'female'),
    place: 'Fitting room',
    injury: injury('knee', 'right', 'knee-ligament', 'mild', null, ['reduced-or-operated']),
    readings: [
      cm('thigh-length', 42, 'right'),
      cm('shank-length', 39, 'right'),
      cm('strap-girth-1', 52, 'right'),
      cm('strap-length-1', 64),
      cm('hinge-forward', 1.1, 'right'),
      cm('hinge-up', 0.8, 'right'),
    ],
    upTo: 'choose',
    baseline: bothLegs('right'),
  },
  {
    technique: 'walker-boot',
    patient: person('Gawen Skell', '1980-01-25', 'TS-1566', 46, 177, 88, 'male'),
    place: 'Fitting room',
    injury: injury('foot', 'left', 'metatarsal-fracture', 'mild', null, []),
    options: { weight: 'allowed' },
    readings: [cm('foot-length', 26.4, 'left'), cm('boot-sole-length', 27.5), cm('boot-sole-height', 4.1), cm('shoe-sole-height', 2.4)],
    upTo: 'check',
    appliedAgo: 6,
    baseline: bothLegs('left'),
  },
]

/** One case for each technique but the first, at every stage; the forearm slab is going wrong. One without a story has just come in. */
export async function writeTechniqueStories(writer: DemoWriter): Promise<void> {
  for (const [index, story] of stories.entries()) await tell(writer, story, index)
  const told = new Set([firstTold, ...stories.map((story) => story.technique)])
  for (const technique of techniques.filter((one) => !told.has(one.id))) await writer.open(justCome(technique))
}

/** Somebody nameless with the first injury that a technique is for. */
function justCome(technique: Technique): Parameters<DemoWriter['open']>[0] {
  const [region = 'ankle'] = technique.regions
  const [pattern = 'other'] = technique.patterns
  const isLimb = ['leg', 'arm'].includes(bodyRegionOf(region))
  return { patient: {}, place: 'Waiting', technique: technique.id, injury: injury(region, isLimb ? 'left' : null, pattern) }
}

const reached = (story: Story, stage: Stage): boolean => {
  const order: readonly Stage[] = ['size-up', 'measure', 'choose', 'make-ready', 'apply', 'check', 'watch']
  return order.indexOf(story.upTo) >= order.indexOf(stage)
}

async function tell(writer: DemoWriter, story: Story, index: number): Promise<void> {
  const start = (story.appliedAgo ?? 0) + 50 + index
  writer.at(start)
  const demo = await writer.open({
    patient: story.patient,
    place: story.place,
    injury: story.injury,
    technique: story.technique,
    ...(story.flags ? { flags: story.flags } : {}),
  })
  await writer.round(demo, { isBaseline: true, findings: story.baseline })
  writer.at(start - 5)
  if (story.options) await writer.write(demo, 'options', { options: story.options })
  if (story.orders) await writer.write(demo, 'orders', { orders: story.orders })
  if (story.device) await writer.write(demo, 'device', { device: story.device })
  for (const reading of story.readings)
    await writer.write(demo, 'reading', { ...reading, ...(reading.unit === 'fw' ? { tool: 'fingers' } : {}) })
  if (!reached(story, 'make-ready')) return
  writer.at(start - 15)
  await writer.accept(demo)
  if (!reached(story, 'apply')) return
  const runId = demo.caseId
  const steps = await writer.stepsOf(demo)
  const isWhole = reached(story, 'check')
  const done = isWhole ? steps : steps.slice(0, Math.ceil(steps.length / 3))
  const end = story.appliedAgo ?? 2
  writer.at(end + done.length + 1)
  await writer.write(demo, 'run-started', { runId })
  for (const [at, stepId] of done.entries()) {
    writer.at(end + done.length - at)
    await writer.write(demo, 'step', { runId, stepId, outcome: 'done', reason: '' })
  }
  if (!isWhole) return
  writer.at(end)
  await writer.write(demo, 'applied', {})
  for (const [minute, findings] of story.rounds ?? []) {
    writer.at(end - minute)
    await writer.round(demo, { isBaseline: false, findings })
  }
  if (story.changesTo) {
    writer.at(2)
    await writer.change(demo, story.changesTo)
  }
}
