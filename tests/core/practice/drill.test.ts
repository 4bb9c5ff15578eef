import { expect } from 'chai'
import fc from 'fast-check'
import { drawBodies } from '#core/practice/drill/draw-body'
import { startDrill, walkMinutes } from '#core/practice/drill/drill'
import type { DrillState, Move } from '#core/practice/drill/drill-state'
import { finishDrill, replayDrill } from '#core/practice/drill/finish-drill'
import { bodyAtStart, nextMinute, pressureOf, type BodyState } from '#core/practice/drill/hidden-body'
import { checkMinutes, checksNow, checksOf } from '#core/practice/drill/bed-checks'
import { judgeBed, roundsOf, standBed } from '#core/practice/drill/judge-bed'
import { findNight, nights, type Night } from '#core/practice/drill/nights'
import { playNight, players, type Player } from '#core/practice/drill/players'
import { scoreDrill } from '#core/practice/drill/score-drill'
import { showFindings } from '#core/practice/drill/show-findings'
import { defaultProtocol } from '#core/quantities/defaults'
import { isLong } from '../../harness/long'

const usual = findNight('usual')
if (!usual) throw new Error('no night')
/** Few beds and much to find, so that many nights are soon played. */
const short: Night = { ...usual, beds: 5, hours: 6, tightShare: 0.4 }
const calm: Night = { ...usual, tightShare: 0, slipShare: 0, hangShare: 0, refuseShare: 0 }
const tight: Night = { ...usual, tightShare: 1, beds: 6, sleepShare: 0 }
const seedOf40 = '1234567890'.repeat(4)
/** In the mean of 50 with `--long`. */
const nightsPlayed = isLong ? 50 : 12

/** States of a body minute by minute. */
function course(
  night: Night,
  seed: string,
  bed: number,
  change: (body: ReturnType<typeof drawBodies>[number]) => ReturnType<typeof drawBodies>[number] = (one) => one,
) {
  const body = change(drawBodies(night, seed, defaultProtocol)[bed]!)
  const states: BodyState[] = [bodyAtStart(body, defaultProtocol)]
  for (let atMin = 1; atMin <= night.hours * 60; atMin++) states.push(nextMinute(body, states.at(-1)!, atMin, defaultProtocol))
  return { body, states }
}
const seeds = fc.string({ minLength: 1, maxLength: 40 })

describe('the hidden body', () => {
  it('shows nothing that has no cause, at any minute, to whoever wakes them or not', () => {
    fc.assert(
      fc.property(seeds, fc.nat(calm.beds - 1), fc.nat(calm.hours * 60), fc.boolean(), (seed, bed, atMin, wakes) => {
        const { body, states } = course(calm, seed, bed)
        const looks = [-60, atMin].map((at) => ({
          atMin: at,
          ...(at < 0 ? { baseline: true } : {}),
          limbs: showFindings(body, states[Math.max(0, at)]!, at, seed, at < 0 || wakes).limbs,
        }))
        // Swelling may go up a grade without the device being tight: that alone is no alarm.
        const standing = standBed(calm, body, { rounds: looks, responses: [], calls: [], checks: [], openedAtMin: null })
        const found = standing.verdicts.at(-1)?.findings ?? []
        expect(found.filter((finding) => finding.level === 'urgent')).to.deep.equal([])
        // Who sleeps cannot be asked, and that stands; a device that is filling feels tight.
        if (!wakes) return
        const isFilling = (states[atMin]?.feltKPa ?? 0) > 3
        const warned = found.filter((finding) => finding.level === 'warn' && finding.code !== 'swelling-up' && finding.item !== 'skin')
        expect(warned.filter((finding) => !(finding.item === 'tight' && isFilling))).to.deep.equal([])
      }),
      { numRuns: isLong ? 300 : 40 },
    )
  })

  it('is never better off with more swelling: pressure, load, pain', () => {
    fc.assert(
      fc.property(seeds, fc.nat(tight.beds - 1), fc.double({ min: 1, max: 1.6, noNaN: true }), (seed, bed, more) => {
        const less = course(tight, seed, bed)
        const swollen = course(tight, seed, bed, (body) => ({ ...body, growthMax: body.growthMax * more, hitchKPa: body.hitchKPa * more }))
        less.states.forEach((state, atMin) => {
          expect(swollen.states[atMin]!.pressureKPa).to.be.at.least(state.pressureKPa - 1e-9)
          expect(swollen.states[atMin]!.loadMin).to.be.at.least(state.loadMin - 1e-9)
        })
      }),
      { numRuns: isLong ? 200 : 25 },
    )
  })

  it('is always relieved by opening, and by a senior more', () => {
    fc.assert(
      fc.property(seeds, fc.nat(tight.beds - 1), fc.nat(tight.hours * 60), (seed, bed, atMin) => {
        const { body, states } = course(tight, seed, bed)
        const state = states[atMin]!
        const open = pressureOf(body, { ...state, isOpen: true }, defaultProtocol)
        expect(open).to.be.at.most(state.pressureKPa + 1e-9)
        if (state.pressureKPa > 1.3) expect(open).to.be.below(state.pressureKPa)
        expect(pressureOf(body, { ...state, isRelieved: true }, defaultProtocol)).to.be.at.most(Math.max(0.8, open))
      }),
      { numRuns: isLong ? 300 : 60 },
    )
  })

  it('shows a limb that runs out of room before movement goes, and asleep it tells nothing', () => {
    const roomy = drawBodies(tight, 'gannet', defaultProtocol).findIndex((drawBody) => drawBody.room !== null)
    const { body, states } = course(tight, 'gannet', roomy)
    const first = (test: (state: BodyState, atMin: number) => boolean): number => states.findIndex(test)
    const stretchMin = first((state, atMin) => showFindings(body, state, atMin, 'gannet', true).limbs[0]?.stretchPain === true)
    const weakMin = first((state, atMin) =>
      Object.values(showFindings(body, state, atMin, 'gannet', true).limbs[0]?.movement ?? {}).includes('weak'),
    )
    expect(stretchMin).to.be.greaterThan(0)
    expect(weakMin === -1 || weakMin > stretchMin).to.equal(true)
    const sleeper = { ...body, asleep: [{ fromMin: 0, toMin: 999 }] }
    const shown = showFindings(sleeper, states[0]!, 5, 'gannet', false)
    expect(shown.isAsleep).to.equal(true)
    expect(shown.limbs[0]?.restPain).to.deep.equal({ cannotAssess: true, reason: 'asleep' })
    expect(showFindings(sleeper, states[0]!, 5, 'gannet', true).isAsleep).to.equal(false)
  })
})

describe('a night of the drill', () => {
  it('is the same to the minute from its seed and its moves, with a seed of 40 digits too', () => {
    for (const seed of ['plover', seedOf40]) {
      const { end, moves } = playNight('by-list', short, seed, defaultProtocol)
      const again = replayDrill(short, seed, JSON.parse(JSON.stringify(moves)) as Move[], defaultProtocol)
      expect(again.log).to.deep.equal(end.log)
      expect(again.beds.map((bed) => [bed.history, bed.tally, bed.record.rounds])).to.deep.equal(
        end.beds.map((bed) => [bed.history, bed.tally, bed.record.rounds]),
      )
    }
    const other = `${seedOf40.slice(0, -1)}1`
    expect(drawBodies(short, seedOf40, defaultProtocol)).to.not.deep.equal(drawBodies(short, other, defaultProtocol))
  })

  it('has six nights, from quiet to bad, of 4 to 20 beds over 4 to 12 hours', () => {
    expect(nights).to.have.length(6)
    for (const { beds, hours } of nights) {
      expect(beds).to.be.within(4, 20)
      expect(hours).to.be.within(4, 12)
    }
    expect(findNight('noon')).to.equal(null)
  })

  it(`is played best by who knows the truth, then by the list, then by who never looks, in the mean of ${nightsPlayed} seeds`, () => {
    const sums: Record<Player, number> = { never: 0, 'by-list': 0, perfect: 0 }
    for (let seed = 0; seed < nightsPlayed; seed++) {
      const ends = Object.fromEntries(
        players.map((player) => [player, playNight(player, short, String(seed), defaultProtocol).end]),
      ) as Record<Player, DrillState>
      for (const one of players) sums[one] += scoreDrill(ends[one], ends.perfect).score
    }
    expect(sums['by-list'] / nightsPlayed).to.be.greaterThan(sums.never / nightsPlayed + 5)
    expect(sums.perfect / nightsPlayed).to.be.greaterThan(sums['by-list'] / nightsPlayed + 5)
  }).timeout(60_000)

  it('scores 100 − 12 H − 4 U − 3 N − L, and never below 0', () => {
    const tally = (aboveMin: number, unanswered = 0, needless = 0, late = 0) => ({ aboveMin, unanswered, needless, late })
    const state = (...tallies: readonly ReturnType<typeof tally>[]): DrillState => ({
      ...startDrill(short, 'x', defaultProtocol).state(),
      beds: tallies.map((one) => ({ tally: one }) as DrillState['beds'][number]),
    })
    const perfect = state(tally(0), tally(30))
    // 90 and 20 min above, of which the perfect player had 0 and 30: 1.5 h could have been spared.
    expect(scoreDrill(state(tally(90, 1, 2, 5), tally(20, 1)), perfect)).to.deep.equal({
      avoidableH: 1.5,
      unanswered: 2,
      needless: 2,
      late: 5,
      score: 100 - 18 - 8 - 6 - 5,
    })
    expect(scoreDrill(state(tally(9_000), tally(0)), perfect).score).to.equal(0)
    expect(finishDrill(short, 'tern', [], defaultProtocol).perfect.avoidableH).to.equal(0)
  })

  const drillOf = (night: Night, seed: string) => startDrill(night, seed, defaultProtocol)
  it('counts an opening as needless where nothing was urgent and there was room until morning', () => {
    const drill = drillOf(calm, 'tern')
    drill.apply({ kind: 'open', bed: 1, atMin: 5 })
    drill.apply({ kind: 'open', bed: 1, atMin: 60 })
    expect(drill.state().beds[0]?.tally.needless).to.equal(1)
    const needed = drillOf(tight, 'tern')
    const bed = needed.state().beds.findIndex((one) => one.body.room !== null) + 1
    expect(needed.limitPassedAt(bed)).to.not.equal(null)
    needed.apply({ kind: 'open', bed, atMin: 5 })
    expect(needed.state().beds[bed - 1]?.tally.needless).to.equal(0)
  })

  it('counts what was shown as urgent and not answered within 15 minutes, once, and not what was', () => {
    const play = (answersAfterMin: number | null): DrillState => {
      const drill = drillOf(tight, 'tern')
      const bed = drill.state().beds.findIndex((one) => one.body.room !== null) + 1
      for (let atMin = 30; atMin < tight.hours * 60 && drill.state().beds[bed - 1]?.look?.isUrgent !== true; atMin += 20)
        drill.apply({ kind: 'look', wakes: true, bed, atMin })
      expect(drill.state().beds[bed - 1]?.look?.isUrgent).to.equal(true)
      if (answersAfterMin !== null) drill.apply({ kind: 'call', bed, atMin: drill.state().atMin + answersAfterMin })
      drill.apply({ kind: 'look', wakes: true, bed, atMin: drill.state().atMin + 5 })
      drill.advanceTo(tight.hours * 60)
      return drill.state()
    }
    const unanswered = (state: DrillState): number => state.beds.reduce((sum, one) => sum + one.tally.unanswered, 0)
    expect([unanswered(play(2)), unanswered(play(30)), unanswered(play(null))]).to.deep.equal([0, 1, 1])
  })

  it('never counts an opening as needless where something urgent was just shown, also after the call; a call beforehand answers nothing', () => {
    const drill = drillOf(tight, 'tern')
    const bed = drill.state().beds.findIndex((one) => one.body.room !== null) + 1
    const now = () => drill.state().beds[bed - 1]
    drill.apply({ kind: 'call', bed, atMin: 1 })
    for (let atMin = 30; atMin < tight.hours * 60 && now()?.look?.isUrgent !== true; atMin += 20)
      drill.apply({ kind: 'look', wakes: true, bed, atMin })
    expect(now()?.look?.isUrgent).to.equal(true)
    drill.apply({ kind: 'call', bed, atMin: drill.state().atMin })
    drill.apply({ kind: 'open', bed, atMin: drill.state().atMin })
    expect(now()?.tally.needless).to.equal(0)
  })

  it('counts rounds later than their grace, and judges what was written by the judgement of life', () => {
    const drill = drillOf(calm, 'tern')
    drill.advanceTo(calm.hours * 60)
    expect(drill.state().beds.reduce((sum, one) => sum + one.tally.late, 0)).to.be.greaterThan(5)
    const other = drillOf(calm, 'tern')
    other.apply({ kind: 'look', bed: 1, wakes: true, atMin: 10 })
    const { look } = other.state().beds[0]!
    const [injured, sound] = look!.limbs
    other.apply({ kind: 'record', bed: 1, analgesia: false, atMin: other.state().atMin, limbs: [{ ...injured!, pulse: 'absent' }, sound!] })
    const bed = other.state().beds[0]!
    const standing = judgeBed(calm, bed.body, bed.record)
    expect(standing.level).to.equal('urgent')
    expect(standing.actions.map((action) => action.id)).to.include('call-and-open')
  })

  it('takes its time for everything: walking, looking, opening a cast longer than a slab', () => {
    expect([walkMinutes(0, 1), walkMinutes(3, 3), walkMinutes(1, 20)]).to.deep.equal([1, 0, 3])
    const took = (move: Move): number => {
      const drill = drillOf({ ...calm, beds: 20 }, 'tern')
      drill.apply(move)
      return drill.state().atMin - move.atMin
    }
    expect(took({ kind: 'look', bed: 1, wakes: false, atMin: 10 })).to.equal(4)
    expect(took({ kind: 'raise', bed: 1, atMin: 10 })).to.equal(2)
    const many = { ...calm, beds: 20 }
    const beds = drillOf(many, 'tern').state().beds
    const bedOf = (technique: string): number => beds.findIndex((bed) => bed.body.technique.id === technique) + 1
    const [cast, slab] = [bedOf('leg-cast'), bedOf('leg-slab')]
    expect(took({ kind: 'open', bed: cast, atMin: 10 })).to.be.greaterThan(took({ kind: 'open', bed: slab, atMin: 10 }))
    expect(() => drillOf(calm, 'tern').apply({ kind: 'raise', bed: 99, atMin: 1 })).to.throw(RangeError, 'There is no bed 99')
  })

  it('brings who is called and relieves, lets who hurts ring, and sets right what slipped', () => {
    const drill = drillOf(tight, 'tern')
    drill.apply({ kind: 'call', bed: 1, atMin: 200 })
    drill.advanceTo(260)
    expect(drill.state().log.some((entry) => entry.kind === 'senior' && entry.bed === 1)).to.equal(true)
    drill.advanceTo(tight.hours * 60)
    expect(drill.state().log.some((entry) => entry.kind === 'rings')).to.equal(true)
    const slips: Night = { ...calm, slipShare: 1, beds: 20 }
    const other = drillOf(slips, 'tern')
    const bed = other.state().beds.findIndex((one) => one.body.slipAtMin !== null) + 1
    other.advanceTo((other.state().beds[bed - 1]?.body.slipAtMin ?? 0) + 1)
    expect(other.state().beds[bed - 1]?.state.isSlipped).to.equal(true)
    other.apply({ kind: 'cord', bed, atMin: other.state().atMin })
    expect(other.state().beds[bed - 1]?.state.isSlipped).to.equal(false)
  })

  const pulled: Night = { ...usual, beds: 12, slipShare: 1, sleepShare: 0 }
  /** A drill and one of its beds that is held by a pull. */
  const pulledBed = () => {
    const drill = drillOf(pulled, 'tern')
    const bed = drill.state().beds.findIndex((one) => one.body.room === null) + 1
    expect(bed).to.be.greaterThan(0)
    return { drill, bed, now: () => drill.state().beds[bed - 1]! }
  }

  it('owes ring, skin and weight checks by the plan of the bed, done by the shift before up to its end', () => {
    const { drill, bed, now } = pulledBed()
    const owed = checksOf(pulled, now().body, now().record)
    expect(new Set(owed.map((check) => check.kind))).to.deep.equal(new Set(['care', 'weights']))
    // However long it has been on: nothing is left over from before the night.
    for (const { body, record } of drill.state().beds)
      for (const { dueMin } of checksOf(pulled, body, record)) expect(dueMin).to.be.at.least(0)
    const [first] = owed
    drill.advanceTo(first!.dueMin)
    const before = drill.state().atMin
    const expectedMin = checkMinutes(checksNow(pulled, now().body, now().record, before + walkMinutes(0, bed)), defaultProtocol)
    drill.apply({ kind: 'check', bed, atMin: before })
    expect(drill.state().atMin).to.equal(before + walkMinutes(0, bed) + expectedMin)
    expect(checksOf(pulled, now().body, now().record)[0]!.dueMin).to.be.greaterThan(first!.dueMin)
    expect(now().tally.late).to.equal(0)
  })

  it('counts a check later than its grace once, and finds a cord that has slipped', () => {
    const { drill, bed, now } = pulledBed()
    drill.advanceTo(now().body.slipAtMin! + 1)
    const due = checksOf(pulled, now().body, now().record).filter(({ dueMin, graceMin }) => dueMin + graceMin < drill.state().atMin)
    const lateBefore = now().tally.late
    drill.apply({ kind: 'check', bed, atMin: drill.state().atMin })
    expect(now().tally.late - lateBefore).to.be.at.least(due.length)
    const later = now().tally.late
    const weights = checksOf(pulled, now().body, now().record).find((check) => check.kind === 'weights')!
    drill.advanceTo(weights.dueMin)
    drill.apply({ kind: 'check', bed, atMin: drill.state().atMin })
    expect(drill.state().log.some((entry) => entry.kind === 'check' && entry.text.includes('the weight stands on the floor'))).to.equal(
      true,
    )
    expect(now().tally.late).to.be.at.least(later)
  })

  it('asks for rounds as the ward does: 5 and 15 minutes after an opening, and by the list again from there', () => {
    const drill = drillOf(tight, 'tern')
    const bed = drill.state().beds.findIndex((one) => one.body.room !== null) + 1
    const now = () => drill.state().beds[bed - 1]!
    drill.apply({ kind: 'open', bed, atMin: 5 })
    const openedMin = now().record.openedAtMin!
    const due = roundsOf(tight, now().body, now().record, defaultProtocol).map(
      (round) => (round.dueAt - Date.parse(tight.beginsAt)) / 60_000,
    )
    expect(due.slice(0, 2)).to.deep.equal([openedMin + 5, openedMin + 15])
    expect(Math.min(...due)).to.be.greaterThan(openedMin)
  })

  it('can be ended at any minute: every count goes up to there, for the computed players too', () => {
    const { moves } = playNight('by-list', short, 'tern', defaultProtocol)
    const untilMin = 140
    const some = moves.filter((move) => move.atMin < untilMin)
    const drill = drillOf(short, 'tern')
    for (const move of some) drill.apply(move)
    drill.end()
    const ended = drill.state()
    expect(ended.isOver).to.equal(true)
    const again = replayDrill(short, 'tern', some, defaultProtocol, ended.atMin)
    expect(again.beds.map((bed) => bed.tally)).to.deep.equal(ended.beds.map((bed) => bed.tally))
    drill.advanceTo(short.hours * 60)
    drill.apply({ kind: 'raise', bed: 1, atMin: 300 })
    expect(drill.state().atMin).to.equal(ended.atMin)
    const outcome = finishDrill(short, 'tern', some, defaultProtocol, ended.atMin)
    expect(outcome.perfect.avoidableH).to.equal(0)
    expect(outcome.score).to.deep.equal(scoreDrill(again, playNight('perfect', short, 'tern', defaultProtocol, ended.atMin).end))
    expect(finishDrill(short, 'tern', [], defaultProtocol, 0).score.score).to.equal(100)
  })
})
