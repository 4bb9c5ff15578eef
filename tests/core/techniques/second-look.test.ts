import { expect } from 'chai'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import { readCase } from '#core/files/read-case'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import type { Plan } from '#core/model/plan'
import { exampleOf, changedExample, techniqueIds } from '../../harness/cases/example-cases'
import { planFile, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'

const planOf = (id: string, change: (file: CaseFile) => void): Plan => planFile(changedExample(id, change))
const valueOf = (plan: Plan, id: string): unknown => plan.decisions.find((decision) => decision.id === id)?.value
const codes = (plan: Plan): readonly string[] => plan.cautions.map((caution) => `${caution.level} ${caution.code}`)
const withReadings = (file: CaseFile, ...readings: readonly object[]): void => {
  file.measurements.push(...(readings as CaseFile['measurements']))
}

/** What a second computation of the same sheets found. */
describe('worked a second time', () => {
  it('care skin that names no occasion counts together within two hours: red at 8, intact at half past, is red', () => {
    const look = (value: string, at: string) => ({ id: 'skin-chin', value, at })
    const hours = (...looks: readonly object[]) =>
      valueOf(
        planOf('care-collar', (file) => {
          file.measurements = file.measurements.filter((measurement) => !String(measurement['id']).startsWith('skin-'))
          withReadings(file, ...looks)
        }),
        'next-care',
      )
    const red = look('reddens-and-blanches', '2026-01-10T08:00:00Z')
    expect(hours(red, look('intact', '2026-01-10T08:30:00Z'))).to.equal(12)
    expect(hours(red, look('intact', '2026-01-10T10:30:00Z'))).to.equal(24)
  })

  it('finger readings: the breadth is wrong in each finger, and two agree that are one finger apart', () => {
    const fingers = (...values: readonly number[]) =>
      planOf('extrication-collar', (file) => {
        file.measurements = file.measurements.filter((measurement) => measurement['id'] !== 'neck-height')
        withReadings(file, ...values.map((value) => ({ id: 'neck-height', value, unit: 'fw', breadthCm: 1.6 })))
      })
    const sd = fingers(3).decisions.find((decision) => decision.id === 'setting')?.sd
    expect(sd).to.be.closeTo(Math.hypot(3 * 0.1, 1.6 / Math.sqrt(12)), 1e-9)
    const asks = (plan: Plan): boolean => plan.problems.some((problem) => problem.code === 'third-reading')
    expect(asks(fingers(3, 4))).to.equal(false)
    expect(asks(fingers(3, 4.1))).to.equal(true)
  })

  it('a bandage is judged at the foot as well as on the leg, each by the width wound there', () => {
    const plan = planOf('leg-slab', (file) => {
      file.patient['flags'] = ['arterial-disease']
      file['stock'] = [{ item: 'elastic-bandage', widthCm: 10, lengthCm: 450 }]
      withReadings(file, { id: 'midfoot-girth', side: 'left', value: 13, unit: 'cm' })
    })
    expect(plan.cautions.find((caution) => caution.code === 'bandage-pressure')?.why).to.include('at the foot')
    // With wider ones in stock the foot gets one of them, and nothing is cautioned.
    const wider = planOf('leg-slab', (file) => {
      file.patient['flags'] = ['arterial-disease']
      file['stock'] = [7.5, 10, 15].map((widthCm) => ({ item: 'elastic-bandage', widthCm, lengthCm: 450 }))
    })
    expect(codes(wider)).to.not.include('bandage-pressure')
    expect(wider.materials.filter(({ item }) => item === 'elastic-bandage').map(({ widthCm }) => widthCm)).to.not.include(7.5)
  })

  it('a broken thigh stops a volar slab, wherever the region was set', () => {
    expect(codes(planOf('volar-slab', (file) => (file.injury['pattern'] = 'femoral-shaft-fracture')))).to.include('stop wrong-region')
  })

  it('one hinge offset after walking keeps what two before it gave, and asks for the other', () => {
    const before = planOf('hinged-knee-brace', (file) => withReadings(file, ...hinge('hinge-forward', 'hinge-up')))
    const after = planOf('hinged-knee-brace', (file) => withReadings(file, ...hinge('hinge-forward', 'hinge-up', 'hinge-forward-after')))
    expect(valueOf(before, 'pistoning')).to.be.a('number')
    expect(valueOf(after, 'pistoning')).to.equal(valueOf(before, 'pistoning'))
    expect(codes(after)).to.include('caution check-reading')
  })
  const hinge = (...ids: readonly string[]) => ids.map((id, index) => ({ id, value: 1 + index, unit: 'cm', side: 'right' }))

  it('fixed traction is not told to add a counterweight', () => {
    const words = (id: string) =>
      planOf(id, (file) => {
        ;(file as unknown as Record<string, unknown>)['overrules'] = [
          { decision: 'ring-pressure', value: 9, reason: 'tried', by: 'S', at: '2026-01-10T08:00:00Z' },
        ]
      }).cautions.find((caution) => caution.code === 'ring-pressure')?.text
    expect(words('ring-traction')).to.not.include('counterweight')
    expect(words('suspended-ring-traction')).to.include('counterweight')
  })

  it('a frame has two straps above and two below the knee where they fit; a short thigh without room says so', () => {
    const places = valueOf(
      planOf('frame-traction', () => undefined),
      'strap-places',
    ) as number[]
    const kneeCm = places[1]! + 1
    expect(places).to.have.length(4)
    expect(places.filter((at) => at > 45)).to.have.length(2)
    expect(kneeCm).to.be.lessThan(45)
    const small = planOf('pole-traction', (file) => {
      Object.assign(file.patient, { heightCm: 98, massKg: 15, ageYears: 4 })
      file.injury['levelCm'] = 34
      for (const one of file.measurements) one['value'] = Number(one['value']) * (one['id'] === 'inside-leg' ? 0.53 : 0.58)
    })
    const low = valueOf(small, 'strap-places') as number[]
    const knee =
      0.58 * Number(exampleOf('pole-traction').measurements.find((measurement) => measurement['id'] === 'lower-leg-length')?.['value'] ?? 0)
    if (knee > 0 && low.every((at) => at <= knee)) expect(codes(small)).to.include('caution no-thigh-strap')
    else expect(low.some((at) => at > knee)).to.equal(true)
  })

  it('straps that are alike in inches differ by 0', () => {
    const plan = planOf('care-collar', (file) => {
      file.measurements = file.measurements.filter((measurement) => measurement['id'] !== 'strap-overhang')
      withReadings(
        file,
        { id: 'strap-overhang', value: 1.1, unit: 'in', side: 'left' },
        { id: 'strap-overhang', value: 27.94, unit: 'mm', side: 'right' },
      )
    })
    expect(valueOf(plan, 'strap-balance')).to.equal(0)
  })

  it('an opening of which only the minutes are known counts as plaster', () => {
    const plan = planOf('cast-opening', (file) => ((file as unknown as Record<string, unknown>)['device'] = { minutesSince: 30 }))
    expect(valueOf(plan, 'earliest')).to.equal(60)
    expect(codes(plan)).to.include('stop not-hard')
  })

  it('same file, same bytes: whatever was planned before, and in whichever order', () => {
    const bytes = (id: string, memo: PlanContext['memo']): string => {
      const { clinicalCase } = readCase(exampleOf(id))
      const ctx = { ...testContext(), memo }
      const plan = clinicalCase && planCase(clinicalCase, ctx)
      return plan ? JSON.stringify(finishPlan(plan, ctx, clinicalCase.overrules)) : ''
    }
    const alone = new Map(techniqueIds.map((id) => [id, bytes(id, createMemo())]))
    for (const order of [
      techniqueIds,
      [...techniqueIds].reverse(),
      [...techniqueIds].sort((a, b) => a.length - b.length || (a < b ? 1 : -1)),
    ]) {
      const memo = createMemo()
      for (const id of order) expect(bytes(id, memo) === alone.get(id), `${id} is planned otherwise after others`).to.equal(true)
      // And a second time, when everything is remembered but one.
      for (const id of order) expect(bytes(id, memo) === alone.get(id), `${id} is planned otherwise a second time`).to.equal(true)
    }
  })
})
