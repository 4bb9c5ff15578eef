import { expect } from 'chai'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { formOf, readForm } from '../../../src/web/screens/protocol/protocol-form'

const based = { name: 'default', version: 1 }
const whole: Protocol = {
  ...defaultProtocol,
  numbers: { 'task-minutes.round': 8 },
  options: { 'leg-slab/extent': 'above-knee' },
  rounds: { usual: [{ everyMin: 30, times: 10 }] },
  stopTables: { ours: [{ fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 60, lock: 'open' }] },
}

describe('the fields of a protocol', () => {
  it('read back what they show, and leave out what is as shipped', () => {
    expect(readForm(formOf(whole, '', defaultProtocol), based)).to.deep.equal({ protocol: whole, problems: [] })
    expect(readForm(formOf(defaultProtocol, '', defaultProtocol), based)).to.deep.equal({ protocol: defaultProtocol, problems: [] })
    const cleared = { ...formOf(whole, '', defaultProtocol), numbers: { 'task-minutes.round': ' ' }, options: { 'leg-slab/extent': '' } }
    expect(readForm(cleared, based).protocol).to.deep.include({ numbers: {}, options: {} })
  })

  it('take a comma, and say of what is no number where it stands', () => {
    const typed = { ...formOf(defaultProtocol, '', defaultProtocol), numbers: { 'pull.skinMostKg': '4,5' } }
    expect(readForm(typed, based).protocol?.numbers).to.deep.equal({ 'pull.skinMostKg': 4.5 })
    const form = formOf(defaultProtocol, '', defaultProtocol)
    const bad = { ...form, numbers: { 'pull.skinMostKg': 'five' }, usual: [{ everyMin: '', times: '4' }, ...form.usual.slice(1)] }
    expect(readForm(bad, based)).to.deep.equal({
      protocol: null,
      problems: [
        { code: 'format', path: 'numbers/pull.skinMostKg', message: 'Figure: "five" is no number.' },
        { code: 'format', path: 'rounds/usual/0', message: 'The usual list, row 1: "" is no number.' },
      ],
    })
    const table = formOf(whole, '', defaultProtocol).stops[0]
    const twice = { ...formOf(whole, '', defaultProtocol), stops: table ? [table, { ...table, name: ' ours' }] : [] }
    expect(readForm(twice, based).problems.map((problem) => problem.message)).to.deep.equal(['Two tables are called "ours": rename one.'])
  })
})
