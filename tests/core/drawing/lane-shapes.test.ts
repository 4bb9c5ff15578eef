import { expect } from 'chai'
import type { Geometry } from '#core/model/geometry'
import { shapeArm } from '#core/drawing/arm-shape'
import { shapeColumn } from '#core/drawing/column-shape'
import { headFromFront, headFromSide, youngHead, type HeadForm } from '#core/drawing/head-form'
import { drawnStatureCm } from '#core/planner/body/drawn-stature'
import { headHeightCm } from '#core/drawing/neck-form'
import { shapeLeg } from '#core/drawing/leg-shape'
import { boundsOf, type Point } from '#core/drawing/points'
import { smoothPath, straightPath } from '#core/drawing/smooth-path'
import { changedExample, exampleOf } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const geometryOf = (technique: string, changes: Readonly<Record<string, number>> = {}): Geometry =>
  planFile(
    changedExample(technique, (file) => {
      for (const reading of file.measurements) {
        const value = changes[String(reading['id'])]
        if (value !== undefined) reading['value'] = value
      }
    }),
  ).geometry

const legTechniques = [
  'leg-slab',
  'slab-and-stirrup',
  'leg-cast',
  'cast-opening',
  'ring-traction',
  'pole-traction',
  'hinged-knee-brace',
  'walker-boot',
]
const columnTechniques = ['extrication-collar', 'care-collar', 'trunk-shell', 'seated-vest']
const areFinite = (points: readonly Point[]): boolean => points.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y))

describe('the leg as it is drawn', () => {
  for (const technique of legTechniques) {
    it(`${technique}: has a finite outline inside its bounds, the front above the back`, () => {
      const shape = shapeLeg(geometryOf(technique))
      expect(areFinite(shape.outline)).to.equal(true)
      const { minX, maxX, minY, maxY } = shape.bounds
      for (const [x, y] of shape.outline) {
        expect(x).to.be.within(minX, maxX)
        expect(y).to.be.within(minY, maxY)
      }
      for (let at = 12; at < maxX - 1; at += 3) {
        expect(shape.placeAt('leg', at, 'front')[1]).to.be.greaterThan(shape.placeAt('leg', at, 'back')[1])
      }
    })
  }

  it('is as deep at a station as its girth says', () => {
    const shape = shapeLeg(geometryOf('leg-slab'))
    const calf = shape.stations.find((station) => station.station.id === 'calf')
    expect(calf).to.not.equal(undefined)
    const depth = (calf?.front[1] ?? 0) - (calf?.back[1] ?? 0)
    expect(depth).to.be.closeTo(((calf?.station.girthCm ?? 0) / Math.PI) * 1.04, 1e-9)
  })

  it('grows with the reading and only where it was read', () => {
    const depthAt = (geometry: Geometry, id: string): number => {
      const drawn = shapeLeg(geometry).stations.find((station) => station.station.id === id)
      return (drawn?.front[1] ?? 0) - (drawn?.back[1] ?? 0)
    }
    const [thin, thick] = [geometryOf('leg-slab', { 'calf-girth': 34 }), geometryOf('leg-slab', { 'calf-girth': 42 })]
    expect(depthAt(thick, 'calf')).to.be.greaterThan(depthAt(thin, 'calf') + 2)
    expect(depthAt(thick, 'ankle')).to.be.closeTo(depthAt(thin, 'ankle'), 1e-9)
  })

  it('turns the foot with the ankle: toes down lie nearer to the page’s left', () => {
    const angled = (ankle: number): Geometry => ({ ...geometryOf('leg-slab'), angles: { ankle } })
    const square = shapeLeg(angled(90)).toeTip
    const down = shapeLeg(angled(110)).toeTip
    const up = shapeLeg(angled(85)).toeTip
    expect(down[0]).to.be.lessThan(square[0])
    expect(up[0]).to.be.greaterThan(square[0])
    expect(shapeLeg(angled(90)).malleolus).to.deep.equal(shapeLeg(angled(110)).malleolus)
  })

  it('is drawn without any station', () => {
    const bare: Geometry = { ...geometryOf('leg-slab'), stations: [], bands: [], marks: [], axes: [] }
    const shape = shapeLeg(bare)
    expect(areFinite(shape.outline)).to.equal(true)
    expect(shape.kneecap).to.equal(null)
  })
})

describe('neck and trunk as they are drawn', () => {
  for (const technique of columnTechniques) {
    for (const view of ['front', 'side'] as const) {
      it(`${technique}, ${view}: is finite, upright, and drawn inside its bounds`, () => {
        const shape = shapeColumn(geometryOf(technique), view)
        const drawn = [...shape.outlines.flat(), ...(shape.hair ?? [])]
        expect(areFinite([...drawn, ...shape.creases.flat()])).to.equal(true)
        const { minX, maxX, minY, maxY } = shape.bounds
        expect(maxY).to.be.greaterThan(minY + 10)
        const real = boundsOf(drawn)
        expect(real.minX).to.be.at.least(minX - 0.5)
        expect(real.maxX).to.be.at.most(maxX + 0.5)
        const [left, right] = shape.edgesAt(5)
        expect(left).to.be.lessThan(0)
        expect(right).to.be.greaterThan(0)
      })
    }
  }

  it('mirrors itself from the front', () => {
    for (const technique of ['trunk-shell', 'care-collar']) {
      const [left, right] = shapeColumn(geometryOf(technique), 'front').edges
      right.forEach(([x, y], index) => expect(left[index]).to.deep.equal([-x, y]))
    }
  })

  it('is broader than deep, and broader with a larger waist', () => {
    const [small, large] = [geometryOf('trunk-shell', { 'waist-girth': 70 }), geometryOf('trunk-shell', { 'waist-girth': 85 })]
    const across = (geometry: Geometry, view: 'front' | 'side'): number => {
      const [left, right] = shapeColumn(geometry, view).edgesAt((geometry.axes[0]?.lengthCm ?? 50) / 2)
      return right - left
    }
    expect(across(small, 'front')).to.be.greaterThan(across(small, 'side'))
    expect(across(large, 'front')).to.be.greaterThan(across(small, 'front'))
  })

  it('gives a child a head that is large for its neck', () => {
    const of = (statureCm: number): number => shapeColumn({ ...geometryOf('care-collar'), statureCm }, 'front').bounds.maxY
    expect(headHeightCm(170)).to.be.closeTo(22.5, 0.05)
    expect(headHeightCm(105) / 105).to.be.greaterThan(headHeightCm(170) / 170)
    expect(of(105)).to.be.lessThan(of(170))
  })

  it('draws a child of unknown height by age, an adult and a known height as they are', () => {
    expect(drawnStatureCm({ ageYears: 5 })).to.be.within(103, 116)
    expect(drawnStatureCm({ ageYears: 0 })).to.equal(52)
    expect([drawnStatureCm({}), drawnStatureCm({ ageYears: 44 })]).to.deep.equal([170, 170])
    expect(drawnStatureCm({ ageYears: 5, heightCm: 131 })).to.equal(131)
    for (let years = 0; years < 17; years += 0.5)
      expect(drawnStatureCm({ ageYears: years + 0.5 }), `${years}`).to.be.greaterThan(drawnStatureCm({ ageYears: years }))
  })

  it('gives a child the face of one: eyes, nose and mouth low, the cheeks full, nothing beyond the head', () => {
    for (const form of [headFromFront, headFromSide]) {
      const child = youngHead(form, 110)
      expect(youngHead(form, 170)).to.equal(form)
      const places = (head: HeadForm): readonly Point[] => head.features.flat()
      places(form).forEach(([, y], index) => {
        if (y > 0.1) expect(places(child)[index]?.[1]).to.be.lessThan(y)
      })
      expect(areFinite([...child.outlines.flat(), ...child.hair, ...places(child)])).to.equal(true)
      const head = boundsOf(child.outlines.flat())
      for (const [x, y] of places(child)) {
        expect(x).to.be.within(head.minX - 0.01, head.maxX + 0.01)
        expect(y).to.be.within(head.minY - 0.01, head.maxY + 0.01)
      }
    }
    const cheekOf = (head: HeadForm): number => Math.max(...(head.outlines.at(-1) ?? []).filter(([, y]) => y < 0.22).map(([x]) => x))
    expect(cheekOf(youngHead(headFromFront, 110))).to.be.greaterThan(cheekOf(headFromFront))
  })

  it('lets the near arm of a trunk hang inside its outline', () => {
    for (const statureCm of [110, 170, 200]) {
      const shape = shapeColumn({ ...geometryOf('trunk-shell'), statureCm }, 'side')
      expect(shape.nearArm).to.have.length.greaterThan(8)
      for (const [x, y] of shape.nearArm ?? []) {
        expect(x, `${statureCm} cm`).to.be.within(shape.bounds.minX, shape.bounds.maxX)
        expect(y).to.be.within(shape.bounds.minY, shape.bounds.maxY)
      }
    }
  })

  it('is drawn with nothing measured yet', () => {
    const bare = changedExample('seated-vest', (file) => void (file.measurements = []))
    const shape = shapeColumn(planFile(bare).geometry, 'front')
    expect(areFinite(shape.outlines.flat())).to.equal(true)
  })
})

describe('the forearm as it is drawn', () => {
  const geometry = geometryOf('volar-slab')

  it('has fingers and a thumb inside its bounds, the thumb up for a left hand and down for a right one', () => {
    const [left, right] = [shapeArm(geometry, false), shapeArm(geometry, true)]
    expect(left.hand.digits).to.have.length(5)
    expect(left.bounds.maxY).to.be.closeTo(-right.bounds.minY, 1e-9)
    expect(left.bounds.maxY).to.be.greaterThan(-left.bounds.minY)
    expect(left.bounds.minX).to.be.lessThan(-left.palmCm * 2)
  })

  it('has a longer palm and fingers with a longer reading, and is as broad as its girths', () => {
    const long = shapeArm(
      { ...geometry, marks: geometry.marks.map((mark) => (mark.id === 'palm-crease' ? { ...mark, atCm: -10 } : mark)) },
      false,
    )
    expect(long.hand.reachCm).to.be.greaterThan(shapeArm(geometry, false).hand.reachCm)
    const station = geometry.stations[0]
    expect(station).to.not.equal(undefined)
    expect(shapeArm(geometry, false).halfAt(station?.atCm ?? 0)).to.be.closeTo(((station?.girthCm ?? 0) / Math.PI / 2) * 1.14, 1e-9)
  })

  it('is drawn with nothing measured', () => {
    const shape = shapeArm({ ...geometry, stations: [], marks: [], axes: [] }, true)
    expect(shape.paths.join(' ')).to.not.match(/NaN|undefined/)
  })
})

describe('paths', () => {
  const square: readonly Point[] = [
    [0, 0],
    [10, 0],
    [10, 10],
    [0, 10],
  ]
  it('begin at the first point, pass every one and may close', () => {
    expect(straightPath(square, true)).to.match(/^M0\.00 0\.00.*Z$/)
    expect(smoothPath(square)).to.match(/^M0\.00 0\.00/)
    expect(smoothPath(square)).not.to.match(/Z$/)
    expect(smoothPath(square, true)).to.match(/Z$/)
    for (const [x, y] of square.slice(1)) expect(smoothPath(square)).to.include(`${x.toFixed(2)} ${y.toFixed(2)}`)
  })

  it('are empty rather than broken without points', () => {
    expect(smoothPath([])).to.not.include('NaN')
    expect(smoothPath([[1, 2]])).to.not.include('NaN')
    expect(straightPath([])).to.not.include('undefined')
  })
})

describe('every published example', () => {
  for (const technique of [...legTechniques, ...columnTechniques, 'volar-slab', 'suspended-ring-traction', 'frame-traction']) {
    it(`${technique}: lays bands and marks on axes that it has`, () => {
      const { axes, bands, marks, stations, polygons } = planFile(exampleOf(technique)).geometry
      const ids = new Set(axes.map((axis) => axis.id))
      for (const one of [...bands, ...marks, ...stations]) expect(ids.has(one.axis), `${one.id} on ${one.axis}`).to.equal(true)
      for (const band of bands) expect(band.toCm, band.id).to.be.at.least(band.fromCm)
      for (const polygon of polygons) expect(areFinite(polygon.points), polygon.id).to.equal(true)
      expect(new Set(bands.map((band) => band.id)).size).to.equal(bands.length)
    })
  }
})
