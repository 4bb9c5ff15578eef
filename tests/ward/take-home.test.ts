import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { Standing } from '#core/model/standing'
import { findTechnique } from '#core/techniques/registry'
import { planCase } from '#core/techniques/plan-case'
import { standingOf } from '#ward/standing/standing-of-case'
import { carefulAtHome, castAtHome, takeHomeRefusal } from '#ward/story/take-home'
import { bothLegs } from '../../src/server/demo/findings'
import { exampleOf, techniqueIds } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { testContext } from '../harness/cases/leg-slab-cases'

const calm = { level: 'none', headline: 'No warning.' } as Standing
const refusalOf = (technique: string, standing = calm): string | null =>
  takeHomeRefusal({ technique }, planCase(readCase(exampleOf(technique)).clinicalCase!, testContext())!, standing)
/** What nobody goes home in: it holds somebody on the way, or until the definitive device. */
const forTheWay = ['extrication-collar', 'seated-vest', 'pole-traction', 'frame-traction']

describe('the sheet for home', () => {
  for (const technique of techniqueIds)
    it(`${technique}: is ${forTheWay.includes(technique) ? 'not ' : ''}printed for what goes home`, () => {
      const refusal = refusalOf(technique)
      if (forTheWay.includes(technique)) expect(refusal).to.include(findTechnique(technique)!.name.toLowerCase())
      else expect(refusal).to.equal(null)
    })

  it('waits while something urgent, a stop or a review stands, and says what', () => {
    for (const level of ['urgent', 'stop', 'review'] as const)
      expect(refusalOf('leg-cast', { ...calm, level, headline: 'Toes numb since 03:12.' })).to.include('(Toes numb since 03:12): settle it')
    for (const level of ['warn', 'owed', 'known', 'unknown'] as const) expect(refusalOf('leg-cast', { ...calm, level })).to.equal(null)
  })

  it('waits by what stands on a real case, and comes when it has settled', () => {
    const { startMs, event, caseAfter, stayAfter } = foldStay({ technique: 'leg-cast' })
    const plan = planCase(readCase(exampleOf('leg-cast')).clinicalCase!, testContext())!
    const record = caseAfter()
    const round = (atMin: number, change: object) =>
      event('round', { findings: bothLegs('left', change), cases: ['c1'], outcome: 'done', reason: '', isBaseline: atMin === 0 }, atMin)
    const lost = stayAfter(round(0, {}), round(30, { pulse: 'absent' }))
    const refusalAt = (stay: typeof lost, atMin: number): string | null =>
      takeHomeRefusal(record, plan, standingOf(record, stay, null, startMs + atMin * 60_000))
    expect(refusalAt(lost, 31)).to.match(/^Something is urgent/)
    expect(refusalAt(stayAfter(round(0, {}), round(30, {})), 31)).to.equal(null)
  })

  it('says whether a cast was opened, and what blood thinners mean', () => {
    expect(castAtHome({ technique: 'leg-cast' })).to.include('closed all round')
    expect(castAtHome({ technique: 'leg-cast', openedUpAt: '2026-03-27T10:00:00Z' })).to.include('cut open along its length')
    expect(castAtHome({ technique: 'leg-slab' })).to.equal(null)
    expect(carefulAtHome({ flags: ['anticoagulated'] }).join()).to.include('blood thinners')
    expect(carefulAtHome({ flags: [] })).to.deep.equal([])
  })
})
