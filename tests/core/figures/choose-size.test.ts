import { expect } from 'chai'
import type { StockItem } from '#core/model/clinical-case'
import { chooseSize } from '#core/figures/sizing/choose-size'
import { oddsLedBy, type SizedDimension } from '#core/figures/sizing/size-odds'

const item = (size: string, range: readonly [number, number], count = 1): StockItem => ({ size, fits: { girth: range }, count })
const girth = (value: number, sd = 0.4, allowance = 0): SizedDimension => ({ id: 'girth', value, sd, allowance, isGirth: true })

describe('choosing a size', () => {
  it('counts preference only among sizes that are a choice at all', () => {
    const items = [item('small', [40, 50]), item('large', [50, 60])]
    expect(chooseSize(items, [girth(50)], 'larger')?.best.size).to.equal('large')
    expect(chooseSize(items, [girth(50)], 'smaller')?.best.size).to.equal('small')
    // Both under 0.2: the nearest, whatever is preferred.
    const far = chooseSize(items, [girth(36)], 'larger')
    expect([far?.best.size, far?.best.odds.toFixed(3)]).to.deep.equal(['small', '0.000'])
    expect(chooseSize(items, [girth(70)], 'smaller')?.best.size).to.equal('large')
  })
  it('takes the smaller of two that are missed by as much', () => {
    const items = [item('large', [60, 70]), item('small', [40, 50])]
    expect(chooseSize(items, [girth(55)], 'larger')?.best.size).to.equal('small')
  })
  it('offers in place of what is out only what can be closed', () => {
    const items = [item('S', [40, 50]), item('M', [50, 60], 0), item('L', [60, 70])]
    const choice = chooseSize(items, [girth(52, 2)], 'smaller')
    expect(choice?.best.size).to.equal('M')
    expect(choice?.chosen?.size).to.equal('L')
    expect(chooseSize(items.slice(0, 2), [girth(52, 2)], 'smaller')?.chosen).to.equal(null)
    // A length may be under: only a girth has to close.
    const length = { ...girth(52, 2), isGirth: false }
    expect(chooseSize(items.slice(0, 2), [length], 'smaller')?.chosen?.size).to.equal('S')
  })
  it('lets one dimension lead where the others allow it', () => {
    const odds = oddsLedBy('waist', 0.2)
    const at = (id: string, value: number): SizedDimension => ({ id, value, sd: 1, allowance: 0 })
    const fits = { waist: [70, 80], hip: [90, 100] } as const
    expect(odds([at('waist', 75), at('hip', 100)], fits)).to.be.closeTo(1, 1e-5)
    expect(odds([at('waist', 75), at('hip', 102)], fits)).to.equal(0)
    expect(odds([at('hip', 100)], fits)).to.be.closeTo(0.5, 1e-6)
  })
})
