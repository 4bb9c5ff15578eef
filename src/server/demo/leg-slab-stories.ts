import type { Pattern, Region, Side, Swelling } from '#core/model/vocabulary'
import type { InjuryRecord, PatientDetails } from '#contract/records/episode'
import type { DemoCase, DemoWriter } from './demo-writer'
import { bothLegs } from './findings'

function injury(
  region: Region,
  side: Side,
  pattern: Pattern,
  swelling: Swelling,
  levelCm: number | null = null,
  flags: InjuryRecord['flags'] = ['fresh'],
): InjuryRecord {
  return { region, side, pattern, swelling, levelCm, flags }
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

async function read(writer: DemoWriter, demo: DemoCase, id: string, side: Side, value: number): Promise<void> {
  await writer.write(demo, 'reading', { id, side, value, unit: 'cm', tool: 'tape' })
}

/** The readings of a below-knee slab: path on the sound side, girths on the injured one. */
async function measureAll(
  writer: DemoWriter,
  demo: DemoCase,
  injured: Side,
  figures: { path: number; ankle: number; calf: number; below: number; heel: number; toe: number },
): Promise<void> {
  await read(writer, demo, 'slab-path', injured === 'left' ? 'right' : 'left', figures.path)
  for (const [id, value] of [
    ['ankle', figures.ankle],
    ['calf', figures.calf],
    ['below-knee', figures.below],
    ['heel-instep', figures.heel],
    ['toe', figures.toe],
  ] as const) {
    await read(writer, demo, `${id}-girth`, injured, value)
  }
}

async function applyAll(writer: DemoWriter, demo: DemoCase, minutesAgo: number): Promise<void> {
  writer.at(minutesAgo + 30)
  await writer.accept(demo)
  const runId = demo.caseId
  writer.at(minutesAgo + 20)
  await writer.write(demo, 'run-started', { runId })
  for (const [index, stepId] of [
    'position',
    'lay-out',
    'identity',
    'baseline',
    'padding',
    'bone-points',
    'cut-slab',
    'wet',
    'lay',
    'fold',
    'turn-back',
    'bandage',
    'mould',
    'hold-set',
    'finish',
    'trim',
    'transfer',
    'after-check',
  ].entries()) {
    writer.at(minutesAgo + 19 - index)
    await writer.write(demo, 'step', { runId, stepId, outcome: 'done', reason: '' })
  }
  writer.at(minutesAgo)
  await writer.write(demo, 'applied', {})
}

/** Back slabs of the gale week, one at each stage and two of them going wrong. */
export async function writeLegSlabStories(writer: DemoWriter): Promise<void> {
  await arrivals(writer)
  await inPlasterRoom(writer)
  await onWard(writer)
}

async function arrivals(writer: DemoWriter): Promise<void> {
  writer.at(4)
  await writer.open({
    patient: { name: '', isTemporary: true, ageYears: 60, isAgeEstimated: true },
    place: 'Landing bay',
    injury: null,
    technique: 'leg-slab',
  })

  writer.at(14)
  const measuring = await writer.open({
    patient: person('Wenna Strood', '1988-03-02', 'TS-2041', 38, 166, 62, 'female'),
    place: 'Bay 2',
    injury: injury('ankle', 'right', 'malleolar-fracture', 'moderate', 7),
    technique: 'leg-slab',
  })
  await writer.round(measuring, { isBaseline: true, findings: bothLegs('right', { swelling: 'moderate', restPain: 5 }) })
  await read(writer, measuring, 'slab-path', 'left', 57.5)
  await read(writer, measuring, 'ankle-girth', 'right', 24.6)

  writer.at(26)
  const choosing = await writer.open({
    patient: person('Hale Brannock', '1954-11-19', 'TS-1187', 72, 179, 98, 'male'),
    place: 'Bay 4',
    flags: ['anticoagulated', 'diabetes'],
    injury: injury('ankle', 'left', 'malleolar-fracture', 'marked', 9),
    technique: 'leg-slab',
  })
  await writer.round(choosing, { isBaseline: true, findings: bothLegs('left', { swelling: 'marked', restPain: 6, colour: 'red' }) })
  await measureAll(writer, choosing, 'left', { path: 62.5, ankle: 29.4, calf: 42.5, below: 38, heel: 37.5, toe: 26.5 })
}

async function inPlasterRoom(writer: DemoWriter): Promise<void> {
  writer.at(48)
  const ready = await writer.open({
    patient: person('Isbel Carrow', '2013-06-30', 'TS-2210', 13, 152, 44, 'female'),
    place: 'Plaster room',
    injury: injury('foot', 'left', 'metatarsal-fracture', 'mild', 4),
    technique: 'leg-slab',
  })
  await writer.round(ready, { isBaseline: true, findings: bothLegs('left') })
  await measureAll(writer, ready, 'left', { path: 53, ankle: 20.5, calf: 31.5, below: 28.8, heel: 28.5, toe: 20.6 })
  writer.at(40)
  await writer.accept(ready)

  writer.at(70)
  const applying = await writer.open({
    patient: person('Corin Mabyn', '1997-01-14', 'TS-1904', 29, 184, 81, 'male'),
    place: 'Plaster room',
    injury: injury('ankle', 'right', 'ankle-sprain', 'moderate'),
    technique: 'leg-slab',
  })
  await writer.round(applying, { isBaseline: true, findings: bothLegs('right', { swelling: 'moderate' }) })
  await measureAll(writer, applying, 'right', { path: 64, ankle: 25.8, calf: 38.4, below: 35.2, heel: 35.6, toe: 25 })
  writer.at(60)
  await writer.accept(applying)
  writer.at(9)
  await writer.write(applying, 'run-started', { runId: applying.caseId })
  for (const [index, stepId] of ['position', 'lay-out', 'identity', 'baseline', 'padding', 'bone-points', 'cut-slab'].entries()) {
    writer.at(8 - index)
    await writer.write(applying, 'step', { runId: applying.caseId, stepId, outcome: 'done', reason: '' })
  }

  writer.at(80)
  const checking = await writer.open({
    patient: person('Sela Trewin', '1971-09-08', 'TS-1520', 55, 163, 70, 'female'),
    place: 'Plaster room',
    injury: injury('ankle', 'left', 'malleolar-fracture', 'mild', 8),
    technique: 'leg-slab',
  })
  await writer.round(checking, { isBaseline: true, findings: bothLegs('left') })
  await measureAll(writer, checking, 'left', { path: 56, ankle: 23.5, calf: 36.8, below: 33.6, heel: 32.4, toe: 23 })
  await applyAll(writer, checking, 4)
}

async function onWard(writer: DemoWriter): Promise<void> {
  writer.at(400)
  const steady = await writer.open({
    patient: person('Ennor Vose', '1962-05-21', 'TS-0877', 64, 172, 77, 'male'),
    place: 'Ward A, bed 3',
    flags: ['lives-alone'],
    injury: injury('ankle', 'right', 'malleolar-fracture', 'mild', 8),
    technique: 'leg-slab',
  })
  await writer.round(steady, { isBaseline: true, findings: bothLegs('right', { restPain: 4 }) })
  await measureAll(writer, steady, 'right', { path: 59.5, ankle: 24, calf: 37, below: 34, heel: 33.5, toe: 24 })
  await applyAll(writer, steady, 310)
  for (const minute of [15, 30, 45, 60, 90, 120, 150, 180, 240, 300]) {
    writer.at(310 - minute)
    await writer.round(steady, { isBaseline: false, findings: bothLegs('right', { restPain: minute < 100 ? 4 : 3 }) })
  }

  writer.at(330)
  const overdue = await writer.open({
    patient: person('Tamsyn Hollow', '1949-12-03', 'TS-0412', 76, 158, 58, 'female'),
    place: 'Ward A, bed 7',
    flags: ['fragile-skin'],
    injury: injury('ankle', 'left', 'malleolar-fracture', 'moderate', 8),
    technique: 'leg-slab',
  })
  await writer.round(overdue, {
    isBaseline: true,
    findings: bothLegs('left', { feeling: { 'deep-peroneal': 'normal', 'superficial-peroneal': 'normal', tibial: 'reduced' } }),
  })
  await writer.write(overdue, 'call', {
    to: 'Sorrel Vane, orthopaedic registrar',
    isReached: true,
    how: 'telephone',
    said: 'Numb since the fall; splint it, look every hour.',
  })
  await measureAll(writer, overdue, 'left', { path: 54, ankle: 24.2, calf: 34.6, below: 31.5, heel: 31.8, toe: 22 })
  await applyAll(writer, overdue, 225)
  for (const minute of [15, 30, 45, 62, 92]) {
    writer.at(225 - minute)
    await writer.round(overdue, {
      isBaseline: false,
      findings: bothLegs('left', { feeling: { 'deep-peroneal': 'normal', 'superficial-peroneal': 'normal', tibial: 'reduced' } }),
    })
  }

  writer.at(260)
  const worsening = await writer.open({
    patient: person('Jago Penrose-Lyle', '1990-02-27', 'TS-1733', 36, 181, 88, 'male'),
    place: 'Ward A, bed 5',
    injury: injury('lower-leg', 'left', 'tibial-shaft-fracture', 'marked', 22, ['fresh', 'high-energy']),
    technique: 'leg-slab',
  })
  await writer.round(worsening, { isBaseline: true, findings: bothLegs('left', { swelling: 'moderate', restPain: 4 }) })
  await measureAll(writer, worsening, 'left', { path: 84, ankle: 26, calf: 41, below: 37.5, heel: 36, toe: 25.4 })
  await read(writer, worsening, 'mid-thigh-girth', 'left', 56)
  await applyAll(writer, worsening, 130)
  for (const [minute, restPain, swelling, tight] of [
    [15, 4, 'moderate', false],
    [31, 4, 'moderate', false],
    [46, 4, 'moderate', false],
    [61, 5, 'moderate', false],
    [90, 6, 'marked', true],
    [121, 6, 'marked', true],
  ] as const) {
    writer.at(130 - minute)
    await writer.round(worsening, {
      isBaseline: false,
      findings: bothLegs('left', { restPain, swelling, tight, refillS: minute > 80 ? 2.8 : 2 }, minute > 100),
    })
  }
}
