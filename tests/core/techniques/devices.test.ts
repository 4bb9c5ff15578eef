import { expect } from 'chai'
import { fingerSlack } from '#core/figures/straps/finger-slack'
import { pistoning } from '#core/figures/sizing/hinge'
import { defaultProtocol } from '#core/quantities/defaults'
import { cautionCodes, decisionOf, planFile, problemLines, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample } from '../../harness/cases/example-cases'

const plan = (technique: string, change: (file: CaseFile) => void = () => undefined) => planFile(changedExample(technique, change))
const cm = (id: string, value: number, side?: string) => ({ id, value, unit: 'cm', ...(side ? { side } : {}) })
const without = (file: CaseFile, ...ids: string[]): void =>
  void (file.measurements = file.measurements.filter((measurement) => !ids.includes(String(measurement['id']))))

describe('extrication collar', () => {
  it('takes the nearest setting, the smaller of two equally near', () => {
    const at = (height: number): unknown =>
      decisionOf(
        plan('extrication-collar', (file) => void (file.measurements = [cm('neck-height', height)])),
        'setting',
      ).value
    expect(at(4.9)).to.equal(4.8)
    expect(at(5.4)).to.equal(4.8)
    expect(at(5.5)).to.equal(6)
    expect(at(9)).to.equal(7.2)
  })

  it('works out the tilt of a wrong setting, back when too high', () => {
    const made = plan('extrication-collar', (file) => {
      file.measurements = [cm('neck-height', 4.8)]
      file['stock'] = [{ technique: 'extrication-collar', size: 'c', setting: 6, count: 1 }]
    })
    expect(decisionOf(made, 'head-tilt').value).to.be.closeTo(6.2, 0.05)
    expect(made.cautions.find((caution) => caution.code === 'head-tilt')?.level).to.equal('caution')
  })

  it('stops beyond ten degrees, and when no collar suits', () => {
    const far = plan('extrication-collar', (file) => {
      file.measurements = [cm('neck-height', 3.5)]
      file['stock'] = [{ technique: 'extrication-collar', size: 'c', setting: 6, count: 1 }]
    })
    expect(far.cautions.find((caution) => caution.code === 'head-tilt')?.level).to.equal('stop')
    expect(cautionCodes(plan('extrication-collar', (file) => void (file['stock'] = [])))).to.include('no-size')
  })

  it('offers a child’s collar to nobody grown, by age or by stature; a neck that fits none, read twice, gets none', () => {
    const of = (patient: Record<string, number>, ...heights: readonly number[]) =>
      plan('extrication-collar', (file) => {
        file['patient'] = patient
        file.measurements = heights.map((height) => cm('neck-height', height))
      })
    const offered = (made: ReturnType<typeof of>): unknown => decisionOf(made, 'setting').value
    expect(offered(of({ ageYears: 6, heightCm: 117 }, 3.4))).to.equal(3.6)
    const men: readonly Record<string, number>[] = [{ ageYears: 40, heightCm: 198 }, { heightCm: 198 }]
    for (const grown of men) {
      const once = of(grown, 3.4)
      expect(offered(once)).to.equal(4.8)
      expect(cautionCodes(once)).to.include('check-reading').and.to.not.include('no-size')
      const twice = of(grown, 3.4, 3.5).cautions.find(({ code }) => code === 'no-size')
      expect(twice).to.include({ level: 'stop', text: 'No collar here suits: hold the head, with blocks and hands, as found.' })
    }
    expect(offered(of({}, 3.4)), 'of whom nothing is known').to.equal(3.6)
    expect(cautionCodes(of({ ageYears: 40, heightCm: 180 }, 7.9, 7.9)), 'within 0.7 cm of the largest').to.not.include('no-size')
  })

  it('falls back to the nearest setting in stock', () => {
    const made = plan('extrication-collar', (file) => {
      file['stock'] = [
        { technique: 'extrication-collar', size: 'a', setting: 4.8, count: 0 },
        { technique: 'extrication-collar', size: 'b', setting: 5.4, count: 1 },
      ]
    })
    expect(decisionOf(made, 'setting').value).to.equal(5.4)
    expect(cautionCodes(made)).to.include('substitute')
  })

  it('doubts fingers that nobody calibrated', () => {
    const made = plan('extrication-collar', (file) => void (file.measurements = [{ id: 'neck-height', value: 3, unit: 'fw' }]))
    expect(cautionCodes(made)).to.include('uncalibrated-fingers')
    expect(decisionOf(made, 'setting').sd).to.be.closeTo(Math.hypot(3 * 0.3, 1.8 / Math.sqrt(12)), 1e-9)
    expect(decisionOf(made, 'setting').display).to.equal('4.8 cm, adult collar')
  })

  it('leaves the slack of one flat finger, and leads oxygen under the hooks', () => {
    const made = plan('extrication-collar')
    expect(decisionOf(made, 'slack').value).to.be.closeTo(fingerSlack(36 / (2 * Math.PI), 1, 0.8), 1e-12)
    expect(decisionOf(made, 'oxygen-route').value).to.equal('under-side-hooks')
    expect(made.procedure.steps.some((step) => step.id === 'oxygen')).to.equal(true)
  })

  for (const [policy, flag, wanted] of [
    ['rigid', 'airway-at-risk', 'stop'],
    ['ask', 'airway-at-risk', 'stop'],
    ['soft', 'airway-at-risk', 'caution'],
    ['blocks-and-hands', 'kyphosis', 'caution'],
    ['rigid', 'kyphosis', 'stop'],
    ['rigid', 'stiff-spine', 'stop'],
  ] as const) {
    it(`${flag} under ${policy} is a ${wanted}`, () => {
      const made = plan('extrication-collar', (file) => {
        file.options['policy'] = policy
        file.patient['flags'] = [flag]
      })
      expect(made.cautions.find((caution) => caution.code === flag)?.level).to.equal(wanted)
      expect(cautionCodes(made).includes('not-ordered')).to.equal(policy === 'ask')
    })
  }

  it('stops for a stab into the neck, whatever stands beside it', () => {
    const stab =
      (patient: string[]) =>
      (file: CaseFile): void => {
        file.injury['flags'] = ['penetrating']
        file.patient['flags'] = patient
      }
    const levelOf = (patient: string[]) =>
      plan('extrication-collar', stab(patient)).cautions.find((caution) => caution.code === 'penetrating')?.level
    expect(levelOf([])).to.equal('stop')
    expect(levelOf(['several-injuries'])).to.equal('stop')
  })

  it('decides no setting under blocks and hands, and asks for no reading', () => {
    const made = plan('extrication-collar', (file) => {
      file.options['policy'] = 'blocks-and-hands'
      file.measurements = []
    })
    expect(made.decisions.map((decision) => decision.id)).not.to.include('setting')
    expect(made.problems).to.deep.equal([])
    expect(made.procedure.steps.map((step) => step.id)).to.include('blocks')
  })
})

describe('care collar', () => {
  it('compares straps and margin with half a centimetre', () => {
    const made = plan('care-collar', (file) => {
      file.measurements = [cm('strap-overhang', 2, 'left'), cm('strap-overhang', 2.6, 'right'), cm('liner-margin', 0.3)]
    })
    expect(decisionOf(made, 'strap-balance').value).to.be.closeTo(0.6, 1e-9)
    expect(cautionCodes(made)).to.include.members(['strap-balance', 'liner-margin'])
    expect(
      decisionOf(
        plan('care-collar', (file) => void (file.options['frequency'] = 'twice-daily')),
        'next-care',
      ).value,
      'skin reddens in the example: half of it',
    ).to.equal(6)
    const whole = plan('care-collar', (file) => void (file.measurements = []))
    expect(decisionOf(whole, 'next-care').value).to.equal(24)
  })

  for (const [options, massKg, people] of [
    [{}, 70, 4],
    [{}, 101, 5],
    [{ 'spine-below': 'cleared' }, 70, 2],
    [{ 'spine-below': 'cleared' }, 101, 3],
  ] as const) {
    it(`is turned by ${people} for ${massKg} kg ${JSON.stringify(options)}`, () => {
      const made = plan('care-collar', (file) => {
        Object.assign(file.options, options)
        file.patient['massKg'] = massKg
        file['crew'] = { people: people - 1 }
      })
      expect(decisionOf(made, 'people').value).to.equal(people)
      expect(cautionCodes(made), 'one too few').to.include('nobody-holds')
    })
  }

  it('is scooped, not rolled, while the pelvis is suspected', () => {
    const made = plan('care-collar', (file) => void (file.injury['flags'] = ['pelvis-suspected']))
    expect(decisionOf(made, 'turn').value).to.equal('scoop')
    expect(cautionCodes(made)).to.include('pelvis-suspected')
  })

  it('stops on skin that does not blanch, and sees a trend', () => {
    const made = plan('care-collar', (file) => {
      file.measurements = [
        { id: 'skin-chin', value: 'intact', at: '2026-01-09T08:00:00Z', occasion: 'a' },
        { id: 'skin-chin', value: 'red-not-blanching', at: '2026-01-10T08:00:00Z', occasion: 'b' },
      ]
    })
    expect(decisionOf(made, 'skin-trend').value).to.equal('worse')
    expect(made.cautions.find((caution) => caution.code === 'red-not-blanching')?.level).to.equal('stop')
    expect(problemLines(plan('care-collar', (file) => void (file.measurements = [{ id: 'skin-chin', value: 'purple' }])))).to.deep.equal([
      'format measurements/0/value',
    ])
  })
})

describe('trunk shell', () => {
  it('takes the lesser overlap as measured, else works it out from the arcs', () => {
    expect(decisionOf(plan('trunk-shell'), 'overlap').value).to.equal(3.2)
    const arcs = plan('trunk-shell', (file) => {
      without(file, 'overlap-left', 'overlap-right')
      file.measurements.push(cm('front-arc', 42), cm('back-arc', 40))
    })
    expect(decisionOf(arcs, 'overlap').value).to.be.closeTo((42 + 40 - 78) / 2, 1e-9)
    expect(cautionCodes(arcs)).to.include('overlap')
  })

  for (const [standing, sitting, groove, verdict, lowerBy] of [
    [1.8, 0.7, 0.4, 'keep', null],
    [1.8, 0.1, 0.4, 'lower', 0.5],
    [1.8, -0.4, 0.4, 'lower', 1],
    [3.4, 0.7, 0.4, 're-seat', null],
    [1.8, 0.7, 1.4, 're-seat', null],
    [1.8, 0.7, -1.4, 're-seat', null],
  ] as const) {
    it(`standing ${standing}, sitting ${sitting}, groove ${groove}: ${verdict}`, () => {
      const made = plan('trunk-shell', (file) => {
        without(file, 'edge-to-notch-standing', 'edge-to-notch-sitting', 'groove-to-crest')
        file.measurements.push(
          cm('edge-to-notch-standing', standing),
          cm('edge-to-notch-sitting', sitting),
          cm('groove-to-crest', groove, 'left'),
        )
      })
      expect(decisionOf(made, 'verdict').value).to.equal(verdict)
      expect(made.decisions.find((decision) => decision.id === 'lower-by')?.value ?? null).to.equal(lowerBy)
      expect(cautionCodes(made).includes('top-edge')).to.equal(verdict !== 'keep')
      expect(decisionOf(made, 'sit-rise').value).to.be.closeTo(standing - sitting, 1e-9)
    })
  }

  it('leaves two fingers under each strap, unless firm', () => {
    const made = plan('trunk-shell')
    expect(decisionOf(made, 'strap-slack-1').value).to.be.closeTo(fingerSlack(87 / (2 * Math.PI), 2, 0.8), 1e-12)
    expect(
      plan('trunk-shell', (file) => void (file.options['tightness'] = 'firm-to-tolerance')).decisions.some(
        (decision) => decision.id === 'strap-slack-1',
      ),
    ).to.equal(false)
  })

  it('is put on upright only with a fitting spine order', () => {
    const signed = (posture: string) => ({ posture, by: 'Sorrel Vane', at: '08:00' })
    const way = (name: string, spine?: string | object) =>
      cautionCodes(
        plan('trunk-shell', (file) => {
          file.options['way'] = name
          if (spine) file['orders'] = { spine }
        }),
      ).includes('not-ordered')
    expect(way('standing-doorway')).to.equal(true)
    expect(way('standing-doorway', 'sitting')).to.equal(true)
    expect(way('standing-doorway', signed('standing'))).to.equal(false)
    expect(way('sitting-edge', signed('sitting'))).to.equal(false)
    expect(way('lying')).to.equal(false)
  })

  it('leaves an unmeasured dimension out, says so, and is not whole without it: round waist, chest and hips, and along the front', () => {
    const made = plan('trunk-shell', (file) => without(file, 'chest-girth', 'hip-girth', 'notch-pubis'))
    expect(decisionOf(made, 'size').value).to.equal('shell 3 narrow chest')
    expect(cautionCodes(made)).to.include('check-reading')
    expect(made.problems.map(({ code, path }) => `${code} ${path}`)).to.deep.equal([
      'missing measurements/chest-girth',
      'missing measurements/hip-girth',
      'missing measurements/notch-pubis',
    ])
  })
})

describe('seated vest', () => {
  it('pads the gap behind the head, nothing below one centimetre', () => {
    expect(decisionOf(plan('seated-vest'), 'head-pad').value).to.equal(2.5)
    const near = plan('seated-vest', (file) => {
      without(file, 'occiput-gap')
      file.measurements.push(cm('occiput-gap', 0.6))
    })
    expect(decisionOf(near, 'head-pad').value).to.equal(0)
  })
  it('keeps the leg straps on their side when the pelvis is suspected, whatever was asked', () => {
    const made = plan('seated-vest', (file) => {
      file.options['leg-straps'] = 'crossed'
      file.injury['flags'] = ['pelvis-suspected']
    })
    expect(decisionOf(made, 'leg-straps').value).to.equal('same-side')
    expect(cautionCodes(made)).to.include('pelvis-suspected')
    expect(made.problems).to.deep.equal([])
  })
  it('is not for an unstable patient', () => {
    expect(plan('seated-vest', (file) => void (file.patient['flags'] = ['unstable'])).cautions[0]).to.include({
      level: 'stop',
      code: 'unstable',
    })
  })
})

describe('hinged knee brace', () => {
  it('sets bars, trims and pistoning', () => {
    const made = plan('hinged-knee-brace')
    expect(decisionOf(made, 'upper-bar').value).to.be.closeTo(28, 1e-9)
    expect(decisionOf(made, 'lower-bar').value).to.be.closeTo(26, 1e-9)
    expect(decisionOf(made, 'strap-trim-1').value).to.equal(4)
    expect(made.decisions.some((decision) => decision.id === 'strap-trim-3')).to.equal(false)
    expect(decisionOf(made, 'pistoning').value).to.be.closeTo(pistoning(Math.hypot(0.6, 0.4), 60), 1e-12)
    expect(
      decisionOf(
        plan('hinged-knee-brace', (file) => void (file.options['bar-reach'] = 'near-ankle')),
        'lower-bar',
      ).value,
    ).to.equal(36)
  })
  it('shows the shipped stops as an example, never as an order', () => {
    const made = plan('hinged-knee-brace', (file) => void delete file['orders'])
    expect(decisionOf(made, 'flexion-stop')).to.include({ value: 90, status: 'caution' })
    expect(cautionCodes(made)).to.include('not-ordered')
    expect(decisionOf(plan('hinged-knee-brace'), 'flexion-stop')).to.include({ value: 60, status: 'ok' })
  })
  it('follows a local table by week, and knows no other name', () => {
    const ctx = {
      ...testContext(),
      protocol: {
        ...defaultProtocol,
        name: 'tern',
        stopTables: {
          ligament: [
            { fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 30, lock: 'locked' },
            { fromWeek: 2, extensionStopDeg: 0, flexionStopDeg: 60, lock: 'open' },
            { fromWeek: 6, extensionStopDeg: 0, flexionStopDeg: 120, lock: 'open' },
          ],
        },
      },
    }
    const file = changedExample('hinged-knee-brace', (one) => {
      delete one['orders']
      one.options['protocol'] = 'ligament'
    })
    const made = planFile(file, ctx)
    expect(decisionOf(made, 'flexion-stop').value).to.equal(60)
    expect(decisionOf(made, 'next-change').value).to.equal(4 * 168)
    expect(cautionCodes(made)).not.to.include('not-ordered')
    expect(problemLines(planFile(file))).to.deep.equal(['unknown-option options/protocol'])
  })
  it('warns of a hinge off the turning point and of stops that no brace clicks at', () => {
    const off = plan('hinged-knee-brace', (file) => {
      without(file, 'hinge-forward', 'hinge-up')
      file.measurements.push(cm('hinge-forward', 2.2, 'right'), cm('hinge-up', 0, 'right'))
    })
    expect(cautionCodes(off)).to.include('pistoning')
    const half = plan('hinged-knee-brace', (file) => without(file, 'hinge-up'))
    expect(cautionCodes(half)).to.include('check-reading')
    expect(half.decisions.map((decision) => decision.id)).not.to.include('pistoning')
    const odd = plan(
      'hinged-knee-brace',
      (file) => void (file['orders'] = { brace: { by: 'A', at: '', extensionStop: 5, flexionStop: 60, lock: 'open' } }),
    )
    expect(cautionCodes(odd)).to.include('not-in-stock')
    const crossed = plan(
      'hinged-knee-brace',
      (file) => void (file['orders'] = { brace: { by: 'A', at: '', extensionStop: 70, flexionStop: 60 } }),
    )
    expect(problemLines(crossed)).to.include('format orders/brace/extensionStop')
  })
  it('says what drew the hinge, which way and how far, at the straps that are loosened for it', () => {
    const drawn = plan('hinged-knee-brace', (file) => {
      without(file, 'hinge-forward', 'hinge-up')
      const at = (moment: string, forward: number, up: number) => [
        cm(`hinge-forward${moment}`, forward, 'right'),
        cm(`hinge-up${moment}`, up, 'right'),
      ]
      file.measurements.push(...at('', 0.2, 0.1), ...at('-rear', -1, 0.1), ...at('-front', -0.9, 0.1), ...at('-after', -0.9, -0.4))
    })
    expect(decisionOf(drawn, 'hinge-drift').value).to.match(/^back 1\.2\scm when the rear straps were closed$/)
    expect(drawn.cautions.filter(({ code }) => code === 'hinge-drawn').map(({ steps }) => steps)).to.deep.equal([['rear-straps']])
    expect(decisionOf(drawn, 'pistoning').working[0]?.value, 'as it was last read').to.equal(-0.9)
  })
})

describe('walker boot', () => {
  for (const [sole, level] of [
    [25.6, 'stop'],
    [25.8, undefined],
    [26.7, undefined],
    [27, 'note'],
    [27.3, 'caution'],
  ] as const) {
    it(`a sole of ${sole} cm for a foot of 25.2: ${level ?? 'nothing to say'}`, () => {
      const made = plan('walker-boot', (file) => {
        without(file, 'boot-sole-length')
        file.measurements.push(cm('boot-sole-length', sole))
      })
      expect(made.cautions.find((caution) => caution.code === 'toe-margin')?.level).to.equal(level)
    })
  }
  it('raises the other shoe, never lowers it', () => {
    expect(decisionOf(plan('walker-boot'), 'other-shoe-raise').value).to.be.closeTo(1.7, 1e-9)
    const low = plan('walker-boot', (file) => {
      without(file, 'shoe-sole-height')
      file.measurements.push(cm('shoe-sole-height', 6))
    })
    expect(decisionOf(low, 'other-shoe-raise').value).to.equal(0)
  })
  it('is planned without weight until weight is ordered', () => {
    const made = plan('walker-boot', (file) => void (file.options = {}))
    expect(cautionCodes(made)).to.include('not-ordered')
    expect(made.procedure.steps.find((step) => step.id === 'stand')?.text).to.include('no weight')
  })
  it('wants ordered wedges for a torn heel cord, and follows their weeks', () => {
    const torn =
      (wedges?: object[]) =>
      (file: CaseFile): void => {
        file.injury['pattern'] = 'achilles-rupture'
        file['orders'] = { week: 4, ...(wedges ? { wedges } : {}) }
      }
    expect(plan('walker-boot', torn()).cautions.find((caution) => caution.code === 'achilles-rupture')?.level).to.equal('stop')
    const made = plan(
      'walker-boot',
      torn([
        { week: 0, count: 3 },
        { week: 3, count: 2 },
        { week: 5, count: 1 },
      ]),
    )
    expect(decisionOf(made, 'wedges').value).to.equal(2)
    expect(cautionCodes(made)).not.to.include('achilles-rupture')
  })
})
