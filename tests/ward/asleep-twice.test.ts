import { expect } from 'chai'
import { asleepTwice } from '#ward/rounds/asleep-twice'
import { standingOf } from '#ward/standing/standing-of-case'
import { bothLegs } from '../../src/server/demo/findings'
import { foldStay } from '../harness/cases/fold-stay'

/** At risk, asleep twice in a row is not a quiet night. */
describe('asleep at two rounds in a row', () => {
  const folded = foldStay({ technique: 'leg-cast', injury: { flags: ['fresh'] } })
  const { event, record, ms } = folded
  const round = (atMin: number, outcome: string): ReturnType<typeof event> =>
    event(
      'round',
      { cases: ['c1'], isBaseline: false, outcome, reason: '', findings: outcome === 'done' ? bothLegs('left') : { limbs: [] } },
      atMin,
    )

  it('is a review with steps of its own where the limb is at risk', () => {
    const stay = folded.stayAfter(round(15, 'done'), round(30, 'asleep'), round(60, 'asleep'))
    const standing = standingOf(record, stay, null, ms(61))
    expect(standing.headline).to.include('asleep at two rounds in a row')
    expect(standing.actions[0]?.text).to.include('Wake the patient now and look')
  })

  it('ends with a round that is done, and is nothing after one, or where nothing is at risk', () => {
    const nights = [
      [round(30, 'asleep')],
      [round(30, 'asleep'), round(60, 'asleep'), round(70, 'done')],
      [round(30, 'asleep'), round(60, 'refused')],
    ]
    for (const night of nights) expect(asleepTwice(record, folded.stayAfter(...night))).to.deep.equal([])
    const calm = foldStay({ technique: 'walker-boot', injury: { region: 'foot', pattern: 'achilles-rupture' } })
    const stay = calm.stayAfter(round(30, 'asleep'), round(60, 'asleep'))
    expect(asleepTwice(calm.record, stay)).to.deep.equal([])
  })
})
