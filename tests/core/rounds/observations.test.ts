import { expect } from 'chai'
import { judgeCheck, type PrintedRound } from '#core/files/judge-check'
import { readCheck } from '#core/files/read-check'
import { ankleCase } from '../../harness/cases/leg-slab-cases'

const wellNerves = {
  movement: { 'deep-peroneal': 'full', 'superficial-peroneal': 'full', tibial: 'full' },
  feeling: { 'deep-peroneal': 'normal', 'superficial-peroneal': 'normal', tibial: 'normal' },
}
const well = {
  limb: 'leg',
  side: 'left',
  colour: 'pink',
  warmth: 'warm',
  refillS: 1.5,
  pulse: 'present',
  ...wellNerves,
  swelling: 'mild',
  restPain: 3,
  stretchPain: false,
  tight: false,
}
type Limb = Record<string, unknown>

function judge(rounds: { limbs: Limb[]; analgesia?: boolean }[], patient: Record<string, unknown> = {}): readonly PrintedRound[] {
  const file = ankleCase()
  Object.assign(file.patient, patient)
  const read = readCheck({
    format: 'zesty-wren/check',
    version: 1,
    case: file,
    rounds: rounds.map((round, index) => ({ atMin: index * 15, baseline: index === 0, ...round })),
  })
  expect(read.problems).to.deep.equal([])
  const judged = judgeCheck(read)
  if (!judged) throw new Error('no case')
  return judged
}

/** The verdict of a second round whose left leg differs from a well baseline by `change`. */
function after(
  change: Limb,
  options: { other?: Limb; baseline?: Limb; analgesia?: boolean; patient?: Record<string, unknown> } = {},
): PrintedRound {
  const right = { ...well, side: 'right', ...options.other }
  const second = { limbs: [{ ...well, ...change }, right], analgesia: options.analgesia ?? false }
  const verdict = judge(
    [
      {
        limbs: [
          { ...well, ...options.baseline },
          { ...well, side: 'right' },
        ],
      },
      second,
    ],
    options.patient,
  )[1]
  if (!verdict) throw new Error('no verdict')
  return verdict
}

describe('a round of circulation, feeling and movement', () => {
  it('finds no warning in a well limb and calls it complete', () => {
    expect(after({})).to.deep.include({ level: 'none', complete: true, actions: [] })
  })

  const table: readonly [string, Limb, string, string][] = [
    ['no pulse', { pulse: 'absent' }, 'urgent', 'no-pulse'],
    ['a weak pulse', { pulse: 'weak' }, 'warn', 'weak-pulse'],
    ['refill of 4.5 s', { refillS: 4.5 }, 'urgent', 'slow-refill'],
    ['refill 2 s slower than the other side', { refillS: 3.6 }, 'urgent', 'slow-refill'],
    ['refill of 3 s on one side', { refillS: 3 }, 'warn', 'refill-slow'],
    ['cold and blue', { warmth: 'cold', colour: 'blue' }, 'urgent', 'cold-and-discoloured'],
    ['pale alone', { colour: 'pale' }, 'warn', 'discoloured'],
    ['cooler than the other side', { warmth: 'cool' }, 'warn', 'cooler'],
    ['a numb sole', { feeling: { ...wellNerves.feeling, tibial: 'reduced' } }, 'urgent', 'new-loss-of-feeling'],
    ['tingling', { feeling: { ...wellNerves.feeling, tibial: 'tingling' } }, 'warn', 'tingling'],
    ['a weak big toe', { movement: { ...wellNerves.movement, 'deep-peroneal': 'weak' } }, 'urgent', 'new-loss-of-movement'],
    ['pain on passive stretch', { stretchPain: true }, 'urgent', 'stretch-pain'],
    ['pain of 7', { restPain: 7 }, 'urgent', 'severe-pain'],
    ['pain up by 2', { restPain: 5 }, 'warn', 'pain-rising'],
    ['swelling up one grade', { swelling: 'moderate' }, 'warn', 'swelling-up'],
    ['tightness', { tight: true }, 'warn', 'tight'],
    ['more pain than expected', { painBeyondExpected: true }, 'urgent', 'pain-beyond-expected'],
    ['burning in one spot', { spotPain: true }, 'warn', 'spot-pain'],
    ['red skin that does not blanch', { skin: 'red-not-blanching' }, 'warn', 'red-not-blanching'],
    ['broken skin', { skin: 'broken' }, 'urgent', 'skin-broken'],
    ['calf pain', { also: ['calf-pain'] }, 'warn', 'calf-pain'],
  ]
  for (const [name, change, level, code] of table) {
    it(`${name} is ${level}`, () => {
      const verdict = after(change)
      expect(verdict.level).to.equal(level)
      expect(verdict.findings.map((finding) => finding.code)).to.include(code)
    })
  }

  it('asks to warm and repeat when refill is slow alike on both sides', () => {
    const verdict = after({ refillS: 2.8 }, { other: { refillS: 2.5 } })
    expect(verdict).to.deep.include({ level: 'none', actions: ['warm-repeat'] })
    expect(after({ refillS: 3.8 }, { other: { refillS: 3.6 } }).level).to.equal('warn')
    expect(after({ refillS: 3.8 }, { other: { refillS: 3.6 }, patient: { ageYears: 80 } }).level).to.equal('none')
  })

  it('calls two warnings on one limb a review', () => {
    const verdict = after({ tight: true, restPain: 5 })
    expect(verdict).to.deep.include({ level: 'review', againMin: 15 })
    expect(verdict.actions).to.deep.equal(['loosen', 'senior-30', 'again-15'])
  })

  it('calls one thing getting worse twice a review', () => {
    const rounds = [1, 3, 5].map((restPain) => ({
      limbs: [
        { ...well, restPain },
        { ...well, side: 'right' },
      ],
    }))
    expect(judge(rounds).map((round) => round.level)).to.deep.equal(['none', 'warn', 'review'])
  })

  it('shows what was there at baseline as known once it was told, and until then as it is', () => {
    const feeling = { ...wellNerves.feeling, tibial: 'reduced' }
    expect(after({ feeling: { ...feeling, tibial: 'tingling' } }, { baseline: { feeling } }).findings[0]?.level).to.equal('warn')
    expect(after({ feeling: { ...feeling, tibial: 'none' } }, { baseline: { feeling } }).level).to.equal('urgent')
  })

  for (const [name, finding, analgesia] of [
    ['no pulse', { pulse: 'absent' }, false],
    ['refill over 4 s', { refillS: 5 }, false],
    ['cold and pale', { warmth: 'cold', colour: 'pale' }, false],
    ['pain on stretch', { stretchPain: true }, false],
    ['pain of 8 after analgesia', { restPain: 8 }, true],
  ] as const) {
    it(`never takes ${name} as known`, () => expect(after(finding, { baseline: finding, analgesia }).level).to.equal('urgent'))
  }

  it('takes pain that rises by 3 after analgesia as urgent', () => {
    expect(after({ restPain: 6 }, { analgesia: true }).level).to.equal('urgent')
    expect(after({ restPain: 6 }).level).to.equal('warn')
  })

  it('never scores what cannot be assessed as normal', () => {
    const change = { feeling: { ...wellNerves.feeling, tibial: { cannotAssess: true, reason: 'nerve block' } } }
    const verdict = after(change)
    expect(verdict).to.include({ level: 'none', complete: true })
    expect(verdict.standing.map((item) => [item.id, item.state])).to.deep.equal([['leg-left/feeling/tibial', 'unknown']])
    expect(after(change, { patient: { flags: ['nerve-block'] } }).level).to.equal('warn')
    expect(verdict.findings.map((finding) => finding.code)).to.deep.equal(['cannot-assess'])
  })

  it('stays incomplete while something was not looked at', () => {
    const verdict = after({ pulse: undefined })
    expect(verdict.complete).to.equal(false)
    expect(verdict.missing).to.deep.equal(['leg-left/pulse'])
  })

  it('says what to do when it is urgent, opening first', () => {
    expect(after({ pulse: 'absent' }).actions).to.deep.equal([
      'call-and-open',
      'open-to-skin',
      'ease-bend',
      'heart-level',
      'blood-pressure',
      'again-5',
      'again-15',
      'nil-by-mouth',
      'surgical-30',
    ])
  })
})

describe('a check file that is not as it should be', () => {
  for (const [name, change, path] of [
    ['an unknown colour', { colour: 'mauve' }, 'rounds/0/limbs/0/colour'],
    ['text in a number', { refillS: 'slow' }, 'rounds/0/limbs/0/refillS'],
    ['pain of 14', { restPain: 14 }, 'rounds/0/limbs/0/restPain'],
    ['a nerve of the arm', { feeling: { median: 'normal' } }, 'rounds/0/limbs/0/feeling/median'],
    ['no side', { side: undefined }, 'rounds/0/limbs/0'],
  ] as const) {
    it(`names ${name}`, () => {
      const read = readCheck({
        format: 'zesty-wren/check',
        version: 1,
        case: ankleCase(),
        rounds: [{ atMin: 0, limbs: [{ ...well, ...change }] }],
      })
      expect(read.problems.map((problem) => problem.path)).to.include(path)
    })
  }

  it('names a wrong format and a missing round', () => {
    expect(readCheck([]).problems[0]?.code).to.equal('format')
    expect(readCheck({ format: 'zesty-wren/check', version: 1, case: ankleCase() }).problems[0]?.path).to.equal('rounds')
  })
})
