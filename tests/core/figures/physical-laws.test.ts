import { expect } from 'chai'
import fc from 'fast-check'
import { heatDefaults, type HeatInput } from '#core/model/heat-input'
import { solveHeat } from '#core/figures/heat/solve-heat'
import { headTilt, pistoning } from '#core/figures/sizing/hinge'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { settingTime } from '#core/figures/setting-time/working-time'
import { settingMaterials } from '#core/model/setting-material'
import { arcStiffness } from '#core/figures/slabs/stiffness'
import { chooseSlabWidth, openGap, widestSlab } from '#core/figures/slabs/slab-width'
import { girthGrowthAt } from '#core/figures/swelling/girth-growth'
import { hoursUntilLimit, paddingCompression, pressureUnderShell, type RoomInput } from '#core/figures/swelling/room'
import { bandagePressure } from '#core/figures/wraps/bandage-pressure'
import { stockinetteLength, stockinetteWidth } from '#core/figures/wraps/stockinette'
import { wrapLayers, wrapLength } from '#core/figures/wraps/wrap-length'

const girth = fc.double({ min: 10, max: 120, noNaN: true })
const width = fc.double({ min: 2, max: 30, noNaN: true })
const heat = (changes: Partial<HeatInput> = {}): HeatInput => ({
  material: 'plaster-fast',
  layers: 10,
  paddingLayers: 2,
  waterC: 22,
  roomC: 21,
  backing: 'air',
  setMin: 5,
  constants: readDefaults(heatDefaults, defaultProtocol),
  ...changes,
})
const room = (changes: Partial<RoomInput> = {}): RoomInput => ({
  girthCm: 36,
  growthMax: 0.05,
  paddingLayers: 2,
  openingCm: 0,
  hasCrepe: false,
  coveredShare: 1,
  ...changes,
})

describe('heat', () => {
  it('keeps its balance of energy for every material and backing', () => {
    for (const material of ['plaster-extra-fast', 'plaster-fast', 'plaster-slow', 'padded-fibreglass'] as const) {
      for (const backing of ['air', 'pillow'] as const) {
        expect(solveHeat(heat({ material, backing })).energyError, `${material} ${backing}`).to.be.below(0.01)
      }
    }
  }).timeout(20_000)

  for (const [what, less, more] of [
    ['layers', { layers: 6 }, { layers: 16 }],
    ['warmer water', { waterC: 20 }, { waterC: 32 }],
    ['a pillow', { backing: 'air' }, { backing: 'pillow' }],
    ['thinner padding', { paddingLayers: 4 }, { paddingLayers: 1 }],
    ['a warmer room', { roomC: 16 }, { roomC: 28 }],
  ] as const) {
    it(`rises with ${what}`, () => {
      expect(solveHeat(heat(more)).peakC).to.be.greaterThan(solveHeat(heat(less)).peakC)
    })
  }

  it('burns more the longer it is hot, and never less than nothing', () => {
    const cool = solveHeat(heat({ layers: 6 }))
    const hot = solveHeat(heat({ layers: 24, waterC: 40, backing: 'pillow' }))
    expect(cool.omega).to.be.at.least(0)
    expect(hot.omega).to.be.greaterThan(cool.omega)
    expect(hot.minutesAbove44).to.be.greaterThan(cool.minutesAbove44)
  })

  it('gives the peak of its own curve', () => {
    const { skinC, peakC, peakMin } = solveHeat(heat())
    expect(peakC).to.be.at.least(Math.max(...skinC))
    expect(peakC - Math.max(...skinC)).to.be.below(0.1)
    expect(Math.abs(skinC.indexOf(Math.max(...skinC)) - peakMin)).to.be.at.most(1.01)
  })
})

describe('setting', () => {
  for (const material of settingMaterials) {
    it(`${material}: never takes longer in warmer water, and always some time`, () => {
      fc.assert(
        fc.property(fc.double({ min: 5, max: 50, noNaN: true }), fc.double({ min: 5, max: 50, noNaN: true }), (a, b) => {
          const [cold, warm] = [Math.min(a, b), Math.max(a, b)]
          const slow = settingTime(material, cold, undefined, defaultProtocol).minutes
          const fast = settingTime(material, warm, undefined, defaultProtocol).minutes
          expect(fast).to.be.at.most(slow + 1e-9)
          expect(fast).to.be.greaterThan(0)
        }),
      )
    })
  }

  it('goes by the pack where the pack says', () => {
    const own = settingTime('plaster-fast', 22, undefined, defaultProtocol).minutes
    expect(settingTime('plaster-fast', 22, own * 2, defaultProtocol).minutes).to.be.closeTo(own * 2, 1e-9)
  })
})

describe('slab width', () => {
  it('leaves at least two centimetres open, a quarter where it must be wide', () => {
    fc.assert(
      fc.property(girth, fc.double({ min: 0, max: 0.08, noNaN: true }), (paddedGirthCm, growth) => {
        expect(openGap(paddedGirthCm, growth, false)).to.be.at.least(2)
        expect(openGap(paddedGirthCm, growth, true)).to.be.at.least(Math.max(2, paddedGirthCm / 4) - 1e-9)
      }),
    )
  })

  it('takes the widest in stock that is not too wide, and never one wider', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 4000 }).map((hundredths) => hundredths / 100),
        fc.uniqueArray(fc.integer({ min: 5, max: 40 }), { maxLength: 8 }),
        (widest, stocked) => {
          const chosen = chooseSlabWidth(widest, stocked)
          if (stocked.length === 0) expect(chosen).to.equal(null)
          const fitting = stocked.filter((one) => one <= widest)
          if (fitting.length > 0) expect(chosen?.widthCm).to.equal(Math.max(...fitting))
        },
      ),
    )
  })

  it('is bounded by its narrowest station', () => {
    const stations = [
      { id: 'ankle', label: 'Ankle', paddedGirthCm: 26, gapCm: 2 },
      { id: 'calf', label: 'Calf', paddedGirthCm: 40, gapCm: 10 },
    ]
    const { limiting, widthCm } = widestSlab(stations as never)
    expect((limiting as { id: string }).id).to.equal('ankle')
    expect(widthCm).to.equal(24)
  })

  it('stiffens with the arc far more than with layers', () => {
    const narrow = arcStiffness(6, 0.5, 6)
    const wide = arcStiffness(6, 0.5, 15)
    const thick = arcStiffness(6, 0.6, 6)
    const gain = (one: ReturnType<typeof arcStiffness>): number =>
      Math.max(...Object.values(one).filter((value) => typeof value === 'number'))
    expect(gain(wide) / gain(narrow)).to.be.greaterThan(gain(thick) / gain(narrow))
  })
})

describe('swelling and room', () => {
  it('grows from nothing towards its greatest and never beyond', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.08, noNaN: true }), fc.integer({ min: 0, max: 200 }), (growthMax, hours) => {
        const growth = girthGrowthAt(growthMax, hours, 24)
        expect(growth).to.be.within(0, growthMax)
        expect(girthGrowthAt(growthMax, hours + 1, 24)).to.be.at.least(growth)
      }),
    )
    expect(girthGrowthAt(0.05, 0, 24)).to.equal(0)
  })

  it('presses more with time and swelling, less with padding and opening', () => {
    const at = (changes: Partial<RoomInput>, hours = 48): number => pressureUnderShell(room(changes), hours, defaultProtocol) ?? Infinity
    expect(at({}, 48)).to.be.at.least(at({}, 6))
    expect(at({ growthMax: 0.08 })).to.be.at.least(at({ growthMax: 0.02 }))
    expect(at({ paddingLayers: 4 })).to.be.at.most(at({ paddingLayers: 2 }))
    expect(at({ openingCm: 1.5 })).to.be.at.most(at({}))
    expect(at({ coveredShare: 0.5 })).to.be.at.most(at({}))
    expect(at({ hasCrepe: true })).to.be.at.least(at({}))
  })

  it('never compresses below nothing, and says when the padding is crushed flat', () => {
    fc.assert(
      fc.property(
        girth,
        fc.double({ min: 0, max: 0.08, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 0, max: 72 }),
        (girthCm, growthMax, paddingLayers, hours) => {
          const input = room({ girthCm, growthMax, paddingLayers })
          const x = paddingCompression(input, hours, defaultProtocol)
          const kPa = pressureUnderShell(input, hours, defaultProtocol)
          expect(x).to.be.at.least(0)
          if (x >= 1) expect(kPa).to.equal(null)
          else if (kPa === null) expect(x, 'above 40 kPa the figure means nothing more').to.be.greaterThan(0.85)
          else expect(kPa).to.be.within(0, 40)
        },
      ),
    )
  })

  it('reaches four kilopascals earlier the more it swells', () => {
    const hours = (growthMax: number): number => hoursUntilLimit(room({ girthCm: 60, growthMax }), defaultProtocol) ?? Infinity
    expect(hours(0.08)).to.be.at.most(hours(0.05))
    expect(hours(0.01)).to.equal(Infinity)
  })
})

describe('wraps', () => {
  it('press by tension and layers, less on a larger limb and with a wider roll', () => {
    fc.assert(
      fc.property(girth, width, (girthCm, widthCm) => {
        const pressure = bandagePressure(2, 0.5, girthCm, widthCm)
        expect(bandagePressure(4, 0.5, girthCm, widthCm)).to.be.closeTo(2 * pressure, 1e-6 * pressure)
        expect(bandagePressure(2, 1, girthCm, widthCm)).to.be.closeTo(2 * pressure, 1e-6 * pressure)
        expect(bandagePressure(2, 0.5, 2 * girthCm, widthCm)).to.be.below(pressure)
        expect(bandagePressure(2, 0.5, girthCm, 2 * widthCm)).to.be.below(pressure)
      }),
    )
  })

  it('need length in proportion to area, passes and overlap', () => {
    expect(wrapLength(1000, 10, 0.5, 1, 1)).to.be.closeTo(200, 1e-9)
    expect(wrapLength(1000, 10, 0.5, 2, 1)).to.be.closeTo(400, 1e-9)
    expect(wrapLength(1000, 10, 0, 1, 1.05)).to.be.closeTo(105, 1e-9)
    expect(wrapLayers(2, 0.5)).to.be.closeTo(4, 1e-9)
  })

  it('stockinette covers with its ends and stretches over the widest girth', () => {
    expect(stockinetteLength(30, 'folded-back')).to.be.greaterThan(30)
    expect(stockinetteLength(30, 'turned-over')).to.be.greaterThan(30)
    const chosen = stockinetteWidth(25, [5, 7.5, 10, 15])
    expect([5, 7.5, 10, 15]).to.include(chosen)
    expect(stockinetteWidth(25, [])).to.equal(null)
  })
})

describe('hinges and heads', () => {
  it('a hinge on its turning point does not slide, off it the more the further it bends', () => {
    expect(pistoning(0, 90)).to.equal(0)
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 4, noNaN: true }), fc.integer({ min: 1, max: 60 }), (offsetCm, bend) => {
        expect(pistoning(offsetCm, 2 * bend)).to.be.greaterThan(pistoning(offsetCm, bend))
        expect(pistoning(2 * offsetCm, bend)).to.be.closeTo(2 * pistoning(offsetCm, bend), 1e-9)
      }),
    )
  })

  it('a collar set too high tips the head back, too low forward, by the same', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 12, noNaN: true }), fc.double({ min: 0.1, max: 3, noNaN: true }), (neck, off) => {
        expect(headTilt(neck + off, neck)).to.be.greaterThan(0)
        expect(headTilt(neck - off, neck)).to.be.closeTo(-headTilt(neck + off, neck), 1e-9)
      }),
    )
    expect(headTilt(5, 5)).to.equal(0)
  })
})
