import { expect } from 'chai'
import type { Consequence, WhatIf } from '#core/techniques/what-if'
import { keepPlaces, placeQuestions } from '../../../src/web/screens/size-up/place-questions'

const result = (question: WhatIf['question'], consequence: Consequence): WhatIf => ({ question, consequence, how: '' })
const nobody = { so: [], notSo: [] } as const

describe('where questions stand', () => {
  it('stops first, changes next, what is always asked in sight though it changes nothing, the rest under its line', () => {
    const places = placeQuestions(
      [
        result('pulse-absent', 'stop'),
        result('unstable', 'device'),
        result('diabetes', 'caution'),
        result('swelling', 'caution'),
        result('lives-alone', 'note'),
        result('pregnant-late', 'nothing'),
        result('numb', 'nothing'),
      ],
      { so: ['fresh'], notSo: [{ question: 'open', injuryId: null, at: '', by: '' }] },
    )
    expect(places).to.deep.equal({
      so: ['fresh'],
      stops: ['pulse-absent', 'unstable'],
      changes: ['diabetes', 'lives-alone'],
      always: ['pregnant-late'],
      rest: ['numb'],
      notSo: ['open'],
    })
  })

  it('nothing moves from under a thumb: what is answered, or weighs less or more than before, stays where it stands', () => {
    const before = placeQuestions([result('pulse-absent', 'stop'), result('diabetes', 'caution'), result('sedated', 'rounds')], nobody)
    const after = placeQuestions([result('sedated', 'stop'), result('diabetes', 'nothing')], { so: ['pulse-absent'], notSo: [] })
    const kept = keepPlaces(before, after)
    expect(kept.stops).to.deep.equal(['pulse-absent'])
    expect(kept.changes).to.deep.equal(['diabetes', 'sedated'])
    expect(kept.so).to.deep.equal([])
  })

  it('what begins to matter comes out of the rest, last in its group', () => {
    const before = placeQuestions([result('diabetes', 'caution'), result('numb', 'nothing'), result('agitated', 'nothing')], nobody)
    const after = placeQuestions([result('numb', 'caution'), result('diabetes', 'caution'), result('agitated', 'nothing')], nobody)
    const kept = keepPlaces(before, after)
    expect(kept.changes).to.deep.equal(['diabetes', 'numb'])
    expect(kept.rest).to.deep.equal(['agitated'])
  })

  it('what is set in the rest stays there, and what is asked no longer goes', () => {
    const before = placeQuestions([result('numb', 'nothing'), result('agitated', 'nothing')], nobody)
    const kept = keepPlaces(before, placeQuestions([], { so: ['numb'], notSo: [] }))
    expect(kept.rest).to.deep.equal(['numb'])
    expect(kept.so).to.deep.equal([])
  })
})
