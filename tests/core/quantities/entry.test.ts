import { expect } from 'chai'
import { parseQuickEntry } from '#core/quantities/quick-entry'
import { checkScaleBar, measurePhotoAngle, measurePhotoLength, type PhotoPoint } from '#core/quantities/photo-measure'
import { instruments, parseInstrumentLine } from '#core/quantities/instrument-line'
import { makeDraws } from '../../harness/random-draws'

const places = [
  { id: 'calf-girth', label: 'Calf girth' },
  { id: 'ankle-girth', label: 'Ankle girth' },
  { id: 'neck-height', label: 'Neck height' },
  { id: 'thigh-girth', label: 'Thigh girth' },
  { id: 'mid-thigh-girth', label: 'Mid-thigh girth' },
]

describe('several readings in one line', () => {
  it('reads names, fractions and units', () => {
    expect(parseQuickEntry('calf 37.2, ankle 22 1/4in, neck 3fw', places)).to.deep.equal({
      ok: true,
      readings: [
        { id: 'calf-girth', value: 37.2, unit: null, typed: 'calf 37.2', side: null },
        { id: 'ankle-girth', value: 22.25, unit: 'in', typed: 'ankle 22 1/4in', side: null },
        { id: 'neck-height', value: 3, unit: 'fw', typed: 'neck 3fw', side: null },
      ],
    })
  })

  for (const [line, id, side, value] of [
    ['l calf 37', 'calf-girth', 'left', 37],
    ['calf right 37,5', 'calf-girth', 'right', 37.5],
    ['CALF 37.5', 'calf-girth', null, 37.5],
    ['mid 51', 'mid-thigh-girth', null, 51],
    ['thigh 51', 'thigh-girth', null, 51],
  ] as const) {
    it(`reads "${line}"`, () => {
      const read = parseQuickEntry(line, places)
      expect(read.ok && read.readings[0]).to.include({ id, side, value })
    })
  }

  for (const [line, fault] of [
    ['', /Nothing was typed/],
    ['   ,;', /Nothing was typed/],
    ['calf', /no name or no figure/],
    ['shin 38', /not among the places asked for/],
    ['girth 38', /could be .* or .*: type more/],
    ['calf 37, ankle twenty', /no name or no figure/],
    ['calf 15 1/4', /Calf girth: .*fraction without a unit/],
    ['calf 37 stone', /Calf girth: /],
  ] as const) {
    it(`refuses "${line}" and takes nothing by halves`, () => {
      const read = parseQuickEntry(line, places)
      expect(read.ok).to.equal(false)
      expect(!read.ok && read.message).to.match(fault)
    })
  }
})

describe('a line from the digital tape', () => {
  for (const [line, read] of [
    ['TAPE 1 Tern tape 3', { kind: 'hello', version: 1, name: 'Tern tape 3' }],
    ['R 37.2 S', { kind: 'reading', value: 37.2, isSteady: true }],
    ['R 37.25 U', { kind: 'reading', value: 37.25, isSteady: false }],
    ['  H 37.2\r', { kind: 'hold', value: 37.2 }],
    ['B 80', { kind: 'battery', percent: 80 }],
  ] as const) {
    it(`reads ${JSON.stringify(line)}`, () => expect(parseInstrumentLine('tape', line)).to.deep.equal(read))
  }

  for (const line of [
    '',
    'R',
    'R 37',
    'R 37.2 X',
    'R -3 S',
    'R 1e3 S',
    `R ${instruments.tape.greatest + 1} S`,
    'H',
    'H abc',
    'B 101',
    'TAPE 2 other',
    '<b>',
  ]) {
    it(`takes nothing from ${JSON.stringify(line)}`, () => expect(parseInstrumentLine('tape', line).kind).to.equal('garbage'))
  }

  it('keeps no more than 80 characters of garbage', () => {
    const read = parseInstrumentLine('tape', 'x'.repeat(5000))
    expect(read.kind === 'garbage' && read.line).to.have.length(80)
  })
})

describe('measuring in a photo', () => {
  it('scales by the bar and adds two in a hundred', () => {
    expect(measurePhotoLength([0, 0], [100, 0], 10, [0, 50], [250, 50])).to.deep.equal({ cm: 25, errorCm: 0.5 })
  })

  for (const [to, barCm, fault] of [
    [[0, 0], 10, /no length on the photo/],
    [[3, 4], 10, /no length on the photo/],
    [[100, 0], 0, /from 0.1 to 200/],
    [[100, 0], -5, /from 0.1 to 200/],
    [[100, 0], Number.NaN, /from 0.1 to 200/],
    [[100, 0], 500, /from 0.1 to 200/],
  ] as const) {
    it(`refuses a bar to ${to.join(',')} of ${barCm} cm`, () => {
      expect(checkScaleBar([0, 0], to, barCm)).to.match(fault)
      expect(measurePhotoLength([0, 0], to, barCm, [0, 0], [50, 50])).to.equal(null)
    })
  }

  it('reads angles, and none without arms', () => {
    expect(measurePhotoAngle([100, 0], [0, 0], [0, 100])).to.be.closeTo(90, 1e-9)
    expect(measurePhotoAngle([100, 0], [0, 0], [-100, 0])).to.be.closeTo(180, 1e-6)
    expect(measurePhotoAngle([0, 0], [0, 0], [0, 100])).to.equal(null)
  })

  it('does not change when the photo is turned or enlarged', () => {
    const draw = makeDraws(7)
    for (let round = 0; round < 300; round++) {
      const points = Array.from({ length: 4 }, (): PhotoPoint => [draw(0, 2000), draw(0, 2000)])
      const [a, b, c, d] = points as [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint]
      const [angle, scale] = [draw(0, 6.28), draw(1, 3)]
      const turn = ([x, y]: PhotoPoint): PhotoPoint => [
        scale * (x * Math.cos(angle) - y * Math.sin(angle)),
        scale * (x * Math.sin(angle) + y * Math.cos(angle)),
      ]
      const plain = measurePhotoLength(a, b, 10, c, d)
      const turned = measurePhotoLength(turn(a), turn(b), 10, turn(c), turn(d))
      if (plain) expect(turned?.cm).to.be.closeTo(plain.cm, 1e-6 * Math.max(1, plain.cm))
      const bend = measurePhotoAngle(a, b, c)
      if (bend !== null) expect(measurePhotoAngle(turn(a), turn(b), turn(c))).to.be.closeTo(bend, 1e-4)
    }
  })
})
