import { expect } from 'chai'
import fc from 'fast-check'
import { instruments, parseInstrumentLine, type InstrumentId } from '#core/quantities/instrument-line'
import { createLineSource, type DeviceKind } from '../../../src/standins/line-instrument/line-source'
import { goniometer } from '../../../src/standins/goniometer/goniometer'
import { scale } from '../../../src/standins/scale/scale'
import { tape } from '../../../src/standins/tape/tape'

const kinds: Readonly<Record<InstrumentId, DeviceKind>> = { tape, goniometer, scale }

describe('lines of goniometer and load scale', () => {
  for (const [id, line, read] of [
    ['goniometer', 'GONIO 1 Tern goniometer', { kind: 'hello', version: 1, name: 'Tern goniometer' }],
    ['goniometer', 'A -12.5 S', { kind: 'reading', value: -12.5, isSteady: true }],
    ['goniometer', 'H 90.0', { kind: 'hold', value: 90 }],
    ['scale', 'SCALE 1 Tern load scale', { kind: 'hello', version: 1, name: 'Tern load scale' }],
    ['scale', 'L 5.9 U', { kind: 'reading', value: 5.9, isSteady: false }],
    ['scale', 'B 7', { kind: 'battery', percent: 7 }],
  ] as const) {
    it(`${id}: reads ${line}`, () => expect(parseInstrumentLine(id, line)).to.deep.equal(read))
  }

  for (const [id, line] of [
    ['goniometer', 'A 181 S'],
    ['goniometer', 'R 37.2 S'],
    ['goniometer', 'TAPE 1 Tern tape'],
    ['scale', 'L -1 S'],
    ['scale', 'L 41 S'],
    ['scale', 'L 5.9'],
    ['scale', 'B -3'],
    ['scale', 'L NaN S'],
  ] as const) {
    it(`${id}: takes nothing from ${line}`, () => expect(parseInstrumentLine(id, line).kind).to.equal('garbage'))
  }

  it('never takes a reading out of range from whatever comes over the wire', () => {
    fc.assert(
      fc.property(fc.constantFrom(...(Object.keys(instruments) as InstrumentId[])), fc.string({ maxLength: 60 }), (id, line) => {
        const read = parseInstrumentLine(id, line)
        if (read.kind === 'reading' || read.kind === 'hold')
          expect(read.value).to.be.within(instruments[id].least, instruments[id].greatest)
      }),
      { numRuns: 500 },
    )
  })

  for (const [id, kind] of Object.entries(kinds) as [InstrumentId, DeviceKind][]) {
    it(`${id}: the stand-in speaks the protocol, settles, and agrees on its range`, () => {
      expect(kind).to.include({
        hello: instruments[id].hello,
        reading: instruments[id].reading,
        least: instruments[id].least,
        greatest: instruments[id].greatest,
      })
      const source = createLineSource(kind, () => 0.5)
      source.change({ value: kind.greatest / 2, jitter: 0 })
      const lines = Array.from({ length: 12 }, () => source.tick()).flat()
      for (const line of lines) expect(parseInstrumentLine(id, line).kind, line).not.to.equal('garbage')
      expect(parseInstrumentLine(id, lines.at(-1) ?? '')).to.include({ kind: 'reading', value: kind.greatest / 2, isSteady: true })
    })
  }
})
