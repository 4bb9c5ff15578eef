import { expect } from 'chai'
import { availableOf, itemCodeOf, itemLabel, type StockLine } from '#contract/records/store'
import { reservationsOf } from '#ward/case/reservations'
import { catalogue } from '#core/catalogue/catalogue'
import { filterRows, toStockRows } from '../../../src/web/screens/store/stock-rows'
import { readCount } from '../../../src/web/screens/store/read-count'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const today = '2026-11-24'
const line = (changes: Partial<StockLine>): StockLine => ({
  itemCode: 'plaster-slab/15',
  label: 'plaster slab, 15 cm',
  item: { item: 'plaster-slab', widthCm: 15 },
  lowMark: 3,
  reserved: 0,
  lots: [],
  ...changes,
})
const lot = (count: number, expiresOn: string | null = null) => ({
  lotId: `${count}${expiresOn}`,
  itemCode: 'x',
  lot: 'TS1',
  expiresOn,
  count,
})

describe('stock as the store shows it', () => {
  for (const [state, changes] of [
    ['absent', {}],
    ['out', { lots: [lot(0)] }],
    ['out', { lots: [lot(2)], reserved: 2 }],
    ['out', { lots: [lot(4, '2026-11-23')] }],
    ['expired', { lots: [lot(4, '2026-11-23'), lot(9)] }],
    ['low', { lots: [lot(3)] }],
    ['soon', { lots: [lot(9, '2026-12-20')] }],
    ['ok', { lots: [lot(9, today), lot(9, '2028-01-01')].slice(1) }],
  ] as const) {
    it(`calls ${JSON.stringify(changes)} ${state}`, () => {
      expect(toStockRows([line(changes)], today)[0]?.state).to.equal(state)
    })
  }

  it('finds by words of item, code and lot, and leaves out what is not kept here', () => {
    const rows = toStockRows(
      [line({ lots: [lot(9)] }), line({ itemCode: 'sling/M', label: 'sling, M', lots: [lot(1)] }), line({ label: 'plaster slab, 20 cm' })],
      today,
    )
    expect(filterRows(rows, '', []).map((row) => row.label)).to.deep.equal(['plaster slab, 15 cm', 'sling, M'])
    expect(filterRows(rows, 'slab pla', [])).to.have.length(2)
    expect(filterRows(rows, 'ts1', ['low']).map((row) => row.label)).to.deep.equal(['sling, M'])
    expect(filterRows(rows, 'no-such-item', [])).to.deep.equal([])
  })

  it('reads counts, and says what is wrong with others', () => {
    expect(readCount(' 07 ')).to.equal(7)
    for (const typed of ['', '-1', '1.5', 'seven', '1000000']) expect(readCount(typed), typed).to.match(/count|many/)
  })

  it('gives each catalogue item a code and a name of its own', () => {
    expect(new Set(catalogue.items.map(itemCodeOf)).size).to.equal(catalogue.items.length)
    expect(new Set(catalogue.items.map(itemLabel)).size).to.equal(catalogue.items.length)
  })

  it('counts as free what has not expired and is not set aside, never below nothing', () => {
    expect(availableOf({ lots: [lot(5), lot(5, '2020-01-01')], reserved: 2 }, today)).to.equal(3)
    expect(availableOf({ lots: [lot(1)], reserved: 4 }, today)).to.equal(0)
  })

  for (const id of techniqueIds) {
    it(`sets aside whole numbers of listed things for ${id}`, () => {
      const lines = catalogue.items.map((item) => line({ itemCode: itemCodeOf(item), label: itemLabel(item), item, lots: [lot(9)] }))
      const wanted = reservationsOf(planFile(exampleOf(id)), lines)
      for (const one of wanted) {
        expect(lines.some((each) => each.itemCode === one.itemCode)).to.equal(true)
        expect(Number.isInteger(one.count) && one.count > 0, `${one.itemCode} ${one.count}`).to.equal(true)
      }
      expect(new Set(wanted.map((one) => one.itemCode)).size).to.equal(wanted.length)
    })
  }
})
