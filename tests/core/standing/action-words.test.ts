import { expect } from 'chai'
import { dangers, heldParts, type Danger } from '#core/model/danger'
import { actionWords } from '#core/standing/action-words'
import { whatNow, type Situation, type StandingDanger } from '#core/standing/what-now'
import { wearing } from '../../harness/cases/situations'

const about = (danger: Danger, change: Partial<StandingDanger> = {}): StandingDanger => ({ danger, part: null, item: null, ...change })

/** Everything that is to be done, as it is read aloud. */
const aloud = (situation: Situation, ...standing: readonly StandingDanger[]): readonly string[] =>
  whatNow(standing, situation).map((id) => actionWords(id, situation, standing))

describe('what to do, read aloud', () => {
  it('an order against resuscitation is the first line of an arrest, whoever is there', () => {
    for (const people of [1, 3]) {
      const [first, second] = aloud(wearing('spine', { people, noResuscitation: 'Sorrel Vane' }), about('arrest'))
      expect(first).to.match(/^There is an order against resuscitation, by Sorrel Vane/)
      expect(second).to.match(people === 1 ? /^Shout and press Call/ : /compress/)
    }
    expect(aloud(wearing('spine', { noResuscitation: 'Sorrel Vane' }), about('cord'))[0]).to.not.include('resuscitation')
  })
  it('arrest: out of the car, off the side, foot end down, and no older danger', () => {
    const arrest = about('arrest')
    expect(aloud(wearing('head', { posture: 'upright' }), arrest)[0]).to.match(/^Out the fastest way and flat on something firm: compress/)
    expect(aloud(wearing('spine', { posture: 'half-turned' }), arrest)[0]).to.match(/^Onto the back, flat on something firm/)
    expect(aloud(wearing('pull'), arrest)[0]).to.include('foot end down')
    expect(
      aloud(wearing('spine', { isChild: true }), arrest)
        .slice(0, 2)
        .join(' '),
    ).to.match(/jaw thrust.*Five breaths first/)
    expect(aloud(wearing('spine'), arrest, about('cord')).join(' ')).to.not.match(/Open nothing|15 minutes/)
  })
  it('arrest: the head is held in line only where neck or trunk is hurt, and only by hands that are over', () => {
    const said = (situation: Situation): string | undefined => aloud(situation, about('arrest'))[0]
    for (const [held, isInLine] of [
      ['head', true],
      ['spine', true],
      ['pull', false],
      ['break', false],
    ] as const)
      expect(said(wearing(held))?.includes('Head in line only by hands left over'), held).to.equal(isInLine)
  })
  it('vomiting: by two, alone, seated in a vest, in traction', () => {
    const first = (situation: Situation): string | undefined => aloud(situation, about('vomiting'))[0]
    expect(first(wearing('head'))).to.include('board and all')
    expect(first(wearing('head', { people: 1 }))).to.match(/^Near rail up, straps off; roll the patient away from you/)
    expect(first(wearing('head', { posture: 'upright' }))).to.match(/^Lean trunk and head forward as one/)
    expect(first(wearing('pull'))).to.match(/^Hands on the pull; turn head and shoulders/)
  })
  it('a pulse lost under a pull: eased by steps, and no line keeps the pull', () => {
    const lost = about('limb', { part: 'leg-left', item: 'pulse' })
    for (const other of dangers) {
      const said = aloud(wearing('pull'), lost, about(other)).join(' ')
      expect(said, other).to.not.match(/pull stays|keep it\b|planned (pull|\d)/i)
      if (other !== 'arrest') expect(said).to.match(/Ease the pull by half, then all of it/)
    }
  })
  it('a foot that drops, and nothing else: the point is freed and the pull stays', () => {
    expect(aloud(wearing('pull'), about('limb', { part: 'leg-left', item: 'movement/deep-peroneal' }))[0]).to.match(/The pull stays\.$/)
  })
  it('too hot: off at once, the limb supported, and nobody pulls it straight', () => {
    for (const on of ['break', 'spine'] as const) {
      const said = aloud(wearing(on), about('burn'))
      expect(said[0]).to.match(/^Take it off now.*support the limb, pull nothing/)
      expect(said.join(' ')).to.not.include('gentle pull')
    }
  })
  it('signs of the cord at the first look: hold, tell one senior, go on; new ones stop everything', () => {
    const first = aloud(wearing('head'), about('cord', { isAsAtFirst: true })).join(' ')
    expect(first).to.match(/Tell one senior now.*Go on with what holds.*No roll and no transfer/)
    expect(aloud(wearing('head'), about('cord')).join(' ')).to.match(/open nothing, turn nothing/)
    const mixed = aloud(wearing('head'), about('cord', { isAsAtFirst: true }), about('cord')).join(' ')
    expect(mixed).to.match(/open nothing, turn nothing/)
  })
  it('alone, hands that hold call by voice or pedal', () => {
    expect(aloud(wearing('pull', { people: 1 }), about('limb', { part: 'leg-left', item: 'pulse' }))[0]).to.include('voice or pedal')
    expect(aloud(wearing('break', { people: 1 }), about('limb', { part: 'leg-left' }))[0]).to.match(/^Shout for help and press Call/)
  })
  it('says each line once, whatever is wrong, on and there', () => {
    for (const a of dangers)
      for (const b of dangers)
        for (const holds of heldParts)
          for (const people of [1, 2]) {
            const said = aloud(wearing(holds, { people }), about(a), about(b))
            expect(new Set(said).size, `${a} and ${b} with ${holds}: ${said.join(' ')}`).to.equal(said.length)
          }
  })
})
