import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { foldedSample } from '../../../scripts/generate/folded-sample'

const [approvedVersion, approvedHash] = readFileSync(new URL('./approved-fold.txt', import.meta.url), 'utf8')
  .trim()
  .split(' ')

describe('the version of the fold', () => {
  it('is raised with every change of what a fold makes of the same events: snapshots of before are folded again then', () => {
    const { version, hash } = foldedSample()
    expect(
      hash === approvedHash || version !== approvedVersion,
      'the same events fold into another record: raise foldVersion in src/contract/events/fold.ts, then run npm run approve-plans',
    ).to.equal(true)
    expect([version, hash], 'foldVersion was raised, or the sample has changed: run npm run approve-plans').to.deep.equal([
      approvedVersion,
      approvedHash,
    ])
  })
})
