import { expect } from 'chai'
import { readPulleys } from '#core/techniques/families/traction/read-pulleys'
import { cautionCodes, decisionOf, planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample } from '../../harness/cases/example-cases'

const plan = (change: (file: CaseFile) => void = () => undefined) => planFile(changedExample('suspended-ring-traction', change))
const withRig = (rig: object) => plan((file) => void (file['rig'] = rig))

describe('the suspension on this bed', () => {
  it('leads the cord on to the foot end, and cuts it by that way', () => {
    const made = plan()
    const step = made.procedure.steps.find(({ id }) => id === 'suspension')
    expect(step?.text).to.match(/\d+ cm of cord.*on over the pulley to the foot end.*never over the leg/)
    const cord = made.materials.find(({ id }) => id === 'cord-suspension')
    const far = withRig({ onwardCm: [200, 240] }).materials.find(({ id }) => id === 'cord-suspension')
    expect(Number(far?.lengthCm)).to.be.above(Number(cord?.lengthCm))
  })

  it('refuses a weight over the leg, and one that would stand on the bed', () => {
    expect(cautionCodes(withRig({ onwardCm: [] }))).to.include('weight-over-leg')
    const splintCm = Number(decisionOf(plan(), 'splint-length').value)
    expect(cautionCodes(withRig({ onwardCm: [splintCm + 19] }))).to.include('weight-over-leg')
    expect(cautionCodes(withRig({ onwardCm: [splintCm + 20] }))).not.to.include('weight-over-leg')
    expect(cautionCodes(withRig({ bedEndCm: 220, dropCm: 110 }))).to.include('weight-on-bed')
    expect(cautionCodes(withRig({ bedEndCm: 130, dropCm: 110 }))).not.to.include('weight-on-bed')
  })

  it('gives each sling its own length: girth there and 50 cm', () => {
    const lengths = decisionOf(plan(), 'sling-lengths').value as readonly number[]
    expect(lengths).to.have.length(3)
    expect(lengths[2], 'the thigh is thicker than the ankle').to.be.above(lengths[0] ?? 0)
    expect(lengths.every((length) => length > 65 && length < 130)).to.equal(true)
    expect(
      plan()
        .materials.filter(({ item }) => item === 'carrying-sling')
        .map(({ widthCm }) => widthCm),
    ).to.deep.equal([15, 15, 15])
  })

  it('says what eight kilograms do to the skin, and what is safe tonight', () => {
    const made = plan((file) => void (file.options['counterweight'] = 'about-eight'))
    const said = made.cautions.find(({ code }) => code === 'eight-on-skin')
    expect(said?.text).to.match(/Tonight, until a pin is in/)
    expect(said?.why).to.match(/skin bears 5(\.0)? kg/)
    expect(cautionCodes(made)).to.include('over-skin-cap')
  })
})

describe('pulleys as they are typed', () => {
  it('are two to either side of the carried one, and the rest in turn', () => {
    expect(readPulleys('18, 78, 150', 48)).to.deep.equal({ ok: true, rig: { fixedCm: [-30, 30], onwardCm: [150] } })
    expect(readPulleys('18 78', 48)).to.deep.equal({ ok: true, rig: { fixedCm: [-30, 30], onwardCm: [] } })
  })
  for (const [text, fault] of [
    ['', /2 to 5 places/],
    ['18', /2 to 5 places/],
    ['78, 18', /head to foot/],
    ['eighteen, 78', /"eighteen" is no place/],
    ['50, 78', /headward/],
    ['18, 78, 900', /not over this bed/],
  ] as const)
    it(`"${text}" is refused with what to type`, () => {
      const read = readPulleys(text, 48)
      expect(read.ok ? '' : read.message).to.match(fault)
    })
})
