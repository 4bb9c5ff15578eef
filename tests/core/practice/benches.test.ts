import { expect } from 'chai'
import { solveHeat } from '#core/figures/heat/solve-heat'
import { heatDefaults } from '#core/model/heat-input'
import { allControls, onStep, usualState, type Bench, type BenchAnswer, type BenchState } from '#core/practice/bench'
import { readBenchFile, writeBenchFile } from '#core/practice/bench-file'
import { benches, findBench } from '#core/practice/benches'
import { readState, writeState } from '#core/practice/read-state'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { testContext } from '../../harness/cases/leg-slab-cases'
import { isLong } from '../../harness/long'
import { makeDraws } from '../../harness/cases/random-draws'

const ctx = testContext()
const benchOf = (id: string): Bench => {
  const bench = findBench(id)
  if (!bench) throw new Error(`no bench ${id}`)
  return bench
}
const work = (id: string, change: BenchState = {}): BenchAnswer => {
  const bench = benchOf(id)
  return bench.work({ ...usualState(bench), ...change }, ctx)
}
const figure = (answer: BenchAnswer, id: string): number | null => {
  const found = answer.figures.find((one) => one.id === id)
  if (!found) throw new Error(`no figure ${id}`)
  return found.value
}
const valueOf = (answer: BenchAnswer, id: string): number => {
  const value = figure(answer, id)
  if (value === null) throw new Error(`${id} has no figure`)
  return value
}

describe('benches', () => {
  for (const bench of benches) {
    describe(bench.name, () => {
      it('has six controls at most, each with its usual value in range and on its step', () => {
        expect(bench.controls.length).to.be.within(1, 6)
        expect(new Set(allControls(bench).map((control) => control.id)).size).to.equal(allControls(bench).length)
        for (const control of allControls(bench)) {
          if (control.kind === 'choice') expect(control.choices.map((choice) => choice.id)).to.include(control.usual)
          else {
            expect(control.usual).to.be.within(control.least, control.greatest)
            expect(onStep(control, control.usual)).to.equal(control.usual)
          }
        }
      })

      it('answers every state in finite figures with their working, and names its scenes in words', () => {
        for (let seed = 0; seed < (isLong ? 40 : 8); seed++) {
          const between = makeDraws(seed + 1)
          const state = Object.fromEntries(
            allControls(bench).map((control) =>
              control.kind === 'choice'
                ? [control.id, control.choices[Math.floor(between(0, control.choices.length))]?.id ?? control.usual]
                : [control.id, between(control.least, control.greatest)],
            ),
          )
          const answer = bench.work(readState(bench, Object.entries(state)).state, ctx)
          expect(answer.figures.length).to.be.greaterThan(2)
          for (const { value, working, label, words } of answer.figures) {
            expect(value === null || Number.isFinite(value), `${label} of ${JSON.stringify(state)}`).to.equal(true)
            if (value === null) expect(words, label).to.be.a('string')
            expect(`${working} ${words ?? ''}`).to.not.match(/NaN|undefined|Infinity/)
          }
          for (const scene of answer.scenes) {
            if (scene.kind !== 'curves') continue
            expect(scene.words).to.not.match(/NaN|undefined/)
            for (const line of scene.lines)
              for (const [x, y] of line.points) expect(Number.isFinite(x) && (y === null || Number.isFinite(y))).to.equal(true)
          }
        }
      })

      it('is restored from its address, and from its file', () => {
        const state = {
          ...usualState(bench),
          ...Object.fromEntries(
            allControls(bench).map((control) => [
              control.id,
              control.kind === 'choice' ? (control.choices.at(-1)?.id ?? '') : control.greatest,
            ]),
          ),
        }
        expect(readState(bench, writeState(bench, state))).to.deep.equal({ state, problems: [] })
        expect(readBenchFile(bench, JSON.parse(JSON.stringify(writeBenchFile(bench, state))))).to.deep.equal({ state, problems: [] })
        expect(writeState(bench, usualState(bench))).to.deep.equal([])
      })

      it('names what it cannot use of nonsense, and stands as usual there', () => {
        const [control] = allControls(bench)
        const { state, problems } = readState(bench, [
          [control?.id ?? '', 'a wet sock'],
          ['wingspan', '7'],
        ])
        expect(state).to.deep.equal(usualState(bench))
        expect(problems).to.have.length(2)
        expect(problems[0]).to.match(new RegExp(`^${control?.label ?? ''} cannot be “a wet sock”: it is .* stands instead`))
        expect(problems[1]).to.match(/wingspan is no control of this bench/)
        for (const value of [Number.NaN, Infinity, '1e999', '', null, {}, [], '9'.repeat(60)])
          expect(readState(bench, [[control?.id ?? '', value]]).state).to.deep.equal(usualState(bench))
      })
    })
  }

  it('refuse what is no bench file, each with what is wrong', () => {
    const heat = benchOf('heat')
    const said = (file: unknown): string => {
      const read = readBenchFile(heat, file)
      return 'refusal' in read ? read.refusal : ''
    }
    expect(said(null)).to.match(/no bench file/)
    expect(said([])).to.match(/no bench file/)
    expect(said({ format: 'zesty-wren/case' })).to.match(/format has to be zesty-wren\/bench/)
    expect(said({ format: 'zesty-wren/bench', bench: 'rig', state: {} })).to.match(/another bench/)
    expect(said({ format: 'zesty-wren/bench', bench: 'heat' })).to.match(/no state/)
  })
})

describe('the heat bench', () => {
  it('says what the heat model says: fast plaster, 10 layers, water and room usual, 41.0 °C at 12.5 min', () => {
    const answer = work('heat')
    expect(valueOf(answer, 'peak')).to.be.closeTo(41, 0.05)
    expect(answer.cautions).to.deep.equal([])
  })

  it('stops where it burns: 20 layers, water of 40 °C, on a pillow', () => {
    const answer = work('heat', { layers: 20, water: 40, backing: 'pillow' })
    expect(valueOf(answer, 'peak')).to.be.closeTo(49.3, 0.5)
    expect(answer.cautions.map((caution) => caution.level)).to.deep.equal(['stop'])
  })

  it('is warmer with warmer water and more layers, and the profile meets the curve at the skin', () => {
    expect(valueOf(work('heat', { water: 30 }), 'peak')).to.be.greaterThan(valueOf(work('heat', { water: 20 }), 'peak'))
    expect(valueOf(work('heat', { layers: 16 }), 'peak')).to.be.greaterThan(valueOf(work('heat', { layers: 8 }), 'peak'))
    const answer = work('heat', { minute: 15 })
    const depth = answer.scenes.find((scene) => scene.id === 'depth')
    if (depth?.kind !== 'curves') throw new Error('no profile')
    const points = depth.lines[0]?.points ?? []
    const below = points.filter(([x]) => x < 0).at(-1)?.[1] ?? 0
    const above = points.find(([x]) => x > 0)?.[1] ?? 0
    expect(valueOf(answer, 'skin')).to.be.within(Math.min(below, above) - 0.05, Math.max(below, above) + 0.05)
  })

  it('starts its profile where the model starts', () => {
    const input = work('heat', { minute: 0 }).scenes.find((scene) => scene.id === 'map')
    if (input?.kind !== 'heat-map') throw new Error('no map')
    expect(solveHeat(input.input).skinC[0]).to.be.closeTo(valueOf(work('heat', { minute: 0 }), 'skin'), 1e-9)
    expect(readDefaults(heatDefaults, defaultProtocol).hotC).to.equal(input.limitC)
  })
})

describe('the swelling bench', () => {
  it('fills a closed cast: pressure at the calf after 24 h by hand', () => {
    // Calf of the practice leg at 172 cm; 5 % to come, 2 layers of 0.3 cm.
    const answer = work('swelling')
    const girth = valueOf(answer, 'growth') / (1 + 0.05 * (1 - Math.exp(-24 / 18)))
    const x = (0.05 * (1 - Math.exp(-24 / 18)) * girth) / (2 * Math.PI) / 0.6
    expect(valueOf(answer, 'pressure')).to.be.closeTo(0.8 + (6 * x) / (1 - x), 1e-9)
  })

  it('gains by opening, always: every way out is at or below the closed one once it is cut, and each hour of waiting costs or is free', () => {
    for (const swelling of ['none', 'mild', 'moderate', 'marked'])
      for (const padding of [1, 2, 4]) {
        const closed = valueOf(work('swelling', { swelling, padding }), 'above')
        for (const way of ['single', 'strip', 'two-halves'])
          for (const cut of [0, 6, 24]) {
            const answer = work('swelling', { swelling, padding, way, cut })
            expect(valueOf(answer, 'above')).to.be.at.most(closed + 0.25)
            expect(valueOf(answer, 'later')).to.be.at.least(0)
          }
      }
  })

  it('crushes flat where there is no room, and says so instead of a figure', () => {
    const answer = work('swelling', { swelling: 'marked', padding: 1, hour: 72 })
    expect(figure(answer, 'pressure')).to.equal(null)
    expect(answer.cautions[0]?.level).to.equal('stop')
    const limb = answer.scenes.find((scene) => scene.kind === 'limb')
    expect(limb?.kind === 'limb' && Object.values(limb.notes).map((note) => note.words)).to.include('no room')
  })

  it('keeps less room where the padding is kept', () => {
    const at = (skin: string): number =>
      valueOf(work('swelling', { swelling: 'marked', way: 'single', cut: 0, skin, padding: 4 }), 'pressure')
    expect(at('kept')).to.be.greaterThan(at('cut'))
  })
})

describe('the rig bench', () => {
  it('lifts by the law of the two strands: 5 kg at the angles that it says', () => {
    const answer = work('rig')
    const [, a, b] = /at ([\d.]+)° and ([\d.]+)°/.exec(answer.figures[0]?.working ?? '') ?? []
    const cos = (deg: string | undefined): number => Math.cos((Number(deg) * Math.PI) / 180)
    expect(valueOf(answer, 'lift')).to.be.closeTo(5 * 9.81 * (cos(a) + cos(b)), 0.1)
  })

  for (const solver of benchOf('rig').solvers ?? []) {
    it(`${solver.label}: after it nothing is left to balance`, () => {
      const bench = benchOf('rig')
      const solved = solver.solve({ ...usualState(bench), raise: 5 }, ctx)
      expect(solved).to.not.equal(null)
      const answer = bench.work(solved ?? {}, ctx)
      if (solver.id === 'raise') {
        expect(valueOf(answer, 'bed')).to.be.at.least(4.5 * 9.81 - 0.5)
        expect(answer.cautions.some((caution) => caution.text.includes('slides'))).to.equal(false)
      } else expect(answer.figures[0]?.words).to.equal('in balance')
    })
  }

  it('says where nothing in range does it: 150 kg on a pulley that stays near the groin', () => {
    const bench = benchOf('rig')
    const heavy = { ...usualState(bench), mass: 150, carried: 10 }
    expect(bench.solvers?.find((solver) => solver.id === 'suspension')?.solve(heavy, ctx)).to.equal(null)
  })

  it('warns as the plan does: more than the skin bears, a ring that presses, a patient who slides', () => {
    expect(work('rig', { counterweight: 8 }).cautions.map((caution) => caution.level)).to.include('stop')
    expect(
      work('rig', { raise: 0, mass: 15 })
        .cautions.map((caution) => caution.text)
        .join(' '),
    ).to.match(/slides/)
  })
})

describe('the other benches, by their worked examples', () => {
  const wordsOf = (answer: BenchAnswer, id: string): string => answer.figures.find((one) => one.id === id)?.words ?? ''

  it('collar: 6.0 set on 4.8 tilts 6.2°, and more closes the mouth', () => {
    const answer = work('collar', { height: 4.8, setting: 6 })
    expect(valueOf(answer, 'tilt')).to.be.closeTo(6.2, 0.05)
    expect(answer.cautions.map((caution) => caution.level)).to.include('caution')
    expect(valueOf(work('collar', { height: 4.8, setting: 7.2 }), 'mouth')).to.be.lessThan(valueOf(answer, 'mouth'))
    expect(valueOf(work('collar', { height: 4.8, setting: 4.8 }), 'tilt')).to.equal(0)
  })

  it('collar: the head is drawn as it is tilted', () => {
    const scene = work('collar', { height: 4.8, setting: 6 }).scenes[0]
    expect(scene?.kind === 'limb' && scene.geometry.angles['head']).to.be.closeTo(6.2, 0.05)
  })

  it('brace: a hinge 2.2 cm off slides 3.11 cm at 90°, and a stop holds the knee', () => {
    const answer = work('brace', { forward: 2.2, up: 0, flexion: 90, knee: 120 })
    expect(valueOf(answer, 'stop-slide')).to.be.closeTo(3.11, 0.005)
    expect(valueOf(answer, 'angle')).to.equal(90)
    expect(wordsOf(answer, 'angle')).to.equal('by its stop')
    expect(work('brace', { extension: 60, flexion: 30 }).cautions[0]?.text).to.match(/stops cross/)
  })

  it('wraps: two layers at 0.5 kgf, 10 cm wide, press 4620·2·0.5 ÷ (girth · 10) mmHg', () => {
    const answer = work('wraps')
    const [, girth] = /\(([\d.]+) × 10\)/.exec(answer.figures.find((one) => one.id === 'most')?.working ?? '') ?? []
    expect(valueOf(answer, 'most')).to.be.closeTo(4620 / (Number(girth) * 10), 0.05)
    expect(work('wraps', { tension: 2 }).cautions.map((caution) => caution.level)).to.include('stop')
    expect(work('wraps', { limb: 'leg-arterial', tension: 0.6 }).cautions.map((caution) => caution.level)).to.include('caution')
  })

  it('stiffness: wider, thicker and drier is never softer', () => {
    const drop = (change: BenchState): number => valueOf(work('stiffness', change), 'drop')
    for (const [less, more] of [
      [{ width: 10 }, { width: 20 }],
      [{ layers: 6 }, { layers: 12 }],
      [{ hours: 1 }, { hours: 24 }],
    ] as const)
      expect(drop(more)).to.be.lessThan(drop(less))
    expect(work('stiffness', { width: 5, layers: 2, girth: 60 }).cautions.length).to.be.greaterThan(0)
  })

  it('size: between two sizes it says so, out of reach it stops, and the same seed draws the same people', () => {
    expect(work('size', { reading: 26, doubt: 0.5 }).cautions[0]?.level).to.equal('caution')
    expect(work('size', { reading: 100 }).cautions[0]?.level).to.equal('stop')
    expect(valueOf(work('size', { reading: 24.8, doubt: 0.3 }), 'odds')).to.be.greaterThan(95)
    expect(work('size')).to.deep.equal(work('size'))
    // Boots are made for grown feet: a child finds fewer, and the larger feet of men run past the last size first.
    expect(valueOf(work('size', { age: 6 }), 'women')).to.be.below(valueOf(work('size', { age: 40 }), 'women'))
    for (const ageYears of [4, 16, 40, 88])
      for (const sex of ['women', 'men']) expect(valueOf(work('size', { age: ageYears }), sex)).to.be.within(0, 100)
  })

  it('shell: sitting 0.2 cm under the notch it is lowered by 0.5, as its plan says; an edge off upright is seated again', () => {
    expect(wordsOf(work('shell', { sitting: 0.2 }), 'verdict')).to.match(/lower/i)
    expect(valueOf(work('shell', { sitting: 0.2 }), 'sit-rise')).to.be.closeTo(1.8, 1e-9)
    expect(wordsOf(work('shell', { standing: 5 }), 'verdict')).to.match(/seat/i)
    expect(work('shell').cautions).to.deep.equal([])
  })

  it('crew: more hands, slower plaster and quicker work are never worse; too few is said, not guessed', () => {
    const odds = (change: BenchState): number => valueOf(work('crew', change), 'odds')
    expect(odds({ people: 4 })).to.be.at.least(odds({ people: 3 }))
    expect(odds({ material: 'plaster-slow' })).to.be.at.least(odds({ material: 'plaster-extra-fast' }))
    expect(odds({ pace: 60 })).to.be.at.least(odds({ pace: 140 }))
    expect(work('crew', { people: 1 }).cautions[0]?.text).to.match(/So few cannot hold/)
    const breaks = (people: number): string => work('crew', { people }).figures.find((one) => one.id === 'break')?.words ?? ''
    expect(breaks(1)).to.match(/^at “/)
    expect(breaks(4)).to.equal('nowhere')
  })

  it('findings: no pulse is urgent and takes more than one quiet round; what was there from the start is known; all well is nothing', () => {
    expect(wordsOf(work('findings'), 'level')).to.equal('nothing')
    const pulseless = work('findings', { pulse: 'absent' })
    expect(wordsOf(pulseless, 'level')).to.equal('urgent')
    expect(pulseless.cautions[0]?.level).to.equal('stop')
    expect(pulseless.figures.find((one) => one.id.endsWith('/pulse'))?.working).to.match(/quiet complete rounds end it|senior decides/)
    const tingling = work('findings', { feeling: 'tingling' })
    expect(wordsOf(tingling, 'level')).to.match(/warning|review/)
    expect(wordsOf(work('findings', { feeling: 'tingling', before: 'same' }), 'level')).to.equal('was there before')
  })
})
