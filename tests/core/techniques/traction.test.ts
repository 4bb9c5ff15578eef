import { expect } from 'chai'
import fc from 'fast-check'
import { defaultProtocol } from '#core/quantities/defaults'
import { layPads } from '#core/techniques/ring-traction/pads'
import { kneeMoment, legParts } from '#core/figures/traction/leg-masses'
import { cautionCodes, decisionOf, planFile, problemLines, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample } from '../../harness/cases/example-cases'

const g = 9.81
const plan = (technique: string, change: (file: CaseFile) => void = () => undefined) => planFile(changedExample(technique, change))
const level = (technique: string, change: (file: CaseFile) => void, code: string): string | undefined =>
  plan(technique, change).cautions.find((caution) => caution.code === code)?.level

describe('pull, by school', () => {
  for (const [technique, massKg, options, kg] of [
    ['pole-traction', 60, {}, 6],
    ['pole-traction', 90, {}, 7],
    ['ring-traction', 40, {}, 4],
    ['ring-traction', 90, {}, 5],
    ['ring-traction', 90, { strips: 'non-adhesive' }, 3],
    ['ring-traction', 90, { load: 'relief' }, 5],
    ['frame-traction', 60, { load: 'tenth' }, 6],
  ] as const) {
    it(`${technique} at ${massKg} kg ${JSON.stringify(options)}: ${kg} kg`, () => {
      const made = plan(technique, (file) => {
        file.patient['massKg'] = massKg
        Object.assign(file.options, options)
      })
      expect(decisionOf(made, technique === 'ring-traction' ? 'traction' : 'load').value).to.be.closeTo(kg, 1e-9)
    })
  }

  it('to relief shows what to expect and stays a caution', () => {
    const load = decisionOf(plan('frame-traction'), 'load')
    expect(load.status).to.equal('caution')
    expect(load.display).to.equal('to relief, expect about 7 kg')
  })

  it('is not to relief for a patient who cannot report it', () => {
    const made = plan('frame-traction', (file) => void (file.patient['flags'] = ['unresponsive']))
    expect(cautionCodes(made)).to.include('unresponsive')
    expect(decisionOf(made, 'load').display).to.equal('7 kg and equal length')
    expect(problemLines(made)).to.deep.equal([])
  })

  it('needs the mass, and says so', () => {
    for (const technique of ['ring-traction', 'suspended-ring-traction', 'pole-traction', 'frame-traction']) {
      expect(problemLines(plan(technique, (file) => void delete file.patient['massKg']))).to.include('missing patient/massKg')
    }
  })

  it('falls to three kilograms on fragile skin', () => {
    const made = plan('ring-traction', (file) => void (file.patient['flags'] = ['fragile-skin']))
    expect(decisionOf(made, 'traction').value).to.equal(3)
    expect(cautionCodes(made)).to.include('fragile-skin')
  })
})

describe('stops and cautions of traction', () => {
  for (const flag of [
    'pelvis-suspected',
    'hip-suspected',
    'knee-involved',
    'ankle-involved',
    'foot-involved',
    'part-amputation',
  ] as const) {
    it(`${flag} stops all four`, () => {
      for (const technique of ['ring-traction', 'suspended-ring-traction', 'pole-traction', 'frame-traction']) {
        expect(
          level(technique, (file) => void (file.injury['flags'] = ['fresh', flag]), flag),
          technique,
        ).to.equal('stop')
      }
    })
  }
  it('takes a flag that the pattern implies as set', () => {
    const made = plan('pole-traction', (file) => void (file.injury['pattern'] = 'tibial-plateau-fracture'))
    expect(made.cautions.find((caution) => caution.code === 'knee-involved')?.why).to.include('tibial plateau fracture')
  })
  it('arterial disease stops strips and only cautions a hitch', () => {
    const ill = (file: CaseFile): void => void (file.patient['flags'] = ['arterial-disease'])
    expect(level('ring-traction', ill, 'arterial-disease')).to.equal('stop')
    expect(level('suspended-ring-traction', ill, 'arterial-disease')).to.equal('stop')
    expect(level('pole-traction', ill, 'arterial-disease')).to.equal('caution')
    expect(level('frame-traction', ill, 'arterial-disease')).to.equal('caution')
  })
  it('stops below 12 kg and in the lowest third of the shin', () => {
    expect(level('pole-traction', (file) => void (file.patient['massKg'] = 11.5), 'under-12-kg')).to.equal('stop')
    expect(level('pole-traction', (file) => void (file.injury['levelCm'] = 10), 'low-shank')).to.equal('stop')
    expect(level('pole-traction', (file) => void (file.injury['levelCm'] = 40), 'low-shank')).to.equal(undefined)
  })
  for (const flag of ['distal-femur', 'pathological', 'open'] as const) {
    it(`${flag} is a caution`, () =>
      expect(level('frame-traction', (file) => void (file.injury['flags'] = [flag]), flag)).to.equal('caution'))
  }
})

describe('ring splints', () => {
  it('lay pads edge over edge with an overlap that is right', () => {
    const pads = layPads(80, 15)
    expect(pads.count).to.equal(5)
    expect(pads.overlapCm).to.be.closeTo((5 * 15 - 70) / 4, 1e-9)
    expect(pads.strapsCm).to.have.length(6)
    expect(pads.strapsCm.at(-1)).to.be.closeTo(10 + 4 * (15 - 1.25) + 10, 1e-9)
  })

  it('always cover the leg, whatever its length', () => {
    fc.assert(
      fc.property(fc.double({ min: 30, max: 110, noNaN: true }), fc.constantFrom(10, 15, 20), (inside, length) => {
        const pads = layPads(inside, length)
        const reach = pads.count * length - (pads.count - 1) * pads.overlapCm
        return Math.abs(reach - Math.max(inside - 10, length)) < 1e-6 && (pads.count === 1 || pads.overlapCm >= 1 - 1e-6)
      }),
    )
  })

  it('choose the ring by range with room for swelling, or by girth + 4', () => {
    const byRange = plan('ring-traction', (file) => {
      file['stock'] = [42, 50].map((lo) => ({
        technique: 'ring-traction',
        size: `r${lo}`,
        fits: { 'oblique-groin-girth': [lo, lo + 8] },
        count: 1,
      }))
      file.measurements[0] = { id: 'oblique-groin-girth', side: 'left', value: 49, unit: 'cm' }
    })
    const growth = 0.05 * 49
    const doubt = Math.hypot(0.4, growth / 2)
    expect(decisionOf(byRange, 'ring').value).to.equal('r50')
    expect(decisionOf(byRange, 'ring').odds).to.be.closeTo(normal((58 - 49 - growth) / doubt) - normal((50 - 49 - growth) / doubt), 1e-6)
    const plusFour = plan('ring-traction', (file) => {
      file.options['ring-rule'] = 'plus-four'
      file.measurements[0] = { id: 'oblique-groin-girth', side: 'left', value: 47, unit: 'cm' }
    })
    expect(decisionOf(plusFour, 'ring').value).to.equal('ring E')
  })

  it('press the ring with the whole pull when nothing counters it', () => {
    const made = plan('ring-traction')
    expect(decisionOf(made, 'ring-pressure').value).to.be.closeTo((10 * 5 * g) / (0.35 * 51 * 3), 1e-9)
    expect(made.cautions.find((caution) => caution.code === 'ring-pressure')?.level).to.equal('caution')
  })

  it('give one ring-pressure caution, at the level reached', () => {
    for (const [kg, wanted] of [
      [2, undefined],
      [3, 'note'],
      [4.6, 'caution'],
    ] as const) {
      const made = plan(
        'ring-traction',
        (file) => void (file['overrules'] = [{ decision: 'traction', value: kg, reason: 'ordered', by: 'A', at: '' }]),
      )
      expect(made.cautions.filter((caution) => caution.code === 'ring-pressure').map((caution) => caution.level)).to.deep.equal(
        wanted ? [wanted] : [],
      )
    }
  })

  it('stop over the cap that skin may bear, even when overruled to it', () => {
    const made = plan(
      'ring-traction',
      (file) => void (file['overrules'] = [{ decision: 'traction', value: 6, reason: 'spasm', by: 'A', at: '' }]),
    )
    expect(made.cautions.find((caution) => caution.code === 'over-skin-cap')?.level).to.equal('stop')
  })
})

describe('balanced suspension', () => {
  const span = { insideLegCm: 79, lowerLegCm: 0.285 * 174, footHeightCm: 0.039 * 174 }

  it('hangs the leg so that moments about the hip balance', () => {
    const parts = legParts(82, span, defaultProtocol)
    const moment = parts.reduce((sum, part) => sum + part.massKg * (79 - part.atCm), 0) + (2.5 * 99) / 2
    const liftKg = moment / (0.6 * 79)
    const straight = plan('suspended-ring-traction', (file) => void (file.options['rig'] = 'straight-cord'))
    expect(decisionOf(straight, 'suspension-weight').value).to.be.closeTo(liftKg, 1e-9)
    const carried = decisionOf(plan('suspended-ring-traction'), 'suspension-weight').value
    expect(carried).to.be.closeTo(liftKg / (2 * Math.cos(Math.atan(0.3))), 1e-9)
  })

  it('matches the counterweight to the pull, so that the ring is free', () => {
    const made = plan('suspended-ring-traction')
    expect(decisionOf(made, 'counterweight').value).to.equal(5)
    expect(decisionOf(made, 'cord-tension').value).to.be.closeTo(5 * g, 1e-9)
    expect(decisionOf(made, 'ring-pressure').value).to.equal(0)
    expect(decisionOf(made, 'foot-raise').value).to.be.closeTo((210 * 5) / 82, 1e-9)
  })

  it('stops about eight kilograms on skin, and lets a pin carry them', () => {
    const eight = plan('suspended-ring-traction', (file) => void (file.options['counterweight'] = 'about-eight'))
    expect(eight.cautions.find((caution) => caution.code === 'over-skin-cap')?.level).to.equal('stop')
    const pin = plan('suspended-ring-traction', (file) => Object.assign(file.options, { counterweight: 'about-eight', 'hold-on': 'pin' }))
    expect(cautionCodes(pin)).not.to.include('over-skin-cap')
    for (const id of ['strips', 'skin-shear'])
      expect(
        pin.decisions.some((decision) => decision.id === id),
        id,
      ).to.equal(false)
    expect(decisionOf(pin, 'cord-tension').value).to.be.closeTo(8 * g, 1e-9)
  })

  it('takes the rule in proportion below 70 kg', () => {
    const made = plan('suspended-ring-traction', (file) => {
      file.patient['massKg'] = 35
      file.options['counterweight'] = 'about-eight'
    })
    expect(decisionOf(made, 'counterweight').value).to.equal(4)
  })

  it('cuts strips for both sides and a loop, and drags the skin', () => {
    const made = plan('suspended-ring-traction', (file) => void (file.injury['levelCm'] = null))
    expect(decisionOf(made, 'strips').value).to.equal(79 + 87 + 30)
    const length = (span.lowerLegCm + 79) / 2 - span.footHeightCm - 7
    expect(decisionOf(made, 'skin-shear').value).to.be.closeTo((10 * 5 * g) / (2 * length * 7.5), 1e-9)
    expect(cautionCodes(made)).to.include('level-unknown')
    expect(decisionOf(made, 'slings').value).to.deep.equal([0.2 * span.lowerLegCm + 3, span.lowerLegCm, 73])
    expect(decisionOf(made, 'gutter').value).to.equal(84)
  })

  it('never raises the foot end of those who must not lie head down, unless nothing is raised', () => {
    for (const flag of ['head-injury', 'breathless-lying', 'pregnant-late']) {
      const ill =
        (counterweight: string) =>
        (file: CaseFile): void => {
          file.patient['flags'] = [flag]
          file.options['counterweight'] = counterweight
        }
      expect(level('suspended-ring-traction', ill('matched'), flag), flag).to.equal('stop')
      expect(level('suspended-ring-traction', ill('none'), flag), flag).to.not.equal('stop')
    }
  })
})

describe('field splints', () => {
  it('size themselves by the inside leg', () => {
    const pole = plan('pole-traction')
    expect(decisionOf(pole, 'pole-length').value).to.equal(101)
    expect(decisionOf(pole, 'sections').value).to.equal(5)
    expect(decisionOf(pole, 'convert-by').value).to.equal(120)
    expect(decisionOf(plan('frame-traction'), 'frame-length').value).to.equal(106)
  })

  it('keep every strap clear of injury, kneecap, fibular neck and malleoli', () => {
    const kneeCm = 0.285 * 171
    for (const technique of ['pole-traction', 'frame-traction']) {
      const places = decisionOf(plan(technique), 'strap-places').value as readonly number[]
      expect(places).to.have.length(technique === 'pole-traction' ? 3 : 4)
      for (const at of places) {
        expect(Math.abs(at - kneeCm)).to.be.at.least(4 + 2.5)
        expect(Math.abs(at - 0.88 * kneeCm)).to.be.at.least(2.5 + 2.5)
        expect(Math.abs(at - (technique === 'pole-traction' ? 58 : 61))).to.be.at.least(5 + 2.5)
        expect(at * 2).to.equal(Math.round(at * 2))
        expect(at).to.be.within(0.2 * kneeCm + 2.5, 81 - 2.5)
      }
    }
  })

  it('say how many straps fit when not all do', () => {
    const made = plan('frame-traction', (file) => {
      file.patient['heightCm'] = 90
      file.measurements[0] = { id: 'inside-leg', side: 'left', value: 40, unit: 'cm' }
      file.injury['levelCm'] = 33
    })
    expect(cautionCodes(made)).to.include('straps-do-not-fit')
    expect((decisionOf(made, 'strap-places').value as readonly number[]).length).to.be.below(4)
  })

  it('load feet first when the frame overhangs', () => {
    expect(decisionOf(plan('frame-traction'), 'loading').value).to.equal('head-first')
    expect(
      decisionOf(
        plan('frame-traction', (file) => void (file.patient['heightCm'] = 180)),
        'loading',
      ).value,
    ).to.equal('feet-first')
  })
})

describe('statics', () => {
  it('bend a carried leg at the knee the more, the heavier it is', () => {
    const span = { insideLegCm: 80, lowerLegCm: 48, footHeightCm: 6.6 }
    const at = (massKg: number): number => kneeMoment(legParts(massKg, span, defaultProtocol), span)
    expect(at(140)).to.be.closeTo(2 * at(70), 1e-6)
    expect(at(70)).to.be.greaterThan(0)
  })
})

/** Reference normal distribution by numeric integration, to stand beside the rational approximation. */
function normal(z: number): number {
  const steps = 20_000
  let sum = 0
  for (let index = 0; index < steps; index++) {
    const x = -8 + ((z + 8) * (index + 0.5)) / steps
    sum += Math.exp((-x * x) / 2)
  }
  return (sum * (z + 8)) / steps / Math.sqrt(2 * Math.PI)
}
