import { expect } from 'chai'
import fc from 'fast-check'
import type { BoardRow } from '#contract/api/board'
import { boardViews, filterRows, initialsOf, readFilter, writeFilter, type BoardFilter } from '../../../src/web/screens/board/board-filter'

const now = Date.parse('2026-01-10T12:00:00Z')
const row = (changes: Partial<BoardRow>): BoardRow =>
  ({
    caseId: 'c',
    patient: 'Hale Brannock',
    number: 'TS-1042',
    place: 'Ward A, bed 2',
    technique: 'leg-slab',
    techniqueName: 'Back slab, leg',
    region: 'ankle',
    side: 'left',
    level: 'none',
    stage: 'watch',
    nextDueAt: null,
    graceMin: 10,
    ...changes,
  }) as BoardRow
const all = readFilter(new URLSearchParams())
const found = (change: Partial<BoardFilter>, rows: readonly BoardRow[] = [row({})]): number =>
  filterRows(rows, { ...all, ...change }, { name: 'Isolde Quill', places: [] }, now).length

describe('the filter of the Board', () => {
  it('finds by the beginnings of name, number, place, technique and part', () => {
    for (const words of ['hale', 'BRAN', 'ts-10', 'bed 2', 'ward a', 'slab', 'left ankle', 'hale ts-1042', ''])
      expect(found({ words }), words).to.equal(1)
    for (const words of ['rannock', 'bed 3', 'right', 'hale merryn']) expect(found({ words }), words).to.equal(0)
  })

  it('narrows by place, technique, what presses, and whose patients they are', () => {
    expect(found({ area: 'ward a' })).to.equal(1)
    expect(found({ area: 'Ward B' })).to.equal(0)
    expect(found({ technique: 'leg-cast' })).to.equal(0)
    expect(found({ isPressing: true })).to.equal(0)
    expect(found({ isPressing: true }, [row({ level: 'urgent' })])).to.equal(1)
    expect(found({ isMine: true })).to.equal(0)
    expect(found({ isMine: true }, [row({ takenOverBy: 'Isolde Quill' }), row({ takenOverBy: 'Bram Tully' })])).to.equal(1)
  })

  it('comes back from the address as it went in, whatever was typed', () => {
    fc.assert(
      fc.property(
        fc.record({
          words: fc.string({ maxLength: 80 }),
          area: fc.string({ maxLength: 80 }),
          technique: fc.string({ maxLength: 20 }),
          isPressing: fc.boolean(),
          isMine: fc.boolean(),
          view: fc.constantFrom(...boardViews),
          isInitials: fc.boolean(),
        }),
        (filter) => {
          expect(readFilter(new URLSearchParams(writeFilter(filter).toString()))).to.deep.equal(filter)
        },
      ),
    )
  })

  it('takes an address with nonsense as if it were not there', () => {
    const odd = readFilter(new URLSearchParams(`view=cinema&show=all&who=everybody&names=full&q=${'x'.repeat(500)}`))
    expect(odd).to.deep.include({ view: 'cards', isPressing: false, isMine: false, isInitials: true })
    expect(odd.words).to.have.length(80)
    expect(writeFilter(all).toString()).to.equal('')
  })

  it('shortens names for a wall that visitors read', () => {
    expect(initialsOf('Jago Penrose-Lyle')).to.equal('J. P. L.')
    expect(initialsOf('  ')).to.equal('')
  })
})
