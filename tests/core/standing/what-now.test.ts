import { expect } from 'chai'
import type { ActionId } from '#core/model/action'
import { dangers, type Danger } from '#core/model/danger'
import { isGrave, reviewActions, whatNow, type Situation, type StandingDanger } from '#core/standing/what-now'
import { wearing } from '../../harness/cases/situations'

const about = (danger: Danger, change: Partial<StandingDanger> = {}): StandingDanger => ({ danger, part: null, item: null, ...change })
const now = (situation: Situation, ...standing: readonly (Danger | StandingDanger)[]): readonly ActionId[] =>
  whatNow(
    standing.map((one) => (typeof one === 'string' ? about(one) : one)),
    situation,
  )
const bare = wearing('break', { on: null })
const alone = { people: 1 }
const child = { isChild: true }
const bare1 = (change: Partial<Situation>): Situation => ({ ...bare, ...change })
const leg = (danger: Danger, item: string | null = null): StandingDanger => about(danger, { part: 'leg-left', item })

describe('what now, one danger: its row', () => {
  const closed = 'call-and-open open-to-skin ease-bend heart-level blood-pressure again-5 again-15 nil-by-mouth surgical-30'
  const rows: readonly (readonly [what: string, situation: Situation, danger: StandingDanger, actions: string])[] = [
    ['arrest in a collar or vest', wearing('head'), about('arrest'), 'compress call-senior airway breathe-for open-front'],
    ['arrest in a shell, alone', wearing('spine', alone), about('arrest'), 'call-senior open-front compress airway breathe-for'],
    ['arrest with a cast', wearing('break'), about('arrest'), 'compress call-senior airway breathe-for'],
    ['a child’s arrest', wearing('spine', child), about('arrest'), 'airway breathe-for compress call-senior open-front'],
    ['a child’s arrest, alone', bare1({ ...child, ...alone }), about('arrest'), 'call-senior airway breathe-for compress'],
    ['vomiting', wearing('head'), about('vomiting'), 'turn-in-line suction call-senior oxygen'],
    ['vomiting, alone', wearing('spine', alone), about('vomiting'), 'turn-in-line suction call-senior'],
    ['breath in a collar or vest', wearing('head'), about('breathing'), 'hold-head call-senior airway open-collar-held oxygen again-5'],
    ['the same, alone', wearing('head', alone), about('breathing'), 'airway call-senior hold-head open-collar-held oxygen again-5'],
    ['breath in a shell', wearing('spine'), about('breathing'), 'in-line as-breathes open-front call-senior oxygen again-5'],
    ['breath with a cast', wearing('break'), about('breathing'), 'as-breathes oxygen call-senior'],
    ['breath with nothing on', bare, about('breathing'), 'as-breathes oxygen call-senior'],
    ['breath too slow, alone', bare1(alone), about('slow-breathing'), 'wake airway call-senior breathe-for oxygen stop-opioids'],
    ['breath in a shell, alone', wearing('spine', alone), about('breathing'), 'call-senior in-line as-breathes open-front oxygen again-5'],
    ['new confusion, alone', bare1(alone), about('mind'), 'call-senior airway oxygen sugar'],
    ['breath too slow', bare, about('slow-breathing'), 'wake airway breathe-for oxygen call-senior stop-opioids'],
    ['the cord in a collar', wearing('head'), about('cord'), 'hold-head call-senior nothing-opened breathing blood-pressure again-15'],
    ['the cord in a shell', wearing('spine'), about('cord'), 'in-line call-senior nothing-opened breathing blood-pressure again-15'],
    [
      'the cord, upright',
      wearing('spine', { posture: 'upright' }),
      about('cord'),
      'flat-in-line call-senior nothing-opened breathing blood-pressure again-15',
    ],
    ['a pulse in a cast', wearing('break'), leg('limb', 'pulse'), closed],
    ['a pulse in a cast, alone', wearing('break', alone), leg('limb', 'pulse'), closed],
    ['pain in a cast, before analgesia', wearing('break'), leg('pain', 'restPain'), closed],
    ['a pulse, nothing on', bare, leg('limb', 'pulse'), 'call-senior in-line heart-level blood-pressure again-5'],
    ['the other leg', wearing('break'), about('limb', { part: 'leg-right' }), 'call-senior in-line heart-level blood-pressure again-5'],
    ['pain alone, nothing on', bare, leg('pain', 'restPain'), 'pain-relief'],
    [
      'a pulse in traction',
      wearing('pull'),
      leg('limb', 'pulse'),
      'call-senior compare-both ease-pull check-again open-to-skin off-in-line blood-pressure',
    ],
    ['a foot that drops in traction', wearing('pull'), leg('limb', 'movement/deep-peroneal'), 'free-point call-senior'],
    ['pressure', wearing('pull'), about('circulation'), 'lie-flat look-for-bleeding call-senior oxygen pressure-5'],
    ['new confusion', bare, about('mind'), 'airway oxygen sugar call-senior'],
    ['the pull lost', wearing('pull'), about('pull-lost'), 'hands-on-pull set-again check-again again-15'],
    ['a point presses', wearing('break'), about('point'), 'ease-point again-30'],
    ['skin broken in a collar', wearing('head'), about('skin'), 'hold-head uncover call-senior'],
    ['skin broken in a shell', wearing('spine'), about('skin'), 'in-line uncover call-senior'],
    ['skin broken in traction', wearing('pull'), about('skin'), 'hands-on-pull uncover call-senior'],
    ['a burn under plaster: off now, and nothing is pulled', wearing('break'), about('burn'), 'uncover cool-water call-senior'],
    ['a burn where a pull is held', wearing('pull'), about('burn'), 'hands-on-pull uncover cool-water call-senior'],
    ['a burn where a head is held', wearing('head'), about('burn'), 'hold-head uncover cool-water call-senior'],
    ['a trouble with steps of its own', wearing('break'), about('own'), 'as-trouble call-senior again-15'],
  ]
  for (const [what, situation, danger, actions] of rows) {
    it(what, () => expect(now(situation, danger).join(' ')).to.equal(actions))
  }

  it('knows every danger with everything that can be on, alone and by two', () => {
    for (const danger of dangers)
      for (const on of ['head', 'spine', 'pull', 'break', null] as const)
        for (const people of [1, 2]) {
          const situation = on === null ? { ...bare, people } : wearing(on, { people })
          const actions = now(situation, danger)
          expect(actions.length, `${danger} with ${on}`).to.be.greaterThan(0)
          expect(new Set(actions).size, `${danger} with ${on}: ${actions.join()}`).to.equal(actions.length)
        }
  })
})

describe('what now, several dangers', () => {
  it('puts the head first, then the second person’s call, then the airway', () => {
    expect(now(wearing('head'), 'cord', 'breathing').slice(0, 5)).to.deep.equal([
      'hold-head',
      'call-senior',
      'airway',
      'open-collar-held',
      'oxygen',
    ])
  })
  it('lets breathing beat "open nothing" and "lie flat"', () => {
    const actions = now(wearing('head'), 'cord', 'breathing', 'circulation')
    expect(actions).to.not.include.members(['nothing-opened'])
    expect(actions).to.not.include('lie-flat')
    expect(now(wearing('head', { posture: 'upright' }), 'cord', 'breathing')[0]).to.equal('hold-head')
  })
  it('never opens a collar for the cord alone', () => {
    expect(now(wearing('head'), 'cord', 'circulation', 'mind')).to.not.include('open-collar-held')
  })
  it('opens a cast before anything of the circulation, and calls once', () => {
    const actions = now(wearing('break'), leg('limb', 'pulse'), 'circulation')
    expect(actions.slice(0, 2)).to.deep.equal(['call-and-open', 'open-to-skin'])
    expect(actions).to.include.members(['look-for-bleeding', 'oxygen'])
    expect(actions).to.not.include('call-senior')
  })
  it('looks for bleeding and eases the pull together where a leg in traction has no pulse and the pressure is low', () => {
    const actions = now(wearing('pull'), leg('limb', 'pulse'), 'circulation')
    expect(actions.slice(0, 4)).to.deep.equal(['call-senior', 'compare-both', 'look-for-bleeding', 'ease-pull'])
  })
  it('takes whatever tells of the blood of both feet for the circulation, and nothing else', () => {
    for (const item of ['pulse', 'colour', 'warmth', 'refill', 'movement/tibial', 'feeling/tibial']) {
      const actions = now(wearing('pull'), leg('limb', 'pulse'), about('limb', { part: 'leg-right', item }))
      expect(actions.includes('look-for-bleeding'), item).to.equal(!item.includes('/'))
    }
  })
  it('is grave where an airway, a cord, a pulse or a closed limb is', () => {
    const other = about('limb', { part: 'leg-right', item: 'movement/tibial' })
    for (const danger of dangers.filter((one) => one !== 'limb'))
      for (const on of ['head', 'spine', 'pull', 'break'] as const)
        expect(isGrave(about(danger), wearing(on)), danger).to.equal(
          ['arrest', 'breathing', 'slow-breathing', 'vomiting', 'cord'].includes(danger),
        )
    expect(isGrave(leg('limb', 'pulse'), wearing('pull'))).to.equal(true)
    expect(isGrave(leg('limb', 'pulse'), bare)).to.equal(true)
    expect(isGrave(leg('limb', 'movement/tibial'), wearing('break')), 'closed round it').to.equal(true)
    expect(isGrave(leg('limb', 'movement/tibial'), wearing('pull')), 'a pull can be eased').to.equal(false)
    expect(isGrave(other, wearing('break')), 'the other leg').to.equal(false)
    expect(isGrave(leg('limb', 'movement/tibial'), bare)).to.equal(false)
  })
  it('takes both feet without a pulse for the circulation, and draws no sound leg in line', () => {
    const other = about('limb', { part: 'leg-right', item: 'pulse' })
    const actions = now(wearing('pull'), leg('limb', 'pulse'), other)
    expect(actions.slice(0, 3)).to.deep.equal(['call-senior', 'compare-both', 'look-for-bleeding'])
    expect(actions).to.not.include('in-line')
  })
  it('keeps a hand on the pull before everything but an arrest, and sets no pull again that takes the pulse', () => {
    const actions = now(wearing('pull'), 'pull-lost', leg('limb', 'pulse'), 'circulation')
    expect(actions[0]).to.equal('hands-on-pull')
    expect(actions).to.not.include('set-again')
  })
  it('an arrest stands alone, whatever else there is and whatever is on', () => {
    for (const other of dangers)
      for (const on of ['head', 'spine', 'pull', 'break'] as const)
        for (const people of [1, 2])
          expect(now(wearing(on, { people }), other, 'arrest')).to.deep.equal(now(wearing(on, { people }), 'arrest'))
  })
  it('alone, only an airway by hand or turning who vomits comes before the call', () => {
    const mayCome = ['turn-in-line', 'suction', 'wake', 'airway']
    for (const a of dangers)
      for (const b of dangers)
        for (const on of ['head', 'spine', 'pull', 'break', null] as const) {
          const situation = on === null ? bare1(alone) : wearing(on, alone)
          const actions = now(situation, a, b)
          const call = actions.findIndex((id) => id === 'call-senior' || id === 'call-and-open')
          expect(mayCome, `${a} and ${b} with ${on}`).to.include.members(actions.slice(0, Math.max(call, 0)))
        }
  })
  it('has every action of each row once, those aside that another danger beats', () => {
    const beaten = ['set-again', 'nothing-opened', 'lie-flat', 'flat-in-line', 'as-breathes', 'call-senior', 'pain-relief']
    const beside = dangers.filter((danger) => danger !== 'arrest')
    for (const a of beside)
      for (const b of beside)
        for (const on of ['head', 'spine', 'pull', 'break'] as const) {
          const situation = wearing(on)
          const both = now(situation, a, b)
          expect(new Set(both).size).to.equal(both.length)
          // What burns comes off without a hand that pulls, whatever else is wrong with the skin.
          const isBurning = (a === 'burn' || b === 'burn') && on !== 'pull'
          const wanted = [...now(situation, a), ...now(situation, b)].filter(
            (id) => !beaten.includes(id) && !(isBurning && id === 'in-line'),
          )
          expect(both, `${a} and ${b} with ${on}`).to.include.members(wanted)
        }
  })
})

describe('a review', () => {
  it('loosens only what is closed or wrapped and holds neither pull, head nor spine', () => {
    const first = (situation: Situation) => reviewActions(situation)[0]
    expect(first(wearing('break'))).to.equal('loosen')
    for (const on of ['head', 'spine', 'pull'] as const) expect(first(wearing(on))).to.equal('senior-30')
    expect(first(bare)).to.equal('senior-30')
  })
})
