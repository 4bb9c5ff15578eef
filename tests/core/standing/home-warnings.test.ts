import { expect } from 'chai'
import { homeLooks, homeWarnings } from '#core/standing/home-warnings'

describe('what brings somebody back at once', () => {
  it('in a collar is the cord first, then breath, bladder and the collar itself', () => {
    expect(homeWarnings('head', 'neck')).to.deep.equal([
      'New weakness, numbness or tingling in an arm or a leg',
      'Hard to breathe or to swallow, or your voice changes: call an ambulance',
      'You cannot pass water, or cannot hold it',
      'The collar rubs a sore, or the chin slips in',
    ])
  })

  it('in a shell is the cord first, then bladder, breath and belly, and a clot', () => {
    const said = homeWarnings('spine', 'trunk')
    expect(said).to.have.length(5)
    expect(said[0]).to.match(/^New weakness or numbness/)
    expect(said[1]).to.match(/pass water/)
    expect(said[2]).to.match(/breathe.*belly/)
    expect(said.slice(3).join(' ')).to.match(/calf.*ambulance/)
  })

  it('on a limb is blood, feeling and movement of its own digits; a clot for a leg alone', () => {
    for (const [part, digits, isLeg] of [
      ['leg', 'toes', true],
      ['arm', 'fingers', false],
    ] as const) {
      const said = homeWarnings('break', part)
      expect(said.slice(0, 3)).to.deep.equal([
        `Your ${digits} turn white, blue or cold`,
        `Your ${digits} are numb, or prick and do not stop`,
        `You cannot move your ${digits}`,
      ])
      expect(said.slice(3, 6).join(' ')).to.match(/pain grows.*tighter.*slips/)
      expect(said.some((line) => line.includes('calf'))).to.equal(isLeg)
      expect(homeLooks('break', part).map(({ site }) => site)).to.deep.equal(
        isLeg ? ['toes', 'heel', 'muscle', 'device-edge'] : ['fingers', 'device-edge'],
      )
    }
    expect(homeLooks('head', 'neck').map(({ site }) => site)).to.deep.equal(['throat', 'side-of-neck', 'arm-right'])
    expect(homeLooks('spine', 'trunk').map(({ site }) => site)).to.deep.equal(['belly', 'saddle', 'leg-right'])
  })
})
