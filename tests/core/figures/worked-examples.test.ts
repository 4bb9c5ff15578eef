import { expect } from 'chai'
import { frustumArea } from '#core/figures/body/frustum'
import { paddedGirth } from '#core/figures/body/padded-girth'
import { heatDefaults } from '#core/model/heat-input'
import { solveHeat } from '#core/figures/heat/solve-heat'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { cureTime, settingTime } from '#core/figures/setting-time/working-time'
import type { SettingMaterial } from '#core/model/setting-material'
import { arcStiffness } from '#core/figures/slabs/stiffness'
import { bandagePressure } from '#core/figures/wraps/bandage-pressure'
import { stockinetteLength, stockinetteWidth } from '#core/figures/wraps/stockinette'
import { wrapLayers, wrapLength } from '#core/figures/wraps/wrap-length'

const constants = readDefaults(heatDefaults, defaultProtocol)

function heatOf(material: SettingMaterial, layers: number, waterC: number, backing: 'air' | 'pillow'): ReturnType<typeof solveHeat> {
  const setMin = settingTime(material, waterC, undefined, defaultProtocol).minutes
  return solveHeat({ material, layers, paddingLayers: 2, waterC, roomC: 21, backing, setMin, constants })
}

describe('worked examples', () => {
  it('measures the skin of a tapering limb segment', () => {
    expect(frustumArea(22, 37, 20)).to.be.closeTo(594.2, 0.05)
  })

  it('winds padding over it', () => {
    expect(wrapLength(594.2, 10, 0.5, 1, 1.05)).to.be.closeTo(124.8, 0.05)
    expect(wrapLayers(1, 0.5)).to.equal(2)
  })

  it('adds the padding to a girth', () => {
    expect(paddedGirth(22, 2, 0.15)).to.be.closeTo(23.885, 0.001)
  })

  it('presses an ankle through two layers of bandage', () => {
    expect(bandagePressure(2, 0.5, 22, 10)).to.be.closeTo(21, 0.05)
  })

  it('shows why a wide slab holds and a strip does not', () => {
    const arc = arcStiffness(6, 0.5, 2 * 1.2 * 6)
    expect(arc.chordCm4).to.be.closeTo(9.71, 0.01)
    expect(arc.symmetryCm4).to.be.closeTo(93.1, 0.05)
    expect(arc.flatCm4).to.be.closeTo(0.15, 0.001)
  })

  it('takes a slab wider than the limb as a closed tube', () => {
    const tube = arcStiffness(4, 0.5, 100)
    expect(tube.chordCm4).to.be.closeTo(Math.PI * 64 * 0.5, 1e-6)
  })

  for (const [material, waterC, minutes] of [
    ['plaster-fast', 22, 5],
    ['plaster-slow', 22, 8],
    ['plaster-extra-fast', 22, 3],
    ['padded-fibreglass', 22, 4],
    ['plaster-fast', 32, 5 * Math.exp(-0.4)],
    ['fibreglass-roll', 12, 4 * Math.exp(0.3)],
  ] as const) {
    it(`sets ${material} in ${minutes.toFixed(2)} min at ${waterC} °C`, () => {
      const set = settingTime(material, waterC, undefined, defaultProtocol)
      expect(set.minutes).to.be.closeTo(minutes, 1e-9)
      expect(set.sd).to.be.closeTo(0.15 * minutes, 1e-9)
    })
  }

  it('cures thick plaster in two days, thin in one, a strip in twenty minutes', () => {
    expect(cureTime('plaster-fast', 8, defaultProtocol)).to.include({ value: 24, unit: 'h' })
    expect(cureTime('plaster-fast', 9, defaultProtocol)).to.include({ value: 48, unit: 'h' })
    expect(cureTime('padded-fibreglass', 6, defaultProtocol)).to.include({ value: 20, unit: 'min' })
    expect(cureTime('fibreglass-roll', 7, defaultProtocol)).to.include({ value: 30, unit: 'min' })
  })

  it('warms the skin under ten layers in the open air', () => {
    const heat = heatOf('plaster-fast', 10, 22, 'air')
    expect(heat.peakC).to.be.closeTo(41, 0.5)
    expect(heat.peakMin).to.be.closeTo(12.5, 0.5)
    expect(heat.omega).to.be.closeTo(0.003, 0.001)
  })

  it('burns the skin under twenty layers wetted hot and laid on a pillow', () => {
    const heat = heatOf('plaster-fast', 20, 40, 'pillow')
    expect(heat.peakC).to.be.closeTo(49.3, 0.5)
    expect(heat.peakMin).to.be.closeTo(9.2, 0.5)
    expect(heat.omega).to.be.closeTo(1.4, 0.1)
  })

  it('keeps energy to one per cent and gives sixty-one temperatures', () => {
    for (const layers of [1, 4, 30]) {
      const heat = heatOf('plaster-slow', layers, 15, 'pillow')
      expect(heat.energyError).to.be.below(0.01)
      expect(heat.skinC).to.have.length(61)
      expect(heat.skinC.every(Number.isFinite)).to.equal(true)
    }
  })

  it('cuts stockinette half as long again for folding back, and wide enough to go on', () => {
    expect(stockinetteLength(30, 'folded-back')).to.equal(45)
    expect(stockinetteLength(30, 'turned-over')).to.equal(50)
    expect(stockinetteWidth(38, [10, 15, 20])).to.equal(20)
    expect(stockinetteWidth(33, [10, 15, 20])).to.equal(15)
    expect(stockinetteWidth(60, [10, 15, 20])).to.equal(null)
  })
})
