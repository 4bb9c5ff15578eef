import { expect } from 'chai'
import {
  contradicting,
  holdsAt,
  isOpenNowOrdered,
  isOrdered,
  orderKinds,
  orderNames,
  type Orders,
  type SignedOrders,
} from '#core/model/orders'
import { orderWords } from '#core/model/order-words'
import { readOrders } from '#core/files/read-orders'
import { createFieldReader } from '#core/files/field-reader'
import type { Problem } from '#core/model/problem'
import { ordersFor } from '#core/techniques/orders-for'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const by = { by: 'Merryn Sale', at: '2026-03-28T23:10:00Z' }
/** One of every kind. */
const all: Required<SignedOrders> = {
  brace: { ...by, extensionStop: 0, flexionStop: 60, lock: 'open' },
  weight: { ...by, allowed: '20 kg' },
  spine: { ...by, posture: 'sitting' },
  pull: { ...by, kg: 5 },
  countertraction: by,
  posture: { ...by, posture: 'head up' },
  angle: { ...by, deg: 90, what: 'Ankle' },
  leave: by,
  fasting: { ...by, what: 'from 02:00' },
  cut: by,
  loosen: by,
  close: by,
  noResuscitation: by,
  atHome: by,
}
const read = (orders: object): { readonly orders: Orders; readonly problems: readonly Problem[] } => {
  const problems: Problem[] = []
  return { orders: readOrders(createFieldReader(orders, 'orders', problems)), problems }
}

describe('orders', () => {
  for (const kind of orderKinds) {
    it(`${kind}: needs a name, ends when it is withdrawn, and is said in words of its own`, () => {
      expect(isOrdered(all[kind])).to.equal(true)
      for (const none of [undefined, { ...all[kind], by: '' }, { ...all[kind], by: '  ' }, { ...all[kind], withdrawn: true }])
        expect(isOrdered(none), JSON.stringify(none)).to.equal(false)
      expect(orderWords(kind, all)).to.match(/^[A-Z]/)
      expect(orderWords(kind, { ...all, [kind]: { ...all[kind], withdrawn: true } })).to.include('withdrawn')
      expect(orderNames[kind]).to.not.equal('')
    })
    it(`${kind}: is read from a file as it stands; without a name it is read too, and the plan cautions it`, () => {
      expect(read({ [kind]: all[kind] })).to.deep.equal({ orders: { [kind]: all[kind] }, problems: [] })
      const { by: _, ...nameless } = all[kind]
      const { orders, problems } = read({ [kind]: nameless })
      expect(problems).to.deep.equal([])
      expect(isOrdered(orders[kind])).to.equal(false)
      const file = exampleOf(kind === 'brace' ? 'hinged-knee-brace' : kind === 'spine' ? 'trunk-shell' : 'leg-cast')
      const way = kind === 'spine' ? { options: { ...(file as { options?: object }).options, way: 'standing-doorway' } } : {}
      const plan = planFile({ ...file, ...way, orders: { [kind]: nameless } })
      expect(plan.cautions.map(({ code }) => code)).to.include('not-ordered')
    })
  }

  it('`weight: {}` is no order: the brace stays without a step on the leg', () => {
    const file = exampleOf('hinged-knee-brace') as { readonly orders?: object }
    const walk = (weight: object): string | undefined =>
      planFile({ ...file, orders: { ...file.orders, weight } } as typeof file).procedure.steps.find(({ id }) => id === 'walk')?.text
    expect(walk({})).to.match(/^No weight: none is ordered/)
    expect(walk(by)).to.match(/^Stand and walk as ordered/)
  })

  it('hold from when to when they say, and without a beginning or an end at once and until they are withdrawn', () => {
    const at = (hour: number): number => Date.parse(`2026-03-29T${String(hour).padStart(2, '0')}:00:00Z`)
    const night = { ...by, from: '2026-03-29T02:00:00Z', until: '2026-03-29T08:00:00Z' }
    expect([1, 2, 7, 8].map((hour) => holdsAt(night, at(hour)))).to.deep.equal([false, true, true, false])
    expect(holdsAt(by, at(23))).to.equal(true)
    expect(holdsAt({ ...night, withdrawn: true }, at(3))).to.equal(false)
  })

  it('to cut it lifts the wait before a cast is opened; taken back it does not', () => {
    expect(isOpenNowOrdered({ cut: by })).to.equal(true)
    expect(isOpenNowOrdered({ cut: { ...by, withdrawn: true } })).to.equal(false)
    expect(isOpenNowOrdered({})).to.equal(false)
  })

  it('that contradict each other do so both ways, only in force, and the plan asks which holds', () => {
    for (const kind of orderKinds)
      for (const other of orderKinds) {
        const orders: Orders = { [kind]: all[kind], [other]: all[other] }
        expect(contradicting(orders, kind).includes(other), `${kind} ${other}`).to.equal(contradicting(orders, other).includes(kind))
      }
    expect(contradicting({ cut: by, close: by }, 'close')).to.deep.equal(['cut'])
    expect(contradicting({ cut: { ...by, withdrawn: true }, close: by }, 'close')).to.deep.equal([])
    expect(contradicting({ spine: { ...by, posture: 'lying' }, posture: all.posture }, 'posture')).to.deep.equal(['spine'])
    expect(contradicting({ spine: all.spine, posture: all.posture }, 'posture')).to.deep.equal([])
    const night = { ...by, from: '2026-03-29T02:00:00Z', until: '2026-03-29T08:00:00Z' }
    expect(contradicting({ cut: night, close: { ...by, from: '2026-03-29T08:00:00Z' } }, 'close'), 'one after the other').to.deep.equal([])
    expect(contradicting({ cut: night, close: { ...by, from: '2026-03-29T07:00:00Z' } }, 'close')).to.deep.equal(['cut'])
    const plan = planFile({ ...exampleOf('leg-cast'), orders: { cut: by, close: by } })
    const found = plan.cautions.filter(({ code }) => code === 'orders-contradict')
    expect(found.map(({ text }) => text)).to.deep.equal([
      'Ask which holds: “Cut it open” by Merryn Sale, or “Close it again” by Merryn Sale.',
    ])
  })

  it('bad ones name the field, and the rest is read', () => {
    const paths = (orders: object): readonly string[] => read(orders).problems.map(({ path }) => path)
    expect(paths({ pull: { ...by } })).to.deep.equal(['orders/pull/kg'])
    expect(paths({ pull: { ...by, kg: 400 } })).to.deep.equal(['orders/pull/kg'])
    expect(paths({ angle: { ...by, deg: 'bent' } })).to.deep.equal(['orders/angle/deg'])
    expect(paths({ posture: { ...by, posture: 'floating' } })).to.deep.equal(['orders/posture/posture'])
    expect(paths({ cut: { ...by, until: 'tomorrow' } })).to.deep.equal(['orders/cut/until'])
    expect(paths({ cut: { ...by, how: 'dream' } })).to.deep.equal(['orders/cut/how'])
    expect(read({ pull: { ...by }, cut: by }).orders).to.deep.equal({ cut: by })
  })

  for (const { id } of techniques)
    it(`${id}: what it asks for stands first in the form, each kind once`, () => {
      const kinds = ordersFor(id, null)
      expect(new Set(kinds).size).to.equal(kinds.length)
      expect(kinds).to.include('noResuscitation').and.include('leave')
    })
})
