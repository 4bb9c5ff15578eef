import { expect } from 'chai'
import type { LimbFindings } from '#core/model/observation'
import { feelingLevels } from '#core/model/round-items'
import { judgeVital } from '#core/rounds/judge-vital'
import { cannotLook, type Before } from '#core/rounds/look'
import { lookAtBlock, wordItemsOf } from '#core/rounds/look-at-block'
import { lookAtLimb, type LimbContext } from '#core/rounds/look-at-limb'

const never: Before = { last: () => undefined, first: () => undefined, isTold: () => false }
const context: LimbContext = {
  before: never,
  other: null,
  isAlone: true,
  isSound: false,
  analgesia: false,
  ageYears: 40,
  isColumn: false,
}
const leg = (change: Partial<LimbFindings>): LimbFindings => ({ limb: 'leg', side: 'left', ...change })
const adult = { ageYears: 40, isColumn: false }

describe('one look at one item', () => {
  it('weighs nothing where nothing is wrong, so that whatever comes is more', () => {
    expect(lookAtLimb(leg({ colour: 'pink' }), context)[0]).to.deep.include({ item: 'colour', severity: 0, level: 'none' })
    // Where it is the patient's own colour it is none, however it looks.
    expect(lookAtLimb(leg({ colour: 'dusky', colourUsual: true }), context)[0]).to.deep.include({ severity: 0, level: 'none' })
    for (const [id, value] of [
      ['systolic', 120],
      ['heartRate', 80],
      ['breathingRate', 14],
    ] as const)
      expect(judgeVital(id, value, { heartRate: 80 }, adult), id).to.deep.include({ severity: 0, level: 'none' })
    for (const part of ['neck', 'spine'] as const)
      for (const item of wordItemsOf[part])
        expect(lookAtBlock(part, { [item.id]: item.words[0]! }, never, adult)[0], item.id).to.deep.include({ severity: 0, level: 'none' })
  })

  it('weighs an alarm of a sign more than any warning of it', () => {
    for (const heartRate of [60, 85, 95, 110, 130])
      for (let systolic = 60; systolic <= 160; systolic++) {
        const { level, severity } = judgeVital('systolic', systolic, { heartRate }, adult)
        expect(severity > 0, `${heartRate} ${systolic}`).to.equal(level !== 'none')
        expect(severity >= 999, `${heartRate} ${systolic}`).to.equal(level === 'urgent')
      }
  })

  it('of the skin under a shell or collar is urgent where it is broken, a warning where it stays red', () => {
    const skin = (value: string) => lookAtBlock('spine', { 'skin/sacrum': value }, never, adult)[0]
    expect(skin('intact')).to.deep.include({ severity: 0, level: 'none', code: 'intact' })
    expect(skin('reddens-and-blanches')).to.deep.include({ level: 'none' })
    expect(skin('red-not-blanching')).to.deep.include({ level: 'warn' })
    expect(skin('broken')).to.deep.include({ level: 'urgent', code: 'skin-broken', text: 'Skin broken under the device: sacrum' })
  })

  it('that could not be made is no known finding, and says why', () => {
    expect(cannotLook('leg-left', 'pulse', 'under the cast', 'Pulse')).to.deep.equal({
      part: 'leg-left',
      item: 'pulse',
      severity: 0,
      level: 'none',
      code: 'cannot-assess',
      text: 'Pulse: cannot be assessed, under the cast',
      isNeverKnown: false,
      cannot: 'under the cast',
    })
  })

  it('is said as a sentence of its own', () => {
    const looks = lookAtLimb(
      leg({
        colour: 'pale',
        warmth: 'cool',
        refillS: 4,
        pulse: 'weak',
        restPain: 8,
        swelling: 'marked',
        feeling: { tibial: 'none' },
        movement: { tibial: 'weak' },
        skin: 'broken',
      }),
      context,
    )
    expect(looks.length).to.be.greaterThan(6)
    for (const { text } of looks) expect(text).to.match(/^[A-Z]/)
  })

  it('says of a level of feeling that rose what it was, and nothing of one that is new or fell', () => {
    const text = (value: string, last?: number) => lookAtBlock('spine', { level: value }, { ...never, last: () => last }, adult)[0]?.text
    const [low, high] = [feelingLevels[3]!, feelingLevels[8]!]
    expect(text(high, 3)).to.equal(`Level of feeling ${high} (was ${low})`)
    expect(text(high)).to.equal(`Level of feeling ${high}`)
    expect(text(high, 0)).to.equal(`Level of feeling ${high}`)
    expect(text(low, 8)).to.equal(`Level of feeling ${low}`)
    expect(text(feelingLevels[0]!, 3)).to.equal('No level of feeling')
  })
})
