import { expect } from 'chai'
import { findingsOnLimb, roundOnLimb, siteOnDrawing } from '#core/standing/findings-on-limb'
import type { RoundInput } from '#core/model/observation'
import { looksOfOne, findingsAfterRounds } from '#core/standing/fold-rounds'
import type { Situation } from '#core/standing/what-now'
import { readCase } from '#core/files/read-case'
import { exampleOf } from '../../harness/cases/example-cases'

const leg = { body: 'leg', side: 'left' } as const
const standing = (id: string, level: 'urgent' | 'warn' | 'known' | 'none') => ({ id, part: id.split('/')[0] ?? null, level })

describe('what stands, on the limb', () => {
  it('one mark a place, the worst of what stands there, everything named', () => {
    const marks = findingsOnLimb(leg, [
      standing('leg-left/colour', 'warn'),
      standing('leg-left/refill', 'urgent'),
      standing('leg-left/warmth', 'warn'),
    ])
    expect(marks).to.deep.equal([
      { site: 'toes', level: 'urgent', label: 'capillary refill, colour, warmth', short: 'refill, colour, warmth' },
    ])
  })

  it('nothing of the other limb, of what is well, of plan and list, of what has no place', () => {
    const items = [
      standing('leg-right/pulse', 'urgent'),
      standing('leg-left/pulse', 'none'),
      standing('leg-left/fever', 'warn'),
      standing('plan/no-pulse', 'urgent'),
      standing('task/cut', 'warn'),
      standing('vital/heartRate', 'urgent'),
    ]
    expect(findingsOnLimb(leg, items)).to.deep.equal([])
    expect(findingsOnLimb({ body: 'none' }, [standing('leg-left/pulse', 'urgent')])).to.deep.equal([])
  })

  it('a reading that is about an item stands where that item is looked at', () => {
    expect(findingsOnLimb(leg, [{ id: 'reading/1', part: 'leg-left', asItem: 'skin', level: 'warn' }])).to.deep.equal([
      { site: 'device-edge', level: 'warn', label: 'skin', short: 'skin' },
    ])
  })

  it('a trunk shows its limbs as wholes, a neck its arms', () => {
    expect(siteOnDrawing({ body: 'trunk' }, 'leg-left', 'power/foot-up')).to.equal('leg-left')
    expect(siteOnDrawing({ body: 'neck' }, 'arm-right', 'power/grip')).to.equal('arm-right')
    expect(siteOnDrawing({ body: 'neck' }, 'leg-left', 'power/foot-up')).to.equal(null)
    expect(siteOnDrawing({ body: 'trunk' }, 'spine', 'saddle')).to.equal('saddle')
  })
})

describe('a round while it is entered, on the limb', () => {
  const { clinicalCase } = readCase(exampleOf('leg-slab'))
  const asked = (item: string, isOpen: boolean) => ({ part: 'leg-left', item, isOpen }) as const

  it('says what is open, what is well and what was found, and hides no finding behind what is open', () => {
    const looks = looksOfOne(clinicalCase!, {
      atMin: 0,
      limbs: [{ limb: 'leg', side: 'left', colour: 'blue', pulse: 'present', feeling: { tibial: 'none' } }],
    })
    const marks = roundOnLimb(
      leg,
      [asked('colour', false), asked('warmth', true), asked('pulse', false), asked('feeling/tibial', false), asked('restPain', true)],
      looks,
    )
    expect(Object.fromEntries(marks.map((mark) => [mark.site, mark.level]))).to.deep.equal({
      toes: 'warn',
      sole: 'urgent',
      'foot-pulse': 'none',
      injury: 'unknown',
    })
  })

  it('a level of feeling goes with its height, from the round that finds it to what stands; one that cannot be assessed has none', () => {
    const { clinicalCase: trunk } = readCase(exampleOf('trunk-shell'))
    const round = (level: 'normal' | 'T10' | { cannotAssess: true; reason: string }, atMin = 0): RoundInput => ({
      atMin,
      limbs: [],
      spine: { level },
    })
    const marks = roundOnLimb({ body: 'trunk' }, [{ part: 'spine', item: 'level', isOpen: false }], looksOfOne(trunk!, round('T10')))
    expect(marks).to.deep.equal([
      { site: 'feeling-line', level: 'urgent', label: 'level of feeling T10', short: 'feeling lost from T10', feelingLevel: 'T10' },
    ])
    const lying: Situation = { on: null, people: 2, posture: 'lying', column: 'spine', isStiff: false, isChild: false }
    const found = (rounds: readonly RoundInput[]): readonly (string | undefined)[] =>
      findingsAfterRounds({ clinicalCase: trunk!, rounds, isAtRisk: true, startMin: 0, situationAt: () => lying }, 60)
        .findings.filter(({ item }) => item === 'level')
        .map(({ feelingLevel }) => feelingLevel)
    expect(found([round('normal'), round('T10', 30)])).to.deep.equal(['T10'])
    expect(found([round({ cannotAssess: true, reason: 'asleep' })])).to.deep.equal([undefined])
  })
})
