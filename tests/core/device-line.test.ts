import { expect } from 'chai'
import fc from 'fast-check'
import { lineDevices, parseDeviceLine, type LineDeviceId } from '#core/quantities/device-line'
import { createLineSource, type DeviceKind } from '../../src/standins/line-device/line-source'
import { goniometer } from '../../src/standins/goniometer/goniometer'
import { scale } from '../../src/standins/scale/scale'
import { tape } from '../../src/standins/tape/tape'

const kinds: Readonly<Record<LineDeviceId, DeviceKind>> = { tape, goniometer, scale }

describe('lines of goniometer and load scale', () => {
  for (const [id, line, read] of [
    ['goniometer', 'GONIO 1 Tern goniometer', { kind: 'hello', version: 1, name: 'Tern goniometer' }],
    ['goniometer', 'A -12.5 S', { kind: 'reading', value: -12.5, isSteady: true }],
    ['goniometer', 'H 90.0', { kind: 'hold', value: 90 }],
    ['scale', 'SCALE 1 Tern load scale', { kind: 'hello', version: 1, name: 'Tern load scale' }],
    ['scale', 'L 5.9 U', { kind: 'reading', value: 5.9, isSteady: false }],
    ['scale', 'B 7', { kind: 'battery', percent: 7 }],
  ] as const) {
    it(`${id}: reads ${line}`, () => expect(parseDeviceLine(id, line)).to.deep.equal(read))
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
    it(`${id}: takes nothing from ${line}`, () => expect(parseDeviceLine(id, line).kind).to.equal('garbage'))
  }

  it('never takes a reading out of range from whatever comes over the wire', () => {
    fc.assert(
      fc.property(fc.constantFrom(...(Object.keys(lineDevices) as LineDeviceId[])), fc.string({ maxLength: 60 }), (id, line) => {
        const read = parseDeviceLine(id, line)
        if (read.kind === 'reading' || read.kind === 'hold')
          expect(read.value).to.be.within(lineDevices[id].least, lineDevices[id].greatest)
      }),
      { numRuns: 500 },
    )
  })

  for (const [id, kind] of Object.entries(kinds) as [LineDeviceId, DeviceKind][]) {
    it(`${id}: the stand-in speaks the protocol, settles, and agrees on its range`, () => {
      expect(kind).to.include({
        hello: lineDevices[id].hello,
        reading: lineDevices[id].reading,
        least: lineDevices[id].least,
        greatest: lineDevices[id].greatest,
      })
      const source = createLineSource(kind, () => 0.5)
      source.change({ value: kind.greatest / 2, jitter: 0 })
      const lines = Array.from({ length: 12 }, () => source.tick()).flat()
      for (const line of lines) expect(parseDeviceLine(id, line).kind, line).not.to.equal('garbage')
      expect(parseDeviceLine(id, lines.at(-1) ?? '')).to.include({ kind: 'reading', value: kind.greatest / 2, isSteady: true })
    })
  }
})
