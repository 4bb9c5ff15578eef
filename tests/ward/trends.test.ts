import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { measurementLabel } from '#core/techniques/measurement-ids'
import { trendsOf } from '#ward/rounds/trends'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { testContext } from '../harness/cases/leg-slab-cases'

const dayMin = 1_440
const ring = foldStay({ technique: 'suspended-ring-traction', injury: { region: 'thigh', pattern: 'femoral-shaft-fracture' } })
const plan = planCase(readCase(exampleOf('suspended-ring-traction')).clinicalCase!, testContext())!
const accepted = ring.event('plan', { plan }, 0)
const done = (atMin: number, answers: object, outcome = 'done') =>
  ring.event('task-done', { taskId: 'weights', text: 'Weights', outcome, reason: '', answers }, atMin)

describe('trends of care', () => {
  it('follow an answer over the days, and say first what gets worse', () => {
    const trends = trendsOf(
      ring.caseAfter(
        accepted,
        done(60, { 'hang-free': 'yes', cords: 'yes' }),
        done(120, { 'hang-free': 'yes', cords: 'no' }),
        done(180, {}, 'refused'),
      ),
    )
    const cords = trends[0]
    expect(cords).to.deep.include({ id: 'weights/cords', isWorse: true })
    expect(cords?.points.map((point) => point.words)).to.deep.equal(['yes', 'no'])
    expect(trends.find((trend) => trend.id === 'weights/hang-free')?.isWorse).to.equal(false)
  })

  it('are none of what was looked at once, or not at all', () => {
    expect(trendsOf(ring.caseAfter(accepted))).to.deep.equal([])
    expect(trendsOf(ring.caseAfter(accepted, done(60, { cords: 'yes' })))).to.deep.equal([])
  })

  it('follow the skin under a collar by area, by grade', () => {
    const collar = foldStay({ technique: 'care-collar', injury: { region: 'neck', side: null, pattern: 'neck-injury' } })
    const area = 'skin-chin'
    const skin = (atMin: number, value: string) => collar.event('reading', { id: area, value, tool: 'eye' }, atMin)
    const trends = trendsOf(collar.caseAfter(skin(-10, 'broken'), skin(dayMin, 'intact'), skin(2 * dayMin, 'reddens-and-blanches')))
    expect(trends).to.have.length(1)
    expect(trends[0]).to.deep.include({ label: measurementLabel(area), isWorse: true })
    expect(
      trends[0]?.points.map((point) => [point.value, point.words]),
      'not what was found before it went on',
    ).to.deep.equal([
      [0, 'intact'],
      [1, 'reddens and blanches'],
    ])
  })

  it('follow figures of either side by themselves, and judge none of them worse', () => {
    const girth = (atMin: number, side: string, value: number) =>
      ring.event('reading', { id: 'calf-girth', side, value, unit: 'cm', tool: 'tape' }, atMin)
    const trends = trendsOf(ring.caseAfter(girth(10, 'left', 38), girth(300, 'left', 40), girth(10, 'right', 37)))
    expect(trends.map((trend) => [trend.id, trend.unit, trend.isWorse])).to.deep.equal([['calf-girth/left', 'cm', false]])
  })
})
