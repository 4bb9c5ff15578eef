import { expect } from 'chai'
import type { Geometry } from '#core/model/geometry'
import { shapeArm } from '#core/drawing/arm-shape'
import { shapeColumn } from '#core/drawing/column-shape'
import { shapeLeg } from '#core/drawing/leg-shape'
import { limbFigure } from '#core/drawing/limb-figure'
import type { Bounds, Point } from '#core/drawing/points'
import { feelingLineOnColumn, placeOnArm, placeOnColumn, placeOnLeg } from '#core/drawing/site-places'
import { feelingLevels } from '#core/model/round-items'
import { sites, type Site } from '#core/rounds/item-sites'
import { changedExample, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const geometryOf = (technique: string, side?: 'left' | 'right'): Geometry =>
  planFile(
    changedExample(technique, (file) => {
      if (side && file.injury['side']) file.injury['side'] = side
    }),
  ).geometry

/** The places of a body, with what its drawing takes up; null for what is not drawn. */
function placesOf(geometry: Geometry): { readonly bounds: Bounds; readonly at: (site: Site) => Point | null } {
  if (geometry.body === 'leg') {
    const shape = shapeLeg(geometry)
    return { bounds: shape.bounds, at: (site) => placeOnLeg(site, geometry, shape) }
  }
  if (geometry.body === 'arm') {
    const shape = shapeArm(geometry, geometry.side === 'right')
    return { bounds: shape.bounds, at: (site) => placeOnArm(site, geometry, shape) }
  }
  const shape = shapeColumn(geometry, 'front')
  return { bounds: shape.bounds, at: (site) => placeOnColumn(site, geometry, shape) }
}

const least: Readonly<Record<Geometry['body'], readonly Site[]>> = {
  leg: ['toes', 'great-toe', 'first-web', 'top-of-foot', 'sole', 'heel', 'foot-pulse', 'injury', 'device', 'device-edge', 'muscle'],
  arm: ['fingers', 'thumb-tip', 'index-tip', 'little-tip', 'first-web', 'wrist-pulse', 'injury', 'device', 'device-edge'],
  neck: ['mouth', 'throat', 'side-of-neck', 'arm-left', 'arm-right'],
  trunk: ['chest', 'belly', 'bladder', 'saddle', 'arm-left', 'arm-right', 'leg-left', 'leg-right'],
  none: [],
}

describe('the places of a drawing', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: what its body is looked at for lies on what is drawn, left and right`, () => {
      for (const side of ['left', 'right'] as const) {
        const geometry = geometryOf(technique, side)
        const { bounds, at } = placesOf(geometry)
        const drawn = sites.filter((site) => at(site) !== null)
        expect(drawn).to.include.members(least[geometry.body])
        for (const site of drawn) {
          const [x, y] = at(site) ?? [NaN, NaN]
          expect(x, `${site} across`).to.be.within(bounds.minX - 0.5, bounds.maxX + 0.5)
          expect(y, `${site} up`).to.be.within(bounds.minY - 0.5, bounds.maxY + 0.5)
        }
      }
    })

    it(`${technique}: as lines for paper it has skin, and what is worn of the plan`, () => {
      const geometry = geometryOf(technique)
      const figure = limbFigure(geometry, [{ site: 'injury', level: 'urgent', label: 'pain', short: 'pain' }])
      expect(figure?.skin.length).to.be.greaterThan(0)
      expect([...(figure?.worn ?? []), ...(figure?.covers ?? [])].length, 'worn').to.be.greaterThan(0)
      const paths = [...(figure?.skin ?? []), ...(figure?.worn ?? []), ...(figure?.covers ?? [])]
      expect(paths.filter((path) => /NaN|Infinity/.test(path))).to.deep.equal([])
    })
  }

  it('the index finger lies on the thumb’s side, the little finger on the other, of either hand', () => {
    for (const side of ['left', 'right'] as const) {
      const { at } = placesOf(geometryOf('volar-slab', side))
      const y = (site: Site): number => at(site)?.[1] ?? NaN
      expect(Math.abs(y('thumb-tip') - y('index-tip')), side).to.be.lessThan(Math.abs(y('thumb-tip') - y('little-tip')))
    }
  })

  it('feeling ends at the height of its level: higher on the trunk for a higher level, nowhere for one of leg or seat', () => {
    const geometry = geometryOf('trunk-shell')
    const shape = shapeColumn(geometry, 'front')
    const ends = feelingLevels.map((feelingLevel) => ({
      feelingLevel,
      line: feelingLineOnColumn({ site: 'feeling-line', feelingLevel }, geometry, shape),
    }))
    const drawn = ends.filter(({ line }) => line !== null)
    expect(drawn.map(({ feelingLevel }) => feelingLevel)).to.include.members(['L1', 'T12', 'T10', 'T6', 'T4', 'T1', 'C8', 'C5', 'C2'])
    expect(drawn.map(({ feelingLevel }) => feelingLevel)).to.not.include.members(['normal', 'S4', 'L5', 'L2'])
    drawn.slice(1).forEach(({ line, feelingLevel }, index) => {
      expect(line?.[1][1], feelingLevel).to.be.greaterThan(drawn[index]?.line?.[1][1] ?? NaN)
      expect(line?.[0][0], feelingLevel).to.be.lessThan(0)
    })
    const figure = limbFigure(geometry, [
      { site: 'feeling-line', level: 'urgent', label: 'level of feeling T10', short: 'feeling lost from T10', feelingLevel: 'T10' },
    ])
    expect(figure?.lines[0]?.level, 'in the tone of what it is').to.equal('urgent')
    expect([figure?.lines.length, figure?.marks.length]).to.deep.equal([1, 1])
  })

  it('no limb is drawn before its first girth', () => {
    expect(limbFigure({ ...geometryOf('leg-slab'), stations: [] }, [])).to.equal(null)
  })
})
