import { expect } from 'chai'
import type { Caution } from '#core/model/plan'
import { outlastsApplication } from '#core/rules/outlasts'
import { changedExample } from '../../harness/cases/example-cases'
import { planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'

const loose = (file: CaseFile): Record<string, unknown> => file as unknown as Record<string, unknown>
const planOf = (id: string, change: (file: CaseFile) => void) => planFile(changedExample(id, change))

describe('a caution that stands on once the device is on', () => {
  it('is of heat, of a gap, and of what presses or drags skin', () => {
    const raised: readonly (readonly [id: string, code: string, change: (file: CaseFile) => void])[] = [
      ['leg-slab', 'warm-water', (file) => (loose(file)['environment'] = { waterC: 28, roomC: 21 })],
      [
        'walker-boot',
        'toe-margin',
        (file) =>
          file.measurements.forEach(
            (measurement) => measurement['id'] === 'foot-length' && (measurement['value'] = Number(measurement['value']) + 1),
          ),
      ],
      ['leg-slab', 'fragile-skin', (file) => (file.patient['flags'] = ['fragile-skin'])],
      ['ring-traction', 'fragile-skin', (file) => (file.patient['flags'] = ['fragile-skin'])],
    ]
    for (const [id, code, change] of raised) {
      const plan = planOf(id, change)
      const found = plan.cautions.filter((caution) => caution.code === code)
      expect(found, `${id} raises ${code}: ${plan.cautions.map((one) => one.code).join()}`).to.have.length.above(0)
      for (const caution of found) expect(outlastsApplication(caution, plan.procedure.steps), `${id}: ${code}`).to.equal(true)
    }
  })

  it('is one about the whole, or at a look; what is about putting it on is past', () => {
    const { steps } = planOf('leg-slab', () => undefined).procedure
    const at = (...ids: string[]): Pick<Caution, 'steps' | 'lasts'> => ({ steps: ids })
    expect(outlastsApplication(at(), steps)).to.equal(true)
    expect(outlastsApplication(at('padding', 'after-check'), steps)).to.equal(true)
    expect(outlastsApplication(at('padding'), steps)).to.equal(false)
    expect(outlastsApplication({ ...at('padding'), lasts: true }, steps)).to.equal(true)
  })
})
