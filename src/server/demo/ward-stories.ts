import { unknownInjury, type PatientDetails } from '#contract/records/episode'
import { fourLimbs, quietNeck } from './findings'
import type { Actor } from '../ledger/writing'
import type { DemoCase, DemoWriter } from './demo-writer'

const dayMin = 1440
const skin = ['skin-chin', 'skin-jaw-left', 'skin-occiput', 'skin-collarbones'] as const

/** Days before now, and what each area of skin was then. */
const looks: readonly (readonly [daysAgo: number, ...grades: readonly string[]])[] = [
  [3.9, 'intact', 'intact', 'intact', 'intact'],
  [2.9, 'intact', 'intact', 'intact', 'intact'],
  [1.9, 'reddens-and-blanches', 'intact', 'intact', 'intact'],
  [0.9, 'reddens-and-blanches', 'intact', 'reddens-and-blanches', 'intact'],
  [0.3, 'red-not-blanching', 'intact', 'reddens-and-blanches', 'intact'],
]

const person = (name: string, born: string, number: string, ageYears: number): Partial<PatientDetails> => ({
  name,
  isTemporary: false,
  born,
  number,
  ageYears,
  sex: 'male',
})

/**
 * Four days of a care collar under which the chin gets worse, and what one shift told the next of it.
 * @param trainee who looked last: what they entered waits for a clinician's name
 */
export async function writeCareStory(writer: DemoWriter, trainee: Actor): Promise<void> {
  writer.at(4 * dayMin + 60)
  const demo = await writer.open({
    patient: person('Piran Nance', '1952-05-14', 'TS-0731', 74),
    place: 'Ward B, bed 7',
    injury: { ...unknownInjury, region: 'neck', pattern: 'neck-injury' },
    technique: 'care-collar',
  })
  await writer.accept(demo)
  await writer.round(demo, { isBaseline: true, findings: fourLimbs({ neck: quietNeck }) })
  writer.at(4 * dayMin)
  await writer.write(demo, 'applied', {})
  for (const [daysAgo, ...grades] of looks)
    await lookAtSkin(writer, daysAgo < 0.5 ? { ...demo, by: trainee } : demo, daysAgo * dayMin, grades)
  writer.at(20)
  await writer.round(demo, { isBaseline: false, findings: fourLimbs({ neck: quietNeck }) })
  writer.at(400)
  await writer.write(demo, 'worry', { text: 'The chin: liner changed twice and still redder. Ask for another size.' })
  writer.at(390)
  await writer.write(demo, 'taken-over', {})
}

async function lookAtSkin(writer: DemoWriter, demo: DemoCase, minutesAgo: number, grades: readonly string[]): Promise<void> {
  writer.at(minutesAgo)
  for (const [index, id] of skin.entries()) await writer.write(demo, 'reading', { id, value: grades[index] ?? 'intact' })
  writer.at(minutesAgo - 5)
  const answers = { washed: 'yes', liners: 'yes', locks: 'yes' }
  await writer.write(demo, 'task-done', {
    taskId: 'care',
    text: 'Wash, skin, fresh liners, straps equal.',
    outcome: 'done',
    reason: '',
    answers,
  })
}

/** Somebody who went home with a slab on yesterday: the call of the next day is owed today. */
export async function writeHomeStory(writer: DemoWriter): Promise<void> {
  writer.at(dayMin + 200)
  const demo = await writer.open({
    patient: person('Talan Gwyther', '1990-08-02', 'TS-0744', 36),
    place: 'Bay 2',
    injury: { ...unknownInjury, region: 'ankle', side: 'right', pattern: 'ankle-sprain' },
    technique: 'slab-and-stirrup',
  })
  writer.at(dayMin + 150)
  await writer.write(demo, 'applied', {})
  writer.at(dayMin - 60)
  await writer.write(demo, 'ended', {
    how: 'home',
    note: 'Fracture clinic in ten days',
    home: {
      helper: 'Partner',
      stairs: 'can',
      phone: '555 0171',
      callNumber: '555 0100',
      walkingAid: 'crutches',
      taughtBack: 'toes white or blue, numb, or pain that grows',
    },
  })
}
