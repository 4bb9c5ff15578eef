import { unknownInjury, type InjuryRecord, type PatientDetails } from '#contract/records/episode'
import type { EndingBody } from '#contract/records/ending'
import { homeCheckId } from '#ward/owed/work-owed'
import { bothLegs } from './findings'
import type { DemoCase, DemoWriter } from './demo-writer'

const dayMin = 1440

interface Story {
  readonly daysAgo: number
  readonly patient: Partial<PatientDetails>
  readonly place: string
  readonly technique: string
  readonly injury: Pick<InjuryRecord, 'region' | 'side' | 'pattern'>
  /** How many hours it was on. */
  readonly hoursOn: number
  readonly end: EndingBody | { readonly off: string }
  /** What the last round found beside quiet findings. */
  readonly last?: Parameters<typeof bothLegs>[1]
}

const person = (name: string, born: string, number: string, ageYears: number, sex: string): Partial<PatientDetails> => ({
  name,
  isTemporary: false,
  born,
  number,
  ageYears,
  sex,
})

/** Three months of cases that have ended, in every way that they end. */
const stories: readonly Story[] = [
  {
    daysAgo: 88,
    patient: person('Merryn Sallow', '1958-02-11', 'TS-0207', 68, 'female'),
    place: 'Ward A, bed 4',
    technique: 'leg-slab',
    injury: { region: 'ankle', side: 'right', pattern: 'malleolar-fracture' },
    hoursOn: 70,
    end: { off: 'changed for a cast in the clinic' },
  },
  {
    daysAgo: 71,
    patient: person('Denzil Crowle', '1983-07-30', 'TS-0311', 43, 'male'),
    place: 'Landing bay',
    technique: 'pole-traction',
    injury: { region: 'thigh', side: 'left', pattern: 'femoral-shaft-fracture' },
    hoursOn: 3,
    end: { how: 'theatre', note: 'Nailed the same night' },
  },
  {
    daysAgo: 54,
    patient: person('Tegen Marrack', '2009-10-02', 'TS-0398', 17, 'female'),
    place: 'Bay 3',
    technique: 'walker-boot',
    injury: { region: 'foot', side: 'left', pattern: 'metatarsal-fracture' },
    hoursOn: 5,
    end: {
      how: 'home',
      note: 'Fracture clinic in a week',
      home: {
        helper: 'Father',
        stairs: 'can',
        phone: '555 0143',
        callNumber: '555 0100',
        walkingAid: 'crutches',
        taughtBack: 'toes white or numb, or it rubs',
      },
    },
  },
  {
    daysAgo: 33,
    patient: person('Jory Penhale', '1941-04-17', 'TS-0452', 85, 'male'),
    place: 'Ward B, bed 1',
    technique: 'leg-cast',
    injury: { region: 'lower-leg', side: 'right', pattern: 'tibial-shaft-fracture' },
    hoursOn: 30,
    end: { how: 'other-hospital', note: 'Vascular unit by boat; cast split, pulse back before he left' },
    last: { pulse: 'weak' },
  },
  {
    daysAgo: 20,
    patient: person('Loveday Hext', '1936-12-25', 'TS-0519', 89, 'female'),
    place: 'Ward A, bed 2',
    technique: 'suspended-ring-traction',
    injury: { region: 'thigh', side: 'right', pattern: 'femoral-shaft-fracture' },
    hoursOn: 52,
    end: { how: 'died', note: 'Pneumonia; not of the traction' },
  },
  {
    daysAgo: 6,
    patient: { name: '', isTemporary: true, ageYears: 30, isAgeEstimated: true },
    place: 'Emergency department',
    technique: 'leg-slab',
    injury: { region: 'ankle', side: 'left', pattern: 'ankle-sprain' },
    hoursOn: 0,
    end: { how: 'voided', note: 'Opened twice for the same patient' },
  },
]

/** Writes the cases that are found in the history alone. */
export async function writeEndedStories(writer: DemoWriter): Promise<void> {
  for (const story of stories) {
    const opened = story.daysAgo * dayMin
    writer.at(opened)
    const demo = await writer.open({
      patient: story.patient,
      place: story.place,
      injury: { ...unknownInjury, ...story.injury },
      technique: story.technique,
    })
    if (story.hoursOn > 0) await wear(writer, demo, story, opened)
    writer.at(opened - story.hoursOn * 60)
    if ('off' in story.end) await writer.write(demo, 'removed', { reason: story.end.off, skin: 'intact', moves: 'as-before' })
    else await writer.write(demo, 'ended', story.end)
    if ('how' in story.end && story.end.how === 'home') {
      writer.at(opened - story.hoursOn * 60 - dayMin)
      const answers = { note: 'Slept, no pain, toes warm; knows the number' }
      await writer.write(demo, 'task-done', { taskId: homeCheckId, text: 'Call at home', outcome: 'done', reason: '', answers })
    }
  }
}

async function wear(writer: DemoWriter, demo: DemoCase, { injury, hoursOn, last }: Story, opened: number): Promise<void> {
  const side = injury.side ?? 'left'
  await writer.round(demo, { isBaseline: true, findings: bothLegs(side, { restPain: 5 }) })
  writer.at(opened - 30)
  await writer.write(demo, 'applied', {})
  for (const share of [0.1, 0.5, 0.9]) {
    writer.at(opened - 30 - share * hoursOn * 60)
    await writer.round(demo, { isBaseline: false, findings: bothLegs(side, share === 0.9 ? (last ?? {}) : {}) })
  }
}
