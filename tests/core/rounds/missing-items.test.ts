import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { readRound } from '#core/files/read-round'
import { missingItems } from '#core/rounds/missing-items'
import { legRound } from '../../harness/cases/leg-rounds'
import { ankleCase } from '../../harness/cases/leg-slab-cases'

const caseWith = (injury: object) => {
  const file = ankleCase()
  Object.assign(file.injury, injury)
  return readCase(file).clinicalCase!
}
const rounds = (...files: readonly object[]) => files.flatMap((file, index) => readRound(file, `rounds/${index}`, []))

describe('what a round left out', () => {
  it('is of both legs where one is hurt, and of that one alone where there is no sound side', () => {
    const [whole] = rounds(legRound(0))
    expect(missingItems(caseWith({}), whole!)).to.deep.equal([])
    const own = { ...legRound(0), limbs: legRound(0).limbs.filter((limb) => limb['side'] === 'left') }
    const [alone] = rounds(own)
    expect(missingItems(caseWith({}), alone!).every((id) => id.startsWith('leg-right'))).to.equal(true)
    expect(missingItems(caseWith({}), alone!)).to.not.deep.equal([])
    expect(missingItems(caseWith({ flags: ['no-sound-side'] }), alone!)).to.deep.equal([])
  })

  it('is every limb where nobody said which side is hurt, and none was looked at', () => {
    const unsaid = caseWith({ side: null })
    const [none] = rounds({ atMin: 0, limbs: [] })
    const [some] = rounds(legRound(0))
    expect(missingItems(unsaid, none ?? { atMin: 0, limbs: [] })).to.deep.equal(['limbs'])
    expect(missingItems(unsaid, some!)).to.deep.equal([])
  })
})
