import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { readingError } from '#core/quantities/reading-error'
import { exampleEntry, parseQuickEntry } from '#core/quantities/quick-entry'
import { checkScaleBar, measurePhotoAngle, measurePhotoPath, smoothLine, type PhotoPoint } from '#core/quantities/photo-measure'
import { instruments, parseInstrumentLine } from '#core/quantities/instrument-line'
import { readCase } from '#core/files/read-case'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { makeDraws } from '../../harness/cases/random-draws'

const places = [
  { id: 'calf-girth', label: 'Calf girth' },
  { id: 'ankle-girth', label: 'Ankle girth' },
  { id: 'neck-height', label: 'Neck height' },
  { id: 'thigh-girth', label: 'Thigh girth' },
  { id: 'mid-thigh-girth', label: 'Mid-thigh girth' },
]

describe('an example of several readings', () => {
  const usual = [
    { id: 'wrist-girth', label: 'Wrist girth', statureShare: 0.095 },
    { id: 'forearm-girth', label: 'Forearm girth', statureShare: 0.15 },
    { id: 'forearm-length', label: 'Forearm length', statureShare: 0.15 },
  ]

  it('is of the places that are asked for, in words that name no other, and can be typed as it stands', () => {
    const example = exampleEntry(usual)
    expect(example).to.equal('wrist 16.2, forearm girth 10 in')
    const read = parseQuickEntry(example ?? '', usual)
    expect(read.ok && read.readings.map((reading) => reading.id)).to.deep.equal(['wrist-girth', 'forearm-girth'])
  })

  for (const technique of techniques)
    it(`${technique.id}: reads back as its own places`, () => {
      const { clinicalCase } = readCase(exampleOf(technique.id))
      const asked = technique.measurements(clinicalCase!, clinicalCase!.options).map((measurement) => measurement.definition)
      const example = exampleEntry(asked)
      if (example === null) return expect(asked.filter((definition) => definition.statureShare !== null).length).to.be.below(2)
      const read = parseQuickEntry(example, asked)
      expect(read, example).to.have.property('ok', true)
    })

  it('is none where only one place has a usual figure', () => expect(exampleEntry(usual.slice(0, 1))).to.equal(null))
})

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
  it('scales by the bar', () => {
    expect(
      measurePhotoPath([0, 0], [100, 0], 10, [
        [0, 50],
        [250, 50],
      ]),
    ).to.equal(25)
  })

  it('follows a bend smoothly: four points of a half circle measure it to one in a hundred, straight strokes four short', () => {
    const radius = 100
    const onCircle = (share: number): PhotoPoint => [radius * Math.cos(Math.PI * share), radius * Math.sin(Math.PI * share)]
    const points = [0, 1 / 3, 2 / 3, 1].map(onCircle)
    const straight = 3 * Math.hypot(points[1]![0] - points[0]![0], points[1]![1] - points[0]![1])
    const path = measurePhotoPath([0, 0], [100, 0], 100, points)
    expect(path).to.be.closeTo(Math.PI * radius, 0.03 * Math.PI * radius)
    expect(path).to.be.above(straight)
    const finer = measurePhotoPath([0, 0], [100, 0], 100, [0, 0.2, 0.4, 0.6, 0.8, 1].map(onCircle))
    expect(finer).to.be.closeTo(Math.PI * radius, 0.01 * Math.PI * radius)
  })

  it('is a straight line between points that lie on one, however unevenly, and counts a doubled point once', () => {
    const points: readonly PhotoPoint[] = [
      [0, 0],
      [3, 4],
      [3, 4],
      [30, 40],
      [300, 400],
    ]
    expect(measurePhotoPath([0, 0], [10, 0], 10, points)).to.be.closeTo(500, 1e-6)
    for (const [x, y] of smoothLine(points)) expect(y).to.be.closeTo((4 * x) / 3, 1e-6)
  })

  it('is never shorter than the straight strokes between its points, passes through each, and is the same from the other end', () => {
    const draw = makeDraws(11)
    for (let round = 0; round < 200; round++) {
      const points = Array.from({ length: 3 + Math.floor(draw(0, 6)) }, (): PhotoPoint => [draw(0, 2000), draw(0, 2000)])
      const straight = points.slice(1).reduce((sum, [x, y], index) => sum + Math.hypot(x - points[index]![0], y - points[index]![1]), 0)
      const path = measurePhotoPath([0, 0], [100, 0], 100, points)!
      expect(path).to.be.at.least(straight - 1e-6)
      expect(measurePhotoPath([0, 0], [100, 0], 100, [...points].reverse())).to.be.closeTo(path, 1e-6 * path)
      const line = smoothLine(points)
      for (const [x, y] of points) expect(line.some((point) => Math.hypot(point[0] - x, point[1] - y) < 1e-6)).to.equal(true)
    }
  })

  it('is the less sure the further the bar lies off the limb’s plane', () => {
    const doubtCm = (planeCm?: number): number =>
      readingError({ value: 50, tool: 'photo', ...(planeCm === undefined ? {} : { planeCm }) }, 'length', 50, defaultProtocol)
    expect(doubtCm()).to.equal(1)
    expect(doubtCm(0)).to.equal(1)
    expect(doubtCm(10)).to.be.closeTo(50 * Math.hypot(0.02, 10 / 80), 1e-9)
    expect([0, 2, 5, 10, 20, 40].map(doubtCm)).to.satisfy((all: number[]) => all.every((one, at) => at === 0 || one > all[at - 1]!))
  })

  it('has no length without two points', () => {
    expect(measurePhotoPath([0, 0], [100, 0], 10, [[5, 5]])).to.equal(null)
    expect(measurePhotoPath([0, 0], [100, 0], 10, [])).to.equal(null)
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
      expect(
        measurePhotoPath([0, 0], to, barCm, [
          [0, 0],
          [50, 50],
        ]),
      ).to.equal(null)
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
      const plain = measurePhotoPath(a, b, 10, [c, d, a])
      const turned = measurePhotoPath(turn(a), turn(b), 10, [c, d, a].map(turn))
      if (plain) expect(turned).to.be.closeTo(plain, 1e-6 * Math.max(1, plain))
      const bend = measurePhotoAngle(a, b, c)
      if (bend !== null) expect(measurePhotoAngle(turn(a), turn(b), turn(c))).to.be.closeTo(bend, 1e-4)
    }
  })
})
