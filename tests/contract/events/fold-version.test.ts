import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { foldedSample } from '../../../scripts/generate/folded-sample'

const approved = readFileSync(new URL('./approved-fold.txt', import.meta.url), 'utf8')
const approvedVersion = /^version (\d+)$/m.exec(approved)?.[1]

describe('the version of the fold', () => {
  it('is raised with every change of what a fold makes of the same events: snapshots of before are folded again then', () => {
    const { version, text } = foldedSample()
    const [is, was] = [text, approved.replace(/^version .*\n\n/, '')].map((words) => words.split('\n'))
    const changed = is!.filter((line, index) => line !== was![index]).slice(0, 5)
    expect(
      changed.length === 0 || version !== approvedVersion,
      `the same events fold into another record: raise foldVersion in src/contract/events/fold.ts, then run npm run approve-plans\n${changed.join('\n')}`,
    ).to.equal(true)
    expect(is, 'foldVersion was raised, or the sample has changed: run npm run approve-plans').to.deep.equal(was)
    expect(version).to.equal(approvedVersion)
  })
})
