import { expect } from 'chai'
import { flags, partsOf, raisedByFlag, raisedByPart, raisedByPattern, type Raised } from '../../../scripts/generate/danger-table'
import { bodyRegionOf, regions, type Flag } from '#core/model/vocabulary'
import { techniqueIds } from '../../harness/cases/example-cases'

const slabs = ['leg-slab', 'slab-and-stirrup', 'volar-slab']
const ankleHolders = ['leg-slab', 'slab-and-stirrup', 'leg-cast']
const neck = ['extrication-collar', 'care-collar', 'seated-vest']
const onRoads = ['pole-traction', 'frame-traction']
const onSkin = ['ring-traction', 'suspended-ring-traction']
const traction = [...onSkin, ...onRoads]
const limb = [...slabs, 'leg-cast', ...traction, 'hinged-knee-brace', 'walker-boot']

/** What the rules say: flags, techniques, level, and the part where it matters. */
const contract: readonly (readonly [flags: readonly Flag[], techniques: readonly string[], level: Raised, part?: string])[] = [
  [['latex-allergy'], techniqueIds, 'caution'],
  [['lives-alone', 'no-sound-side'], techniqueIds, 'note'],
  [['implant', 'lymphoedema'], limb, 'caution'],
  [['stoma-or-drain', 'chest-injury', 'breathless-lying', 'pregnant-late'], ['trunk-shell', 'seated-vest'], 'caution'],
  [['pulse-absent', 'skin-tented'], [...slabs, 'leg-cast'], 'stop'],
  [['neuropathy', 'diabetes'], [...slabs, 'leg-cast', 'walker-boot'], 'caution'],
  [['comminuted'], ankleHolders, 'stop'],
  [['dialysis-arm'], ['volar-slab'], 'caution'],
  [['open'], ['volar-slab', 'leg-cast'], 'stop'],
  [['fresh'], ['leg-cast'], 'caution'],
  [['airway-at-risk', 'stiff-spine', 'kyphosis'], neck, 'stop'],
  [['penetrating'], neck, 'stop', 'neck'],
  [['penetrating'], ['seated-vest'], 'caution', 'trunk'],
  [['head-injury', 'agitated'], neck, 'caution'],
  [['unstable'], ['seated-vest'], 'stop'],
  [['pelvis-suspected', 'hip-suspected', 'knee-involved', 'ankle-involved', 'foot-involved', 'part-amputation'], traction, 'stop'],
  [['several-injuries', 'unstable', 'distal-femur', 'pathological', 'open'], traction, 'caution'],
  [['arterial-disease', 'wound-under-device'], onSkin, 'stop'],
  [['arterial-disease'], [...onRoads, 'walker-boot'], 'caution'],
  [['fragile-skin', 'adhesive-allergy'], onSkin, 'caution'],
  [['breathless-lying', 'head-injury', 'pregnant-late'], ['suspended-ring-traction'], 'stop'],
  [['pelvis-suspected'], ['care-collar', 'seated-vest'], 'caution'],
]

describe('part × danger × technique', () => {
  for (const [named, names, level, part] of contract) {
    it(`${named.join(', ')}: ${level} on ${names.length === techniqueIds.length ? 'every technique' : names.join(', ')}${part ? ` at the ${part}` : ''}`, () => {
      for (const flag of named) {
        for (const technique of names) {
          for (const region of partsOf(technique).filter((one) => part === undefined || one === part)) {
            expect(raisedByFlag(technique, region, flag), `${technique} ${region} ${flag}`).to.equal(level)
          }
        }
      }
    })
  }

  it('a flag of the neck is answered alike by every technique that closes a collar', () => {
    for (const flag of ['airway-at-risk', 'stiff-spine', 'kyphosis', 'penetrating', 'head-injury', 'agitated'] as const) {
      expect(new Set(neck.map((one) => raisedByFlag(one, 'neck', flag))).size, flag).to.equal(1)
    }
  })

  it('a torn heel cord stops whatever squares the ankle, a broken femur whatever ends below it', () => {
    for (const technique of [...ankleHolders, 'walker-boot'])
      expect(raisedByPattern(technique, 'ankle', 'achilles-rupture'), technique).to.equal('stop')
    for (const technique of [...ankleHolders, 'hinged-knee-brace', 'walker-boot']) {
      expect(raisedByPattern(technique, partsOf(technique)[0] ?? 'ankle', 'femoral-shaft-fracture'), technique).to.equal('stop')
      expect(raisedByPart(technique, 'thigh'), technique).to.equal('stop')
    }
    expect(raisedByPattern('cast-opening', 'thigh', 'femoral-shaft-fracture')).not.to.equal('stop')
  })

  it('stops on every part of another body region', () => {
    for (const technique of techniqueIds) {
      const own = partsOf(technique).map(bodyRegionOf)
      for (const region of regions.filter((one) => !own.includes(bodyRegionOf(one)))) {
        expect(raisedByPart(technique, region), `${technique} ${region}`).to.equal('stop')
      }
    }
  })

  it('knows every flag there is', () => expect(new Set(flags).size).to.equal(flags.length).and.to.be.greaterThan(40))
})
