import { expect } from 'chai'
import type { Step } from '#core/model/step'
import type { StepLine } from '#core/model/step-line'
import { judgeScene, type SceneQuestion } from '#core/scene/judge-scene'
import { firstUnfilled, leastPeople } from '#core/scene/least-people'
import { playScene } from '#core/scene/play-scene'
import { line, linesOf, makeStep } from '#core/techniques/shared/make-step'

const step = (id: string, lines: readonly StepLine[], more: Partial<Step> = {}): Step =>
  makeStep<string>({ id, headline: 'A step', lines, why: '', prevents: '', after: [], minutes: [1, 1, 1], ...more })
const question = (steps: readonly Step[]): SceneQuestion => ({
  plan: {
    procedure: { steps },
    geometry: {
      axes: [],
      stations: [{ id: 'calf', axis: 'leg', label: 'Calf', atCm: 30, girthCm: 36, from: 'measured' }],
      marks: [],
      bands: [],
      polygons: [],
    } as unknown as SceneQuestion['plan']['geometry'],
    fit: [],
    materials: [],
  },
  carries: [],
})
const rules = (...steps: readonly Step[]): readonly string[] =>
  judgeScene(question(steps)).map(({ rule, step: at, line: of }) => `${rule} ${at}/${of}`)
const settled = step('settle', linesOf(line('look', 'you', 'As they lie.', { moves: 'on-back' })))

describe('what the judge of a scene finds', () => {
  it('who holds and winds as well has three hands; who looks has not', () => {
    const holds = step('hold', linesOf(line('hold', 'you', 'Hold the foot.', { takes: ['foot'] })))
    const winds = step('wind', linesOf(line('look', 'you', 'Look at it.'), line('wind', 'you', 'Wind it.')))
    const down = step('down', linesOf(line('hold', 'you', 'Set it down.', { gives: [{ what: 'foot', to: 'bed' }] })))
    expect(rules(settled, holds, winds, down)).to.deep.equal(['three-hands wind/wind'])
  })

  it('a hand lies under the layer until its grip is changed, by 4 cm', () => {
    const hold = (at: string) => step('hold', linesOf(line('hold', 'foot', 'Hold it.', { takes: ['foot'], at })))
    const wind = (fromCm: number) =>
      step('wind', linesOf(line('wind', 'you', 'Wind it.', { puts: [{ layer: 'cast', axis: 'leg', fromCm, toCm: 60, passes: 1 }] })))
    const down = step('down', linesOf(line('hold', 'foot', 'Down.', { gives: [{ what: 'foot', to: 'bed' }] })))
    expect(rules(settled, hold('calf'), wind(33), down)).to.deep.equal(['grip-under-layer wind/wind'])
    expect(rules(settled, hold('calf'), wind(34), down)).to.deep.equal([])
    expect(rules(settled, hold('knee-pit'), wind(34), down), 'a place that the lane does not know').to.deep.equal([
      'grip-under-layer wind/wind',
    ])
  })

  it('who lies on the side is held there; nobody is rolled from sitting', () => {
    const turn = (more: Partial<StepLine>) => step('turn', linesOf(line('turn', 'side', 'Turn.', { moves: 'on-side', needs: 2, ...more })))
    const back = step('back', linesOf(line('turn', 'side', 'Back.', { moves: 'on-back', gives: [{ what: 'patient-on-side', to: 'bed' }] })))
    expect(rules(settled, turn({}), back)).to.deep.equal(['uncarried turn/turn', 'uncarried back/turn'])
    expect(rules(settled, turn({ takes: ['patient-on-side'] }), back)).to.deep.equal([])
    const sits = step('sit', linesOf(line('look', 'you', 'Sitting.', { moves: 'sitting' })))
    expect(rules(sits, turn({ takes: ['patient-on-side'] }), back)).to.deep.equal(['posture turn/turn'])
  })

  it('what is used is laid out with its qualifier, and what is laid out is used or spare', () => {
    const fetch = (...uses: readonly string[]) => step('fetch', linesOf(line('fetch', 'table', 'The list.', { uses })))
    const use = step('use', linesOf(line('lay', 'you', 'Lay it.', { uses: ['left half'] })))
    expect(rules(settled, fetch('half'), use)).to.deep.equal(['not-laid-out use/lay', 'not-used fetch/fetch'])
    expect(rules(settled, fetch('left half', 'tape'), use)).to.deep.equal(['not-used fetch/fetch'])
    expect(rules(settled, fetch('left half', 'spare tape'), use)).to.deep.equal([])
    expect(rules(settled, fetch('2 × left half'), use)).to.deep.equal(['not-used fetch/fetch'])
  })

  it('a ring is closed after both parts lie round', () => {
    const lay = (part: string) => step(`lay-${part}`, linesOf(line('lay', 'you', 'Lay it.', { joins: [part] })))
    const close = step('close', linesOf(line('close', 'you', 'Close it.', { joins: ['front', 'back'] })))
    expect(rules(settled, lay('front'), close, lay('back'))).to.deep.equal(['closed-before-round close/close'])
    expect(rules(settled, lay('front'), lay('back'), close)).to.deep.equal([])
  })

  it('a hold without a rest is called at its limit, a propped one at twice that; and no hand holds when all is done', () => {
    const hold = (rests: boolean) =>
      step(
        'hold',
        linesOf(line('hold', 'foot', 'Hold it.', { takes: ['foot'] }), rests && line('hold', 'foot', 'Sit down.', { rests: true })),
        { minutes: [1, 2, 3] },
      )
    const wait = (minutes: number) => step('wait', linesOf(line('look', 'you', 'Look.')), { minutes: [1, minutes, 20] })
    const down = step('down', linesOf(line('hold', 'foot', 'Down.', { gives: [{ what: 'foot', to: 'bed' }] })))
    expect(rules(settled, hold(false), wait(6), down)).to.deep.equal(['long-hold wait/look'])
    expect(rules(settled, hold(true), wait(9), down)).to.deep.equal([])
    expect(rules(settled, hold(true), wait(11), down)).to.deep.equal(['long-hold wait/look'])
    expect(rules(settled, hold(true))).to.deep.equal(['still-held hold/hold-2'])
  })

  it('more than four lines or ticks while hands are full are too long, as is a line over 70 characters', () => {
    const many = (count: number) => linesOf(...Array.from({ length: count }, () => line('look', 'you', 'Look.')))
    expect(rules(settled, step('wet', many(5), { wet: true }))).to.deep.equal(['too-long wet/null'])
    expect(rules(settled, step('dry', many(5)))).to.deep.equal([])
    expect(rules(settled, step('say', linesOf(line('say', 'you', 'x'.repeat(71)))))).to.deep.equal(['too-long say/say'])
  })
})

describe('fewest people, by search', () => {
  const hold = (by: 'foot' | 'side' | 'table', what: 'foot' | 'knee' | 'thigh') =>
    step(`hold-${by}`, linesOf(line('hold', by, 'Hold it.', { takes: [what] })))
  const letGo = (by: 'foot' | 'side' | 'table', what: 'foot' | 'knee' | 'thigh') =>
    step(`go-${by}`, linesOf(line('hold', by, 'Down.', { gives: [{ what, to: 'bed' }] })))
  const wind = step('wind', linesOf(line('wind', 'you', 'Wind it.')))

  it('posts that are never busy together are one person', () => {
    expect(leastPeople([hold('foot', 'foot'), letGo('foot', 'foot'), hold('side', 'knee'), letGo('side', 'knee'), wind])).to.equal(1)
    expect(leastPeople([hold('foot', 'foot'), wind, letGo('foot', 'foot'), hold('side', 'knee'), wind, letGo('side', 'knee')])).to.equal(2)
    expect(leastPeople([hold('foot', 'foot'), hold('side', 'knee'), wind])).to.equal(3)
  })

  it('a lift takes as many as it needs, and the first line that fails is named', () => {
    const lift = step('lift', linesOf(line('lift', 'you', 'Lift together.', { needs: 4 })))
    expect(leastPeople([wind, lift])).to.equal(4)
    const missed = firstUnfilled(playScene([wind, lift]), 3)
    expect([missed?.step.id, missed?.text, missed?.needed]).to.deep.equal(['lift', 'Lift together.', 4])
  })

  it('who leaves when what they held is down is not missed', () => {
    const steps = [hold('foot', 'foot'), wind, letGo('foot', 'foot'), step('last', linesOf(line('wind', 'you', 'Wind on.')))]
    expect(firstUnfilled(playScene(steps), 1, 'wind')?.step.id).to.equal('wind')
    expect(firstUnfilled(playScene(steps), 1, 'last')).to.equal(null)
  })
})
