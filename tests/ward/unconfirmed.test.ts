import { expect } from 'chai'
import { notConfirmed } from '#contract/event'
import { unconfirmedBehind } from '#ward/rounds/unconfirmed'

const at = (minute: number): string => new Date(Date.UTC(2026, 0, 10, 8, minute, 20)).toISOString()
const ms = (minute: number): number => Date.UTC(2026, 0, 10, 8, minute)
type Inputs = Parameters<typeof unconfirmedBehind>
const behind = (items: Inputs[0], rounds: readonly object[], troubles: readonly object[] = []): readonly string[] =>
  unconfirmedBehind(items, { troubles } as unknown as Inputs[1], { rounds } as unknown as Inputs[2])

describe('who nobody confirms behind what stands', () => {
  const leaver = notConfirmed('Bram')
  it('is named once, for a look of the minute in which it began, or was looked at last', () => {
    const rounds = [
      { at: at(3), by: leaver },
      { at: at(9), by: leaver },
    ]
    expect(behind([{ sinceMs: ms(3), lookedAtMs: ms(9) }], rounds)).to.deep.equal([leaver])
    expect(behind([{ sinceMs: ms(9), lookedAtMs: null }], rounds)).to.deep.equal([leaver])
  })

  it('is named for trouble too', () => {
    expect(behind([{ sinceMs: ms(5), lookedAtMs: null }], [], [{ at: at(5), by: leaver }])).to.deep.equal([leaver])
  })

  it('is not named where a colleague looked, or at another minute', () => {
    expect(behind([{ sinceMs: ms(3), lookedAtMs: ms(4) }], [{ at: at(3), by: 'Isolde' }])).to.deep.equal([])
    expect(behind([{ sinceMs: ms(3), lookedAtMs: ms(4) }], [{ at: at(9), by: leaver }])).to.deep.equal([])
    expect(behind([], [{ at: at(3), by: leaver }])).to.deep.equal([])
  })
})
