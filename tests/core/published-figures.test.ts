import { expect } from 'chai'
import type { Plan } from '#core/model/plan'
import { exampleOf, techniqueIds } from './example-cases'
import { decisionOf, planFile } from './leg-slab-cases'

const gravity = 9.81
const degrees = 180 / Math.PI

/** What each published example must come to, worked from its readings by hand. */
const figures: Readonly<Record<string, Readonly<Record<string, number | string | readonly number[] | null>>>> = {
  'leg-slab': { 'slab-width': 20, 'slab-layers': 10, 'set-time': 5, 'cure-time': 48, 'ankle-angle': 90, 'least-crew': 2 },
  'slab-and-stirrup': { 'slab-width': 15, 'stirrup-width': 10, 'stirrup-length': 72, 'set-time': 4, 'cure-time': 20 },
  'volar-slab': {
    'slab-length': 25.5,
    'slab-width': 10,
    'end-slant': Math.atan(3 / 10) * degrees,
    'stockinette-length': 1.5 * 25.5,
    'slab-layers': 12,
    'set-time': 3,
  },
  'leg-cast': {
    'knee-angle': 18,
    'cast-layers': 7,
    'rolls-lower': 5,
    'rolls-thigh': 3,
    rolls: 5 + 3,
    'opening-time': 60,
    'room-hours': null,
  },
  'cast-opening': { earliest: 60, latest: 120, 'room-gained': (0.6 * 1.5) / (2 * Math.PI) },
  'extrication-collar': { setting: 4.8, 'oxygen-route': 'under-side-hooks' },
  'care-collar': { 'next-care': 24, 'strap-balance': 0.3, people: 4, turn: 'roll' },
  'trunk-shell': { size: 'shell 3', overlap: Math.min(3.2, 3.6), 'top-clearance': 0.7, 'sit-rise': 1.8 - 0.7, verdict: 'keep', people: 2 },
  'seated-vest': { setting: 4.8, fits: 'vest, adult', 'head-pad': 2.5, 'leg-straps': 'crossed' },
  'ring-traction': { ring: 'ring E', 'splint-length': 80 + 15, pads: 5, traction: 5, 'side-high': 'outer' },
  'suspended-ring-traction': {
    'splint-length': 79 + 20,
    gutter: 79 + 5,
    strips: 2 * (79 + 87) + 30,
    traction: 5,
    counterweight: 5,
    'cord-tension': 5 * gravity,
    'ring-pressure': 0,
  },
  'pole-traction': { load: 7, 'convert-by': 120 },
  'frame-traction': { load: 7, 'convert-by': 120, loading: 'head-first' },
  'hinged-knee-brace': {
    'upper-bar': (42 * 2) / 3,
    'lower-bar': (39 * 2) / 3,
    'strap-trim-1': 64 - 52 - 8,
    'strap-trim-2': 58 - 44 - 8,
    'extension-stop': 0,
    'flexion-stop': 60,
    lock: 'open',
    pistoning: Math.hypot(0.6, 0.4),
  },
  'walker-boot': { size: 'boot 4', 'toe-margin': 26.3 - 25.2, 'other-shoe-raise': 4.1 - 2.4 },
}

describe('published examples, figure by figure', () => {
  it('stand here for every technique', () => expect(Object.keys(figures)).to.have.members([...techniqueIds]))

  for (const [technique, expected] of Object.entries(figures)) {
    describe(technique, () => {
      let plan: Plan
      before(() => {
        plan = planFile(exampleOf(technique))
      })

      for (const [id, value] of Object.entries(expected)) {
        it(`${id} is ${typeof value === 'number' ? Number(value.toFixed(2)) : String(value)}`, () => {
          const decision = decisionOf(plan, id)
          if (typeof value === 'number') expect(decision.value).to.be.closeTo(value, 1e-9)
          else expect(decision.value).to.deep.equal(value)
        })
      }

      it('says every figure in words, with working that names its inputs', () => {
        for (const decision of plan.decisions) {
          expect(decision.display, decision.id).to.match(/\S/)
          expect(decision.display, decision.id).not.to.match(/NaN|undefined|null|Infinity/)
          expect(decision.formula, decision.id).to.match(/\S/)
          for (const line of decision.working) {
            expect(line.label, decision.id).to.match(/\S/)
            if (typeof line.value === 'number') expect(Number.isFinite(line.value), `${decision.id}: ${line.label}`).to.equal(true)
          }
        }
      })

      it('words model results as estimates, and promises nothing', () => {
        for (const { id, display, source } of plan.decisions) {
          if (['peak-skin-temp', 'room', 'room-hours', 'ring-pressure', 'pressure-before', 'pressure-after'].includes(id)) {
            expect(source, id).to.equal('model')
            expect(display, id).to.include('in this estimate')
          }
        }
        const said = JSON.stringify([plan.cautions, plan.procedure.steps, plan.fit, plan.care, plan.decisions])
        expect(said).not.to.match(/\bsafe to\b|\bis safe\b|guarantee|never reached|odds it fits/i)
      })

      it('has cautions with a reason, at decisions and steps that exist', () => {
        const decisions = new Set(plan.decisions.map((one) => one.id))
        const steps = new Set(plan.procedure.steps.map((one) => one.id))
        for (const caution of plan.cautions) {
          expect(caution.text, caution.code).to.match(/\S/)
          expect(caution.why, caution.code).to.match(/\S/)
          const shown = [
            ...(caution.decisions ?? []).filter((id) => decisions.has(id)),
            ...(caution.steps ?? []).filter((id) => steps.has(id)),
          ]
          if ((caution.decisions ?? []).length + (caution.steps ?? []).length > 0) expect(shown, caution.code).not.to.deep.equal([])
        }
      })

      it('confirms identity and every check by its own button', () => {
        for (const step of plan.procedure.steps) {
          if (['identity', 'baseline', 'after-check'].includes(step.id)) expect(step.confirm, step.id).to.match(/\S/)
          const [least, likely, most] = step.minutes
          expect(least, step.id).to.be.at.most(likely)
          expect(likely, step.id).to.be.at.most(most)
        }
      })
    })
  }
})
