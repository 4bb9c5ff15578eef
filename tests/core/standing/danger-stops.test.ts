import { expect } from 'chai'
import type { Danger, Held } from '#core/model/danger'
import type { StandingItem } from '#core/model/standing'
import type { Step } from '#core/model/step'
import type { StepRole } from '#core/model/step-role'
import { stopsOn } from '#core/runs/what-binds'
import { dangerStops } from '#core/standing/danger-stops'
import { wearing } from '../../harness/cases/situations'

const item = (danger: Danger, change: Partial<StandingItem> = {}): StandingItem => ({
  id: 'leg-left/pulse',
  from: 'round',
  level: 'urgent',
  danger,
  isCalled: true,
  text: 'Left leg: no pulse felt',
  part: 'leg-left',
  sinceMs: 0,
  alarmSinceMs: 0,
  lookedAtMs: 0,
  binds: { stages: [], steps: [] },
  state: 'open',
  settled: null,
  ends: '',
  isEndedByWord: false,
  ...change,
})
const step = (...roles: readonly StepRole[]): Step =>
  ({
    id: roles.join('+') || 'plain',
    roles,
    holds: null,
    text: '',
    why: '',
    prevents: '',
    after: [],
    hands: [],
    minutes: [1, 1, 1],
    wet: false,
    cautions: [],
    where: [],
  }) as Step
const device = (holds: Held) => wearing(holds).on!
const codes = (one: Step, holds: Held, isOn: boolean, ...items: readonly StandingItem[]): readonly string[] => {
  const situation = isOn ? wearing(holds) : wearing(holds, { on: null })
  const dangers = dangerStops(items, situation, device(holds))
  return stopsOn(one, { steps: [one], states: new Map(), cautions: [], dangers, isOpening: false }).map((each) => each.code)
}

describe('what stands speaks against steps', () => {
  const breath = item('breathing', { id: 'neck/breathing', part: 'neck', text: 'Neck: breathing: noisy' })
  const cord = item('cord', { id: 'arm-left/power/grip', part: 'arm-left', text: 'Left arm: grip: strength 2 of 5' })

  it('breathless before the collar closes: closing it is a stop, holding the head is none', () => {
    expect(codes(step('closes'), 'head', false, breath)).to.deep.equal(['danger-breathing'])
    expect(codes(step('hold-taken'), 'head', false, breath)).to.deep.equal([])
    expect(codes(step('opens'), 'head', true, breath)).to.deep.equal([])
    expect(codes(step(), 'head', true, breath)).to.deep.equal([])
  })
  it('breathless in a trunk shell: what closes it is a stop, since its front would be opened', () => {
    expect(codes(step('closes'), 'spine', true, breath)).to.deep.equal(['danger-breathing'])
    expect(codes(step('lays-on'), 'spine', false, breath)).to.deep.equal(['danger-breathing'])
  })
  it('a new loss from the cord holds a roll, a transfer and the run in hand', () => {
    for (const role of ['turns', 'transfers', 'lowers', 'closes', 'lays-on'] as const)
      expect(codes(step(role), 'head', true, cord), role).to.deep.equal(['danger-cord'])
    expect(codes(step(), 'spine', true, cord)).to.deep.equal(['danger-cord'])
    for (const role of ['hold-taken', 'check-after', 'opens'] as const)
      expect(codes(step(role), 'head', true, cord), role).to.deep.equal([])
  })
  it('a loss from the cord that was there at the first look holds up a roll and a transfer, and nothing else', () => {
    const first = { ...cord, isAsAtFirst: true }
    for (const role of ['turns', 'transfers'] as const) expect(codes(step(role), 'head', true, first), role).to.deep.equal(['danger-cord'])
    for (const role of ['hold-taken', 'closes', 'lays-on', 'wraps', 'rigid-on', 'check-after'] as const)
      expect(codes(step(role), 'head', false, first), role).to.deep.equal([])
  })
  it('no pulse before anything is on stops the first layer until a call is recorded', () => {
    const [stop] = dangerStops([item('limb')], wearing('break', { on: null }), device('break'))
    expect(stop).to.deep.include({ code: 'pulse-absent', needsCall: true, isFixed: false })
    expect(codes(step('first-layer'), 'break', false, item('limb'))).to.deep.equal(['pulse-absent'])
    expect(codes(step('pulls'), 'pull', false, item('limb'))).to.deep.equal(['pulse-absent'])
  })
  it('breath with a cast on speaks against no wrapping; a lost pulse does', () => {
    expect(codes(step('wraps'), 'break', true, breath)).to.deep.equal([])
    expect(codes(step('wraps'), 'break', true, item('limb'))).to.deep.equal(['danger-limb'])
  })
  it('pain before analgesia, what is settled and what is known speak against nothing', () => {
    expect(codes(step('wraps'), 'break', false, item('pain'))).to.deep.equal([])
    expect(codes(step('wraps'), 'break', true, item('limb', { settled: { untilMs: 9, by: 'Sorrel Vane' } }))).to.deep.equal([])
    expect(codes(step('wraps'), 'break', true, item('limb', { level: 'known' }))).to.deep.equal([])
  })
})
