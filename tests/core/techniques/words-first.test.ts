import { expect } from 'chai'
import type { Step } from '#core/model/step'
import { hasStepRole, type StepRole } from '#core/model/step-role'
import { techniques } from '#core/techniques/registry'
import { changedExample } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const touching = [
  'first-touch',
  'hold-taken',
  'first-layer',
  'lays-on',
  'wraps',
  'closes',
  'pulls',
  'moulds',
  'opens',
  'eases',
  'takes-off',
  'turns',
  'transfers',
  'lowers',
  'check-after',
] as const satisfies readonly StepRole[]

/** Whether a step touches, pulls, hugs, turns or moves the patient. */
function touches(step: Step): boolean {
  // The second roll is no surprise.
  if (/^roll-([2-9]|\d\d)$/.test(step.id)) return false
  return hasStepRole(step, ...touching) || step.onPatient === true || step.straps !== undefined || step.pull !== undefined
}

describe('words before anything touches', () => {
  for (const technique of techniques) {
    it(`${technique.name}: every step that touches, wraps, pulls, closes, turns, moves or opens says so first, by every school`, () => {
      const schools = technique.options.flatMap((option) => option.values.map((value) => ({ [option.id]: value.id })))
      for (const chosen of [{}, ...schools]) {
        const { steps } = planFile(changedExample(technique.id, (file) => void Object.assign(file.options, chosen))).procedure
        for (const step of steps.filter(touches)) expect(step.say, `${step.id} ${JSON.stringify(chosen)}`).to.match(/\S/)
      }
    })
  }
})
