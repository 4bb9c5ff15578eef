import { expect } from 'chai'
import fc from 'fast-check'
import { cordRoute, weightPlace } from '#core/figures/traction/cord-route'
import { completeRig, hangRig, type HungLimb, type RigPlan } from '#core/figures/traction/hang-rig'
import { gravity } from '#core/figures/traction/leg-masses'
import { defaultProtocol } from '#core/quantities/defaults'

/** A limb that asks for exactly so much lift where it is held. */
const limbOf = (liftN: number): HungLimb => ({
  parts: [{ massKg: liftN / gravity, atCm: 48 }],
  liftAtCm: 48,
  patientKg: 80,
  groinCm: 58,
  stripCm: 40,
})
const rigOf = (change: Partial<RigPlan> = {}): RigPlan => ({
  ...completeRig({}, { kind: 'carried-pulley', liftAtCm: 48, splintCm: 100, counterweightKg: 5, cordPullKg: 5 }, defaultProtocol),
  ...change,
})

describe('a hung limb', () => {
  it('is the worked example: 100 N, beam 100, fixed ±30', () => {
    const state = hangRig(limbOf(100), rigOf())
    expect(state.anglesDeg?.[0]).to.be.closeTo(16.7, 0.01)
    expect(state.suspensionKg).to.be.closeTo(5.32, 0.005)
    expect([state.sideN, state.hipMomentNm]).to.deep.equal([0, 0])
    expect(state.liftN).to.be.closeTo(100, 1e-9)
    expect(state.bandKg[0]).to.be.closeTo(state.suspensionKg * 0.96 ** 4, 1e-9)
  })
  it('takes the whole lift by a straight cord, in one strand', () => {
    const state = hangRig(limbOf(100), rigOf({ kind: 'straight-cord' }))
    expect(state.suspensionKg).to.be.closeTo(100 / gravity, 1e-9)
    expect(state.strandsN[1]).to.equal(0)
  })
  it('is pulled to the nearer pulley’s other side when the carried one is moved, and tips', () => {
    const weightKg = hangRig(limbOf(100), rigOf()).suspensionKg
    const footward = hangRig(limbOf(100), rigOf({ carriedAtCm: 68, suspensionKg: weightKg }))
    expect(footward.sideN, 'the strand to the head leans more').to.be.greaterThan(0)
    expect(footward.hipMomentNm, 'lifted further out it rises').to.be.lessThan(0)
    expect(footward.balanceKg).to.be.lessThan(weightKg)
  })
  it('leaves to the hip what is not lifted, and says what would restore the balance', () => {
    const state = hangRig(limbOf(100), rigOf({ suspensionKg: 3 }))
    expect(state.hipShareN).to.be.closeTo(100 - state.liftN, 1e-9)
    expect(state.hipMomentNm).to.be.closeTo((48 * (100 - state.liftN)) / 100, 1e-9)
    expect(state.balanceKg).to.be.closeTo(5.32, 0.005)
  })
  it('presses the ring with what the counterweight leaves over, and drags the skin with the whole cord', () => {
    const light = hangRig(limbOf(100), rigOf({ counterweightKg: 3 }))
    expect(light.ringLoadN).to.be.closeTo(2 * gravity, 1e-9)
    expect(light.ringKPa).to.be.closeTo((10 * 2 * gravity) / (0.35 * 58 * 3), 1e-9)
    expect(light.skinKPa).to.be.closeTo((10 * 5 * gravity) / (2 * 40 * 7.5), 1e-9)
    const eased = hangRig(limbOf(100), rigOf({ counterweightKg: 3, cordPullKg: 2 }))
    expect([eased.ringLoadN, eased.cordN]).to.deep.equal([0, 3 * gravity])
  })
  it('holds no more of the counterweight than the tilted bed and friction do', () => {
    const flat = hangRig(limbOf(100), rigOf({ counterweightKg: 5, raiseCm: 0, friction: 0 }))
    expect(flat.heldN).to.equal(0)
    expect(flat.ringLoadN, 'the patient slides, nothing pulls on the ring’s other side').to.be.closeTo(5 * gravity, 1e-9)
    const raised = hangRig(limbOf(100), rigOf({ counterweightKg: 5, raiseCm: flat.raiseCm, friction: 0 }))
    expect(raised.heldN).to.be.closeTo(5 * gravity, 1e-6)
  })
  it('balances whatever the geometry: moment nought, forces in balance with the hip', () => {
    fc.assert(
      fc.property(
        fc.record({
          beamCm: fc.double({ min: 30, max: 200, noNaN: true }),
          head: fc.double({ min: -120, max: -1, noNaN: true }),
          foot: fc.double({ min: 1, max: 120, noNaN: true }),
          carriedAtCm: fc.double({ min: 10, max: 90, noNaN: true }),
          liftN: fc.double({ min: 20, max: 200, noNaN: true }),
        }),
        ({ beamCm, head, foot, carriedAtCm, liftN }) => {
          const limb = limbOf(liftN)
          const state = hangRig(limb, rigOf({ beamCm, fixedCm: [head, foot], carriedAtCm }))
          expect(Math.abs(state.hipMomentNm)).to.be.lessThan(1e-6)
          expect(state.liftN + state.hipShareN).to.be.closeTo(liftN, 1e-6)
          const resolved = hangRig(limb, rigOf({ beamCm, fixedCm: [head, foot], carriedAtCm, suspensionKg: state.balanceKg }))
          expect(resolved.liftN).to.be.closeTo(state.liftN, 1e-6)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('the cord on this beam', () => {
  const route = cordRoute(
    { kind: 'carried-pulley', beamCm: 100, fixedCm: [-30, 30], carriedAtCm: 48, knotCm: 0, onwardCm: [150], dropCm: 60 },
    48,
    100,
  )
  it('is the worked example: over three pulleys and under one, 458.8 cm', () => {
    expect(route.stretchesCm.map((one) => Number(one.toFixed(1)))).to.deep.equal([18, 104.4, 104.4, 72, 60])
    expect(route.lengthCm).to.be.closeTo(458.8, 0.05)
    expect([route.wheels, route.lastCm]).to.deep.equal([4, 150])
    const state = hangRig(limbOf(100), rigOf({ knotCm: 0, onwardCm: [150] }))
    expect(state.bandKg[0]).to.be.closeTo(4.52, 0.005)
    expect(state.bandKg[1]).to.be.closeTo(6.26, 0.006)
  })
  it('hangs its weight beyond the leg, and clear of a bed that it hangs over', () => {
    const at = (lastCm: number, bedEndCm: number | null, dropCm = 60) => weightPlace({ beamCm: 100, dropCm, bedEndCm }, lastCm, 100, 20)
    expect(at(119, null).isOverLeg).to.equal(true)
    expect(at(120, null).isOverLeg).to.equal(false)
    expect(at(150, 160).isOnBed).to.equal(false)
    expect(at(150, 160, 105).isOnBed).to.equal(true)
    expect(at(150, 140, 105).isOnBed, 'beyond the bed nothing is under it').to.equal(false)
  })
  it('leads a straight cord on too', () => {
    const straight = cordRoute(
      { kind: 'straight-cord', beamCm: 100, fixedCm: [-30, 30], carriedAtCm: 48, knotCm: 0, onwardCm: [150], dropCm: 60 },
      48,
      100,
    )
    expect(straight.stretchesCm).to.deep.equal([100, 102, 60])
    expect(straight.wheels).to.equal(2)
  })
})
