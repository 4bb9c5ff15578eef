import { expect } from 'chai'
import { judgeCheck, problemsOfCheck, type PrintedRound } from '#core/files/judge-check'
import { findingsAfterRounds } from '#core/standing/fold-rounds'
import { readCheck } from '#core/files/read-check'
import { ankleCase } from '../../harness/cases/leg-slab-cases'
import { legRound, type Limb } from '../../harness/cases/leg-rounds'
import { wearing } from '../../harness/cases/situations'

type Extra = { on?: boolean; told?: object[]; seniorDecisions?: object[]; flags?: string[]; patientFlags?: string[] }

/** Judges rounds on an injured left leg; only problems that a test expects are allowed. */
function judge(rounds: object[], extra: Extra = {}, expected: string[] = []): readonly PrintedRound[] {
  const { flags, patientFlags, ...more } = extra
  const file = ankleCase()
  if (flags) file.injury['flags'] = flags
  if (patientFlags) file.patient['flags'] = patientFlags
  const read = readCheck({ format: 'zesty-wren/check', version: 1, case: file, rounds, ...more })
  expect(problemsOfCheck(read).map((problem) => `${problem.code} ${problem.path}`)).to.deep.equal(expected)
  return judgeCheck(read)!
}
const levels = (rounds: readonly PrintedRound[]): string[] => rounds.map((round) => round.level)
const stand = (round: PrintedRound | undefined): string[] =>
  (round?.standing ?? []).map((item) => `${item.id} ${item.level} ${item.state} ${item.since}`)
const weakToe: Limb = { movement: { 'deep-peroneal': 'weak' } }
const stillToe: Limb = { movement: { 'deep-peroneal': 'none' } }

describe('a finding stands until it is ended', () => {
  it('an urgent one stays urgent when somebody then enters one figure', () => {
    const after = judge([
      legRound(0),
      legRound(15, { pulse: 'absent' }),
      { atMin: 20, limbs: [{ limb: 'leg', side: 'left', restPain: 3 }] },
    ])
    expect(levels(after)).to.deep.equal(['none', 'urgent', 'urgent'])
    expect(after[2]).to.deep.include({ complete: false, againMin: 5 })
    expect(after[2]?.actions.slice(0, 2)).to.deep.equal(['call-and-open', 'open-to-skin'])
    expect(stand(after[2])).to.deep.equal(['leg-left/pulse urgent open 15'])
  })

  it('and when the pulse is felt again in a round that is not complete', () => {
    const after = judge([
      legRound(0),
      legRound(15, { pulse: 'absent' }),
      { atMin: 20, limbs: [{ limb: 'leg', side: 'left', pulse: 'present' }] },
    ])
    expect(levels(after).at(-1)).to.equal('urgent')
  })

  it('urgent, then review, then none: two complete quiet rounds within half an hour', () => {
    const after = judge([legRound(0), legRound(15, { pulse: 'absent' }), legRound(30), legRound(60), legRound(75)])
    expect(levels(after)).to.deep.equal(['none', 'urgent', 'review', 'none', 'none'])
    expect(stand(after[2])).to.deep.equal(['leg-left/pulse review review 15'])
    expect(after[3]?.standing).to.deep.equal([])
  })

  it('one that went and comes back stands since it came back; what is left of it, since it came', () => {
    const back = judge([legRound(0), legRound(15, { pulse: 'absent' }), legRound(30), legRound(45), legRound(90, { pulse: 'absent' })])
    expect(stand(back.at(-1))).to.deep.equal(['leg-left/pulse urgent open 90'])
    const told = [{ atMin: 1, to: 'Otto Marlowe-Pike' }]
    const left = judge([legRound(0, weakToe), legRound(15, stillToe), legRound(30, weakToe), legRound(45, weakToe)], { told })
    expect(stand(left.at(-1))).to.deep.equal(['leg-left/movement/deep-peroneal known open 0'])
  })

  it('a second quiet round that comes later than half an hour, or in the same minute, counts as the first', () => {
    const late = judge([legRound(0), legRound(15, { pulse: 'absent' }), legRound(30), legRound(61), legRound(91)])
    expect(levels(late)).to.deep.equal(['none', 'urgent', 'review', 'review', 'none'])
    const twice = judge([legRound(0), legRound(15, { pulse: 'absent' }), legRound(30), legRound(30), legRound(45)])
    expect(levels(twice)).to.deep.equal(['none', 'urgent', 'review', 'review', 'none'])
  })

  it('a complete round that is not quiet begins the count anew, an incomplete one does not', () => {
    const unquiet = judge([
      legRound(0),
      legRound(15, { pulse: 'absent' }),
      legRound(30),
      legRound(40, { tight: true }),
      legRound(50),
      legRound(60),
    ])
    expect(levels(unquiet)).to.deep.equal(['none', 'urgent', 'review', 'review', 'review', 'none'])
    const partial = { atMin: 40, limbs: [{ limb: 'leg', side: 'left', restPain: 3 }] }
    expect(levels(judge([legRound(0), legRound(15, { pulse: 'absent' }), legRound(30), partial, legRound(50)])).at(-1)).to.equal('none')
  })

  it('an item that cannot be assessed does not end, and keeps the round from being quiet', () => {
    const blind = { cannotAssess: true, reason: 'dressing in the way' }
    const after = judge([
      legRound(0),
      legRound(15, { pulse: 'absent' }),
      legRound(30, { pulse: blind }),
      legRound(45),
      legRound(60, { tight: blind }),
      legRound(70),
    ])
    expect(levels(after)).to.deep.equal(['none', 'urgent', 'urgent', 'review', 'review', 'review'])
  })

  it('nor a day later, when what cannot be assessed no longer warns', () => {
    const blind = { cannotAssess: true, reason: 'asleep' }
    const day = 24 * 60
    const after = judge([
      legRound(0),
      legRound(15, { pulse: 'absent' }),
      legRound(day + 60),
      legRound(day + 75, { tight: blind }),
      legRound(day + 85),
    ])
    expect(levels(after)).to.deep.equal(['none', 'urgent', 'review', 'review', 'review'])
  })

  it('comes back as new after it had ended', () => {
    const after = judge([legRound(0), legRound(15, { pulse: 'absent' }), legRound(30), legRound(45), legRound(60, { pulse: 'absent' })])
    expect(stand(after[4])).to.deep.equal(['leg-left/pulse urgent open 60'])
  })
})

describe('the first look', () => {
  it('is urgent, names every finding, and is known once a named senior was told', () => {
    const change = { movement: { 'deep-peroneal': 'none', tibial: 'weak' } }
    const [first, second] = judge([legRound(0, change), legRound(15, change)], { told: [{ atMin: 5, to: 'Dr Sorrel Vane' }] })
    expect(stand(first)).to.deep.equal(['leg-left/movement/deep-peroneal urgent open 0', 'leg-left/movement/tibial urgent open 0'])
    expect(stand(second)).to.deep.equal(['leg-left/movement/deep-peroneal known open 0', 'leg-left/movement/tibial known open 0'])
  })

  it('stays urgent untold; being told in a round’s own minute counts after it; told of one item is told of one', () => {
    expect(levels(judge([legRound(0, stillToe), legRound(15, stillToe)]))).to.deep.equal(['urgent', 'urgent'])
    const told = (atMin: number, items?: string[]): object[] => [{ atMin, to: 'Dr Sorrel Vane', ...(items ? { items } : {}) }]
    expect(levels(judge([legRound(0, stillToe), legRound(15, stillToe)], { told: told(15) }))).to.deep.equal(['urgent', 'urgent'])
    const both = { movement: { 'deep-peroneal': 'none', tibial: 'none' } }
    const one = judge([legRound(0, both), legRound(15, both)], { told: told(3, ['leg-left/movement/tibial']) })
    expect(stand(one[1])).to.deep.equal(['leg-left/movement/deep-peroneal urgent open 0', 'leg-left/movement/tibial known open 0'])
  })

  it('never makes known what stays dangerous, told or not, nor what is urgent for another reason by then', () => {
    const told = { told: [{ atMin: 1, to: 'Dr Sorrel Vane' }] }
    expect(levels(judge([legRound(0, { pulse: 'absent' }), legRound(15, { pulse: 'absent' })], told))).to.deep.equal(['urgent', 'urgent'])
    const late = { told: [{ atMin: 20, to: 'Dr Sorrel Vane' }] }
    expect(levels(judge([legRound(0, stillToe), legRound(15, weakToe), legRound(25, weakToe)], late))).to.deep.equal([
      'urgent',
      'urgent',
      'known',
    ])
  })

  it('known only once told, even where it is better since; a warning of the first look needs nobody told', () => {
    const pain = (restPain: number): Limb => ({ restPain })
    expect(levels(judge([legRound(0, pain(8)), legRound(15, pain(7)), legRound(30, pain(7))]))).to.deep.equal([
      'urgent',
      'urgent',
      'urgent',
    ])
    const told = { told: [{ atMin: 1, to: 'Dr Sorrel Vane' }] }
    expect(levels(judge([legRound(0, pain(8)), legRound(15, pain(7))], told))).to.deep.equal(['urgent', 'known'])
    expect(levels(judge([legRound(0, { tight: true }), legRound(15, { tight: true })]))).to.deep.equal(['warn', 'known'])
    const tingling: Limb = { feeling: { tibial: 'tingling' } }
    const lost: Limb = { feeling: { tibial: 'none' } }
    expect(levels(judge([legRound(0, tingling), legRound(15, lost), legRound(30, lost)], told))).to.deep.equal(['warn', 'urgent', 'urgent'])
  })

  it('two rises are a review only where the last look is itself a warning, and never on the sound limb', () => {
    const pain = (...figures: number[]) => figures.map((restPain, at) => legRound(15 * at, { restPain }))
    expect(levels(judge(pain(0, 1, 2)))).to.deep.equal(['none', 'none', 'none'])
    expect(levels(judge(pain(1, 3, 5)))).to.deep.equal(['none', 'warn', 'review'])
    const sound = [1, 3, 5].map((restPain, at) => {
      const round = legRound(15 * at)
      return { ...round, limbs: round.limbs.map((limb) => (limb['side'] === 'right' ? { ...limb, restPain } : limb)) }
    })
    expect(levels(judge(sound))).to.deep.equal(['none', 'warn', 'warn'])
  })

  it('breathlessness that is new is urgent and no cast is opened for it', () => {
    const breathless: Limb = { also: ['breathlessness'] }
    const after = judge([legRound(0, { also: [] }), legRound(60, breathless), legRound(75, breathless)])
    expect(levels(after)).to.deep.equal(['none', 'urgent', 'urgent'])
    expect(after[1]?.actions).to.deep.equal(['as-breathes', 'oxygen', 'call-senior'])
    expect(levels(judge([legRound(0, breathless)]))).to.deep.equal(['warn'])
  })

  it('what cannot be assessed is looked at again by the at-risk list', () => {
    const asleep: Limb = { feeling: { tibial: { cannotAssess: true, reason: 'asleep' } } }
    const again = (atMin: number) => judge([legRound(0), legRound(atMin, asleep)])[1]?.againMin
    expect([15, 60, 200, 1000, 1800, 4000].map(again)).to.deep.equal([15, 30, 60, 60, 120, 240])
  })

  it('with nothing on, pain alone asks for pain relief and everything else for a call', () => {
    const off = { on: false }
    expect(judge([legRound(0, { restPain: 8 })], off)[0]).to.deep.include({ level: 'urgent', actions: ['pain-relief'] })
    expect(judge([legRound(0, { pulse: 'absent' })], off)[0]?.actions[0]).to.equal('call-senior')
  })

  it('relapse: loss is judged against the best state seen since', () => {
    const told = { told: [{ atMin: 1, to: 'Dr Sorrel Vane' }] }
    expect(levels(judge([legRound(0, stillToe), legRound(15, weakToe), legRound(30, stillToe)], told))).to.deep.equal([
      'urgent',
      'known',
      'urgent',
    ])
    expect(levels(judge([legRound(0, stillToe), legRound(15), legRound(30, weakToe)], told))).to.deep.equal(['urgent', 'none', 'urgent'])
  })

  it('worse than at the first look is new, also when it is told only then', () => {
    const late = { told: [{ atMin: 20, to: 'Dr Sorrel Vane' }] }
    const partial = { atMin: 25, limbs: [{ limb: 'leg', side: 'left', restPain: 3 }] }
    expect(levels(judge([legRound(0, weakToe), legRound(15, stillToe), partial], late))).to.deep.equal(['urgent', 'urgent', 'urgent'])
    const told = { told: [{ atMin: 1, to: 'Dr Sorrel Vane' }] }
    expect(levels(judge([legRound(0, weakToe), legRound(15, stillToe)], told))).to.deep.equal(['urgent', 'urgent'])
  })

  it('refill of 5 s at first and told, then 3 s: review, and known after the second quiet round', () => {
    const told = { told: [{ atMin: 1, to: 'Dr Sorrel Vane' }] }
    const after = judge(
      [legRound(0, { refillS: 5 }), legRound(10, { refillS: 5 }), legRound(20, { refillS: 3 }), legRound(40, { refillS: 3 })],
      told,
    )
    expect(levels(after)).to.deep.equal(['urgent', 'urgent', 'review', 'known'])
  })

  it('a warning at the first round is a warning, two are a review; unchanged they are known', () => {
    const tingling = { feeling: { tibial: 'tingling' } }
    expect(levels(judge([legRound(0, tingling), legRound(15, tingling)]))).to.deep.equal(['warn', 'known'])
    expect(levels(judge([legRound(0, { ...tingling, pulse: 'weak' })]))).to.deep.equal(['review'])
  })

  it('red is no better pale', () => {
    expect(levels(judge([legRound(0, { colour: 'pale' }), legRound(15, { colour: 'red' })]))).to.deep.equal(['warn', 'warn'])
    expect(levels(judge([legRound(0, { colour: 'pale' }), legRound(15, { colour: 'pale' })]))).to.deep.equal(['warn', 'known'])
  })
})

describe('a senior’s decision', () => {
  const broken = [legRound(0), ...[15, 30, 100].map((atMin) => legRound(atMin, { skin: 'broken' }))]
  const pulseless = [legRound(0), ...[15, 30, 100].map((atMin) => legRound(atMin, { pulse: 'absent' }))]
  const decision = { atMin: 20, by: 'Dr Sorrel Vane', limb: 'leg', side: 'left', item: 'skin', untilMin: 90 }

  it('leaves a limb without pulse only at the bedside, and for half an hour', () => {
    const pulse = { ...decision, item: 'pulse' }
    const far = judge(pulseless, { seniorDecisions: [pulse] }, ['out-of-range seniorDecisions/0'])
    expect(far[2]?.standing[0]?.state).to.equal('open')
    const near = judge(pulseless, { seniorDecisions: [{ ...pulse, atBedside: true }] })
    expect(near.map((round) => round.standing[0]?.state)).to.deep.equal([undefined, 'open', 'settled until 50', 'open'])
    expect(judge(pulseless, { seniorDecisions: [{ ...pulse, atBedside: 'yes' }] }, ['format seniorDecisions/0/atBedside'])).to.have.length(
      4,
    )
  })

  it('covers what it saw: pain one higher stays left, two higher alarms; another finding does', () => {
    const pain = (atMin: number, restPain: number, more: Limb = {}) => legRound(atMin, { restPain, ...more })
    const left = { seniorDecisions: [{ ...decision, item: 'restPain', atBedside: true, untilMin: 50 }] }
    const state = (after: readonly PrintedRound[], id: string) => after[2]?.standing.find((item) => item.id === id)?.state
    expect(state(judge([pain(0, 3), pain(15, 7), pain(30, 8)], left), 'leg-left/restPain')).to.equal('settled until 50')
    expect(state(judge([pain(0, 3), pain(15, 7), pain(30, 9)], left), 'leg-left/restPain')).to.equal('open')
    expect(state(judge([pain(0, 3), pain(15, 7), pain(30, 7, { pulse: 'absent' })], left), 'leg-left/pulse')).to.equal('open')
  })

  it('settles what stays urgent until its time, and no longer', () => {
    const after = judge(broken, { seniorDecisions: [decision] })
    expect(after.map((round) => round.standing[0]?.state)).to.deep.equal([undefined, 'open', 'settled until 90', 'open'])
    expect(levels(after)).to.deep.equal(['none', 'urgent', 'urgent', 'urgent'])
  })

  it('holds four hours at most, and says so', () => {
    const after = judge(
      [...broken, legRound(259, { skin: 'broken' }), legRound(260, { skin: 'broken' })],
      { seniorDecisions: [{ ...decision, untilMin: 900 }] },
      ['out-of-range seniorDecisions/0/untilMin'],
    )
    expect(after.map((round) => round.standing[0]?.state).slice(3)).to.deep.equal(['settled until 260', 'settled until 260', 'open'])
  })

  it('counts in the very minute in which it is made: minutes since the epoch are too many for a very small part of one', () => {
    const read = readCheck({ format: 'zesty-wren/check', version: 1, case: ankleCase(), rounds: broken.slice(0, 3) })
    for (const since of [0, 29_900_000]) {
      const input = {
        clinicalCase: read.clinicalCase!,
        rounds: read.rounds.map((round) => ({ ...round, atMin: round.atMin + since })),
        situationAt: () => wearing('break'),
        startMin: since,
        isAtRisk: false,
        decisions: [{ atMin: since + 30, by: 'Dr Sorrel Vane', part: 'leg-left' as const, item: 'skin', untilMin: since + 60 }],
      }
      expect(
        [29, 30, 60].map((at) => findingsAfterRounds(input, since + at).findings[0]?.state),
        `from ${since}`,
      ).to.deep.equal(['open', 'settled', 'open'])
    }
  })

  it('is cut by the core too, whoever hands it over', () => {
    const read = readCheck({ format: 'zesty-wren/check', version: 1, case: ankleCase(), rounds: broken })
    const long = { atMin: 20, by: 'Dr Sorrel Vane', part: 'leg-left' as const, item: 'skin', untilMin: 900 }
    const input = {
      clinicalCase: read.clinicalCase!,
      rounds: read.rounds,
      situationAt: () => wearing('break'),
      startMin: 0 as const,
      isAtRisk: false,
      decisions: [long],
    }
    expect([259, 260].map((nowMin) => findingsAfterRounds(input, nowMin).findings[0]?.state)).to.deep.equal(['settled', 'open'])
  })

  it('has no effect without a name, on an item that is not urgent, or beside the item', () => {
    for (const [change, problems] of [
      [{ by: '' }, ['format seniorDecisions/0/by']],
      [{ item: 'refill' }, ['out-of-range seniorDecisions/0']],
      [{ item: 'toes' }, ['format seniorDecisions/0/item']],
      [{ untilMin: 20 }, ['out-of-range seniorDecisions/0/untilMin']],
    ] as const) {
      const after = judge(broken, { seniorDecisions: [{ ...decision, ...change }] }, [...problems])
      expect(after[2]?.standing[0]?.state).to.equal('open')
    }
  })

  it('ends at once when it gets worse than it was settled', () => {
    const rounds = [legRound(0), legRound(15, { refillS: 4.5 }), legRound(30, { refillS: 5 })]
    const after = judge(rounds, { seniorDecisions: [{ ...decision, item: 'refill', atBedside: true }] })
    expect(after[2]?.standing[0]?.state).to.equal('open')
  })
})

describe('warnings', () => {
  it('kept from an earlier round count toward two, and a review of two ends by a look', () => {
    const partial = (atMin: number, change: Limb): object => ({ atMin, limbs: [{ limb: 'leg', side: 'left', ...change }] })
    const after = judge([legRound(0), legRound(15, { tight: true }), partial(20, { pulse: 'weak' }), partial(25, { tight: false })])
    expect(levels(after)).to.deep.equal(['none', 'warn', 'review', 'warn'])
  })

  it('of what cannot be assessed never count toward two', () => {
    const blind = { cannotAssess: true, reason: 'nerve block' }
    const after = judge([legRound(0), legRound(15, { tight: true, swelling: blind })], { patientFlags: ['nerve-block'] })
    expect(levels(after)).to.deep.equal(['none', 'warn'])
  })

  it('pain after analgesia is judged in this round and in the next', () => {
    const dose = { analgesia: true }
    expect(levels(judge([legRound(0), { ...legRound(15), ...dose }, legRound(30, { restPain: 6 })])).at(-1)).to.equal('urgent')
    expect(levels(judge([legRound(0), { ...legRound(15), ...dose }, legRound(30), legRound(45, { restPain: 6 })])).at(-1)).to.equal('warn')
  })

  it('slow refill that is no slower than on the sound side asks to warm and repeat', () => {
    const sound = { ...legRound(15, { refillS: 2.5 }).limbs[1]!, refillS: 3.5 }
    const pair = (refillS: number) => ({ atMin: 15, limbs: [legRound(15, { refillS }).limbs[0]!, sound] })
    expect(judge([legRound(0), pair(2.5)])[1]?.findings.filter((finding) => finding.part === 'leg-left')).to.deep.include({
      part: 'leg-left',
      item: 'refill',
      side: 'left',
      level: 'none',
      code: 'warm-repeat',
      text: 'Capillary refill 2.5 s, no slower than the other side: warm and repeat',
    })
  })

  it('without a sound side only the first round is compared with', () => {
    const alone = { patientFlags: [], flags: ['no-sound-side'] }
    const one = (atMin: number, change: Limb = {}): object => ({ atMin, limbs: [legRound(0, change).limbs[0]!] })
    const cool = judge([one(0, { warmth: 'cool' }), one(15, { warmth: 'cool' }), one(30, { warmth: 'cold' })], alone)
    expect(levels(cool)).to.deep.equal(['none', 'none', 'warn'])
    expect(cool.every((round) => round.complete)).to.equal(true)
    expect(levels(judge([one(0), one(15, { refillS: 2.5 })], alone))).to.deep.equal(['none', 'warn'])
  })

  it('signs that were asked and are gone end; a round that did not ask leaves them', () => {
    const after = judge([legRound(0), legRound(15, { also: ['smell'] }), legRound(30), legRound(45, { also: [] })])
    expect(levels(after)).to.deep.equal(['none', 'warn', 'warn', 'none'])
  })
})

describe('two rounds of one minute', () => {
  it('count together, the worse governing, whichever comes first in the file', () => {
    const pair = [legRound(15, { pulse: 'absent' }), legRound(15)]
    for (const order of [pair, [...pair].reverse()]) {
      const after = judge([legRound(0), ...order])
      expect(levels(after)).to.deep.equal(['none', 'urgent', 'urgent'])
      expect(stand(after[1])).to.deep.equal(stand(after[2]))
    }
  })
})

describe('what a check file says wrongly', () => {
  it('is a problem, and counts as not looked at', () => {
    const [, second] = judge([legRound(0), { ...legRound(15, { refillS: '>4', pulse: 'maybe', bruise: true }), restPain: 3 }], {}, [
      'format rounds/1/restPain',
      'unknown-field rounds/1/limbs/0/bruise',
      'format rounds/1/limbs/0/refillS',
      'format rounds/1/limbs/0/pulse',
    ])
    expect(second?.missing).to.deep.equal(['leg-left/refill', 'leg-left/pulse'])
  })

  it('a round without the injured limb is incomplete, and a problem', () => {
    const [, second] = judge([legRound(0), { atMin: 15, limbs: [legRound(0).limbs[1]!] }], {}, ['missing rounds/1/limbs'])
    expect(second).to.deep.include({ complete: false, missing: ['leg-left'] })
  })

  it('told and decisions name who and what', () => {
    judge([legRound(0)], { told: [{ atMin: 1, to: ' ' }, { to: 'Dr Vane' }, { atMin: 2, to: 'Dr Vane', items: ['pulse'] }] }, [
      'format told/0/to',
      'format told/1/atMin',
      'format told/2/items/0',
    ])
  })
})
