import { expect } from 'chai'
import fc from 'fast-check'
import { planExit, type Plan } from '#core/model/plan'
import { ankleCase, cautionCodes, decisionOf, planFile, problemLines, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample } from '../../harness/cases/example-cases'

function changed(change: (file: CaseFile) => void): Plan {
  const file = ankleCase()
  change(file)
  return planFile(file)
}

describe('back slab: size', () => {
  it('decides everything from four readings', () => {
    const plan = planFile(ankleCase())
    expect(plan.problems).to.deep.equal([])
    expect(plan.decisions.map((decision) => decision.id)).to.have.members([
      'slab-width',
      'ankle-fold',
      'slab-coverage',
      'slab-length',
      'slab-layers',
      'padding',
      'bandage',
      'stiffness-gain',
      'set-time',
      'cure-time',
      'peak-skin-temp',
      'least-crew',
      'ankle-angle',
    ])
    expect(plan.pending).to.deep.equal([])
    for (const decision of plan.decisions) expect(decision.formula).to.match(/\.$/)
  })

  it('keeps a quarter open while it swells, and takes the widest stocked slab inside that', () => {
    const plan = planFile(ankleCase())
    const ankle = 25 + 2 * Math.PI * 0.3
    expect(decisionOf(plan, 'slab-width').value).to.equal(20)
    expect(0.75 * ankle).to.be.within(20, 25)
    const coverage = decisionOf(plan, 'slab-coverage')
    expect(coverage.value).to.be.closeTo(20 / (38 + 2 * Math.PI * 0.3), 1e-9)
  })

  it('leaves two centimetres where swelling is past', () => {
    const plan = changed((file) => {
      file.options['front-gap'] = 'least'
    })
    expect(decisionOf(plan, 'slab-width').value).to.equal(20)
    const wide = changed((file) => {
      file.options['front-gap'] = 'least'
      file.measurements[1] = { id: 'ankle-girth', side: 'left', value: 26, unit: 'cm' }
    })
    expect(decisionOf(wide, 'slab-width').value).to.equal(25)
  })

  it('says when the sides are poorly held and offers the taper', () => {
    const plan = changed((file) => {
      file.measurements[2] = { id: 'calf-girth', side: 'left', value: 42, unit: 'cm' }
    })
    expect(cautionCodes(plan)).to.include('poor-side-control')
    expect(decisionOf(plan, 'slab-coverage').status).to.equal('caution')
    expect(decisionOf(plan, 'slab-coverage').alternatives?.[0]?.value).to.be.closeTo(25, 1e-9)
    expect(decisionOf(plan, 'slab-width').value).to.equal(20)
  })

  it('trims the narrowest when none is narrow enough', () => {
    const plan = changed((file) => {
      file['stock'] = [
        { item: 'plaster-slab', widthCm: 30, count: 4 },
        { item: 'padding-roll', widthCm: 10, lengthCm: 270 },
        { item: 'elastic-bandage', widthCm: 10, lengthCm: 450 },
      ]
    })
    // Ankle 26.88 over padding, a quarter open, 6 cm folded away, 2 cm open before that: 24.88.
    expect(decisionOf(plan, 'slab-width').value).to.equal(24.5)
    expect(cautionCodes(plan)).to.include('no-slab-width')
  })

  it('gives the number all the same when a material is not in the list', () => {
    const plan = changed((file) => {
      file['stock'] = [
        { item: 'plaster-slab', widthCm: 15, count: 1 },
        { item: 'plaster-slab', widthCm: 20, count: 0 },
      ]
    })
    expect(decisionOf(plan, 'slab-width').value).to.equal(15)
    expect(cautionCodes(plan)).to.include('not-in-stock')
    expect(decisionOf(plan, 'padding').value).to.be.greaterThan(0)
  })

  for (const [options, length] of [
    [{}, 49],
    [{ 'top-end': 'turn-back' }, 54],
    [{ length: 'past-toes' }, 54],
    [{ extent: 'above-knee' }, 47],
  ] as const) {
    it(`cuts ${length} cm for ${JSON.stringify(options)}`, () => {
      const plan = changed((file) => Object.assign(file.options, options))
      expect(decisionOf(plan, 'slab-length').value).to.equal(length)
    })
  }

  for (const [patient, extra, layers] of [
    [{ massKg: 70 }, {}, 10],
    [{ massKg: 96 }, {}, 11],
    [{ massKg: 96 }, { wearDays: 8 }, 12],
    [{ massKg: 34 }, {}, 7],
    [{ massKg: undefined }, {}, 10],
  ] as const) {
    it(`folds ${layers} layers for ${JSON.stringify({ ...patient, ...extra })}`, () => {
      const plan = changed((file) => {
        Object.assign(file.patient, patient)
        Object.assign(file, extra)
      })
      expect(decisionOf(plan, 'slab-layers').value).to.equal(layers)
    })
  }

  it('takes one pre-padded strip, cured in twenty minutes', () => {
    const plan = changed((file) => {
      file.options['material'] = 'padded-fibreglass'
    })
    expect(decisionOf(plan, 'slab-layers')).to.include({ value: 1, unit: 'strip' })
    expect(decisionOf(plan, 'cure-time')).to.include({ value: 20, unit: 'min' })
    expect(plan.procedure.steps.some((step) => step.id === 'turn-back')).to.equal(false)
  })

  it('draws a fold of its edges as a fold: nothing of a slab goes all round, and nothing of it ends a cast', () => {
    // Slabs of 30 cm alone: their edges are folded at the ankle.
    const { bands } = changed((file) => {
      file['stock'] = [
        { item: 'plaster-slab', widthCm: 30, count: 4 },
        { item: 'padding-roll', widthCm: 10, lengthCm: 270 },
        { item: 'elastic-bandage', widthCm: 10, lengthCm: 450 },
      ]
    }).geometry
    expect(bands.find((band) => band.id === 'fold')?.kind).to.equal('fold')
    expect(bands.filter((band) => band.kind === 'zone' || band.kind === 'shell')).to.deep.equal([])
  })

  it('counts rolls when the slab is folded from them', () => {
    const plan = changed((file) => {
      file.options['slab-from'] = 'roll'
    })
    expect(plan.materials.find((material) => material.id === 'slab')).to.include({ item: 'plaster-roll', widthCm: 20, rolls: 2 })
  })

  it('takes the extent from the pattern unless told', () => {
    const plan = changed((file) => {
      file.options = {}
      file.injury['pattern'] = 'tibial-shaft-fracture'
      file.injury['region'] = 'lower-leg'
    })
    expect(decisionOf(plan, 'slab-layers').value).to.equal(12)
    expect(plan.schedule.filter((entry) => entry.kind === 'round').map((entry) => entry.dueMin)).to.include.members([
      240,
      300,
      360,
      25 * 60 + 60,
    ])
  })

  it('uses an overruled value everywhere and keeps the computed one in sight', () => {
    const plan = changed((file) => {
      file['overrules'] = [{ decision: 'slab-width', value: 15, reason: 'old scar', by: 'Ada', at: '2026-01-10T08:00:00Z' }]
    })
    const width = decisionOf(plan, 'slab-width')
    expect(width.value).to.equal(15)
    expect(width.overruled).to.include({ computed: 20, reason: 'old scar' })
    expect(decisionOf(plan, 'slab-coverage').value).to.be.closeTo(15 / (38 + 2 * Math.PI * 0.3), 1e-9)
  })
})

describe('back slab: cautions and stops', () => {
  const table: readonly [string, (file: CaseFile) => void, string, number][] = [
    [
      'no pulse',
      (file) => {
        file.injury['flags'] = ['fresh', 'pulse-absent']
      },
      'pulse-absent',
      3,
    ],
    [
      'tented skin',
      (file) => {
        file.injury['flags'] = ['skin-tented']
      },
      'skin-tented',
      3,
    ],
    [
      'a torn heel cord held square',
      (file) => {
        file.injury['pattern'] = 'achilles-rupture'
      },
      'achilles-rupture',
      3,
    ],
    [
      'a comminuted fracture held square',
      (file) => {
        file.injury['flags'] = ['comminuted']
      },
      'comminuted',
      3,
    ],
    [
      'an arm',
      (file) => {
        file.injury['region'] = 'wrist'
      },
      'wrong-region',
      3,
    ],
    [
      'water at 34 °C',
      (file) => {
        file['environment'] = { waterC: 34 }
      },
      'hot-water',
      3,
    ],
    [
      'water at 26 °C',
      (file) => {
        file['environment'] = { waterC: 26 }
      },
      'warm-water',
      0,
    ],
    [
      'water at 15 °C',
      (file) => {
        file['environment'] = { waterC: 15 }
      },
      'cold-water',
      0,
    ],
    [
      'numb feet',
      (file) => {
        file.patient['flags'] = ['neuropathy']
      },
      'neuropathy',
      0,
    ],
    [
      'marked swelling',
      (file) => {
        file.injury['swelling'] = 'marked'
      },
      'swelling',
      0,
    ],
    [
      'a shaft fracture with the knee free',
      (file) => {
        file.injury['pattern'] = 'tibial-shaft-fracture'
      },
      'joint-above-free',
      0,
    ],
    [
      'an unusual pattern',
      (file) => {
        file.injury['pattern'] = 'patella-fracture'
      },
      'unusual',
      0,
    ],
    [
      'one pair of hands',
      (file) => {
        file['crew'] = { people: 1 }
      },
      'short-handed',
      0,
    ],
    [
      'late pregnancy flat on the back',
      (file) => {
        file.patient['flags'] = ['pregnant-late']
        file.options['position'] = 'lying'
      },
      'pregnant-late',
      0,
    ],
    [
      'arterial disease under the bandage',
      (file) => {
        file.patient['flags'] = ['arterial-disease']
        file['stock'] = [{ item: 'elastic-bandage', widthCm: 7.5, lengthCm: 450 }]
      },
      'bandage-pressure',
      0,
    ],
    [
      'an ankle wider than the calf',
      (file) => {
        file.measurements[1] = { id: 'ankle-girth', side: 'left', value: 42, unit: 'cm' }
        delete file.patient['heightCm']
      },
      'girth-order',
      2,
    ],
  ]
  for (const [name, change, code, exit] of table) {
    it(`${name}: ${code}`, () => {
      const plan = changed(change)
      expect(cautionCodes(plan)).to.include(code)
      expect(planExit(plan)).to.equal(exit)
      const caution = plan.cautions.find((one) => one.code === code)
      expect(caution?.text).to.match(/\S/)
      expect(caution?.why).to.match(/\S/)
    })
  }

  it('lets a torn heel cord stand at its ordered angle', () => {
    const plan = changed((file) => {
      file.injury['pattern'] = 'achilles-rupture'
      Object.assign(file.options, { ankle: 'as-ordered', 'ankle-ordered': 110 })
    })
    expect(cautionCodes(plan)).not.to.include('achilles-rupture')
    expect(decisionOf(plan, 'ankle-angle').display).to.equal('110°, toes 20° down from square')
  })

  for (const technique of ['leg-slab', 'slab-and-stirrup', 'leg-cast'])
    it(`${technique}: pulls no heel cord, whatever was ordered below 95°`, () => {
      const at = (options: Record<string, unknown>) =>
        planFile(
          changedExample(technique, (file) => {
            file.injury['pattern'] = 'achilles-rupture'
            Object.assign(file.options, options)
          }),
        )
      const levelOf = (options: Record<string, unknown>) =>
        at(options).cautions.find((caution) => caution.code === 'achilles-rupture')?.level
      expect(levelOf({ ankle: 'square' })).to.equal('stop')
      expect(levelOf({ ankle: 'as-ordered', 'ankle-ordered': 94 })).to.equal('stop')
      expect(levelOf({ ankle: 'as-ordered', 'ankle-ordered': 95 })).to.equal(undefined)
      const without = at({ ankle: 'as-ordered' })
      expect(problemLines(without)).to.include('missing options/ankle-ordered')
      expect(without.cautions.find((caution) => caution.code === 'achilles-rupture')?.level).to.equal('stop')
      expect(decisionOf(at({ ankle: 'a-little-up' }), 'ankle-angle')).to.include({ value: 85, display: '85°, toes 5° up from square' })
    })

  it('asks for the ordered angle when it was not entered', () => {
    expect(
      problemLines(
        changed((file) => {
          file.options['ankle'] = 'as-ordered'
        }),
      ),
    ).to.deep.equal(['missing options/ankle-ordered'])
  })

  it('needs no helper when gravity holds', () => {
    const plan = changed((file) => {
      file['crew'] = { people: 1 }
      file.options['position'] = 'face-down'
    })
    expect(decisionOf(plan, 'least-crew').value).to.equal(1)
    expect(cautionCodes(plan)).not.to.include('short-handed')
  })

  it('warns of heat earlier for a child', () => {
    const hot = (age: number): readonly string[] =>
      cautionCodes(
        changed((file) => {
          file.patient['ageYears'] = age
          file['environment'] = { waterC: 29, backing: 'pillow' }
        }),
      )
    expect(hot(9)).to.include('hot-skin')
    expect(hot(40)).not.to.include('hot-skin')
  })

  it('keeps a stop that a clinician set aside in sight', () => {
    const plan = changed((file) => {
      file.injury['flags'] = ['pulse-absent']
      file['overrules'] = [{ caution: 'pulse-absent', reason: 'vascular team at the bedside', by: 'Ada', at: '2026-01-10T08:00:00Z' }]
    })
    expect(plan.cautions.find((caution) => caution.code === 'pulse-absent')?.overruled, 'a floor is never set aside').to.equal(undefined)
    const tented = changed((file) => {
      file.injury['flags'] = ['skin-tented']
      file['overrules'] = [{ caution: 'skin-tented', reason: 'reduced at the bedside', by: 'Ada', at: '2026-01-10T08:00:00Z' }]
    })
    expect(tented.cautions.find((caution) => caution.code === 'skin-tented')?.overruled?.reason).to.equal('reduced at the bedside')
  })

  it('says that thigh girths were estimated above the knee', () => {
    const plan = changed((file) => {
      file.options['extent'] = 'above-knee'
    })
    expect(plan.cautions.find((caution) => caution.code === 'check-reading' && caution.level === 'note')?.text).to.include('mid-thigh')
    expect(decisionOf(plan, 'slab-width').working.filter((line) => line.from === 'estimated')).to.have.length(3)
  })

  it('leaves out rolls without height or length, and says what is missing', () => {
    const plan = changed((file) => {
      delete file.patient['heightCm']
    })
    expect(problemLines(plan)).to.deep.equal(['missing measurements/lower-leg-length', 'missing measurements/foot-length'])
    expect(plan.decisions.some((decision) => decision.id === 'padding')).to.equal(false)
    expect(decisionOf(plan, 'slab-width').value).to.equal(20)
  })

  it('says what is missing when nothing was measured', () => {
    expect(
      problemLines(
        changed((file) => {
          file.measurements = []
        }),
      ),
    ).to.have.members(['missing measurements/calf-girth', 'missing measurements/slab-path'])
  })

  for (const [path, change] of [
    [
      'unknown-option options/extent',
      (file: CaseFile) => {
        file.options['extent'] = 'elbow'
      },
    ],
    [
      'unknown-option options/colour',
      (file: CaseFile) => {
        file.options['colour'] = 'green'
      },
    ],
    [
      'unknown-flag injury/flags',
      (file: CaseFile) => {
        file.injury['flags'] = ['grumpy']
      },
    ],
    [
      'unknown-unit measurements/0/unit',
      (file: CaseFile) => {
        file.measurements[0] = { id: 'slab-path', side: 'right', value: 5, unit: 'furlong' }
      },
    ],
    [
      'unknown-measurement measurements/0/id',
      (file: CaseFile) => {
        file.measurements[0] = { id: 'hat-size', value: 5, unit: 'cm' }
      },
    ],
    [
      'format measurements/0/value',
      (file: CaseFile) => {
        file.measurements[0] = { id: 'slab-path', side: 'right', value: 'long' }
      },
    ],
    [
      'format patient/massKg',
      (file: CaseFile) => {
        file.patient['massKg'] = 'heavy'
      },
    ],
    [
      'missing injury/side',
      (file: CaseFile) => {
        delete file.injury['side']
      },
    ],
  ] as const) {
    it(`reports ${path}`, () => {
      const plan = changed(change)
      expect(problemLines(plan)).to.include(path)
      expect(planExit(plan)).to.equal(2)
      expect(plan.problems.every((problem) => problem.message.endsWith('.'))).to.equal(true)
    })
  }
})

describe('back slab: properties', () => {
  const girth = fc.double({ min: 15, max: 60, noNaN: true })
  const swelling = fc.constantFrom('none', 'mild', 'moderate', 'marked')

  function widthFor(ankle: number, calf: number, grade: string): number {
    const file = ankleCase()
    file.injury['swelling'] = grade
    delete file.patient['heightCm']
    file.measurements = [
      { id: 'ankle-girth', side: 'left', value: ankle, unit: 'cm' },
      { id: 'calf-girth', side: 'left', value: calf, unit: 'cm' },
    ]
    const decision = planFile(file, context).decisions.find((one) => one.id === 'slab-width')
    return Number(decision?.value)
  }
  const context = testContext()

  it('never gives a wider slab for more swelling with the same readings', () => {
    fc.assert(
      fc.property(girth, girth, (ankle, calf) => {
        const widths = ['none', 'mild', 'moderate', 'marked'].map((grade) => widthFor(ankle, calf, grade))
        return widths.every((width, index) => index === 0 || width <= (widths[index - 1] ?? 0) + 1e-9)
      }),
      { numRuns: 40 },
    )
  })

  it('always leaves at least two centimetres open at the ankle', () => {
    fc.assert(
      fc.property(girth, girth, swelling, (ankle, calf, grade) => widthFor(ankle, calf, grade) <= ankle + 2 * Math.PI * 0.3 - 2 + 1e-9),
      { numRuns: 60 },
    )
  })

  it('gives finite figures and no throw for whatever readings come', () => {
    const any = fc.record({
      id: fc.constantFrom(
        'slab-path',
        'ankle-girth',
        'calf-girth',
        'below-knee-girth',
        'knee-girth',
        'mid-thigh-girth',
        'foot-length',
        'toe-girth',
      ),
      side: fc.constantFrom('left', 'right', undefined),
      value: fc.double({ min: -50, max: 400 }),
      unit: fc.constantFrom('cm', 'in', 'fw', 'mm'),
    })
    fc.assert(
      fc.property(
        fc.array(any, { maxLength: 12 }),
        fc.constantFrom('below-knee', 'above-knee'),
        swelling,
        (measurements, extent, grade) => {
          const file = ankleCase()
          Object.assign(file, { measurements, options: { extent } })
          file.injury['swelling'] = grade
          const plan = planFile(file, context)
          return plan.decisions.every(
            (decision) => typeof decision.value !== 'number' || (Number.isFinite(decision.value) && !Object.is(decision.value, -0)),
          )
        },
      ),
      { numRuns: 200 },
    )
  })

  it('makes do with two narrow slabs, lapped, and says how many and what is left over', () => {
    const narrow = (pieces: string) => {
      const file = ankleCase()
      file.options['pieces'] = pieces
      file['stock'] = [10, 15].map((widthCm) => ({ item: 'plaster-slab', widthCm, count: 4 }))
      return planFile(file)
    }
    const one = narrow('one')
    expect(decisionOf(one, 'slab-width').value).to.equal(15)
    expect(one.cautions.find(({ code }) => code === 'poor-side-control')?.text).to.match(/two slabs of 15 cm, lapped 5\.0 cm/)
    const two = narrow('two-lapped')
    expect(Number(decisionOf(two, 'slab-width').value)).to.be.above(20)
    expect(cautionCodes(two)).not.to.include('poor-side-control')
    const slab = two.materials.find(({ id }) => id === 'slab')
    expect([slab?.widthCm, slab?.pieces]).to.deep.equal([15, 2])
    expect(two.procedure.steps.find(({ id }) => id === 'lay')?.text).to.match(/left, then right, in turn.*off the malleoli/)
  })
})
