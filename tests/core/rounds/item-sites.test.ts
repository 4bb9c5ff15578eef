import { expect } from 'chai'
import { nerves } from '#core/model/observation'
import { alsoAskedSigns, keyMovements, neckItems, spineItems } from '#core/model/round-items'
import { isItemOf, partIds } from '#core/rounds/item-ids'
import { itemsOfNoSite, siteOfItem } from '#core/rounds/item-sites'

/** Every item that a round of any part can hold. */
const everyItem: readonly string[] = [
  ...['colour', 'warmth', 'refill', 'pulse', 'swelling', 'restPain', 'stretchPain', 'tight', 'painBeyondExpected', 'spotPain', 'skin'],
  ...alsoAskedSigns,
  ...[...nerves.leg, ...nerves.arm].flatMap(({ id }) => [`feeling/${id}`, `movement/${id}`]),
  ...[...keyMovements.leg, ...keyMovements.arm].map(({ id }) => `power/${id}`),
  ...[...neckItems, ...spineItems].map(({ id }) => id),
  'level',
  'skin/chin',
]

describe('where an item of a round is looked at', () => {
  for (const part of partIds.filter((one) => one !== 'vital')) {
    it(`${part}: each of its items has a place on the body, but for what has none`, () => {
      const ofPart = everyItem.filter((item) => isItemOf(part, item))
      expect(ofPart.length).to.be.greaterThan(4)
      // A calf and a heel are a leg's; a round form offers them nowhere else.
      const notOfArms = part.startsWith('arm') ? ['heel', 'calf-pain'] : []
      const without = ofPart.filter((item) => siteOfItem(part, item) === null)
      expect(without.filter((item) => !itemsOfNoSite.includes(item) && !notOfArms.includes(item))).to.deep.equal([])
    })
  }

  it('the circulation as a whole has none', () => {
    expect(siteOfItem('vital', 'heartRate')).to.equal(null)
  })

  it('feeling is looked at where the nerve is felt', () => {
    expect(siteOfItem('arm-left', 'feeling/median')).to.equal('index-tip')
    expect(siteOfItem('arm-left', 'feeling/ulnar')).to.equal('little-tip')
    expect(siteOfItem('leg-right', 'feeling/tibial')).to.equal('sole')
    expect(siteOfItem('leg-right', 'feeling/deep-peroneal')).to.equal('first-web')
  })
})
