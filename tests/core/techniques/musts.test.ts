import { expect } from 'chai'
import type { Which } from '#core/model/order-rule'
import { hasStepRole, numberedId, rolesIn } from '#core/model/step-role'
import type { Step } from '#core/model/step'
import { optionValues } from '#core/planner/technique'
import { findOrderBreaks } from '#core/runs/check-order'
import { techniques } from '#core/techniques/registry'
import { changedExample } from '../../harness/cases/example-cases'
import { planFile, testContext } from '../../harness/cases/leg-slab-cases'

const { protocol } = testContext()

/** The procedure of the example under every value of every option. */
function procedures(id: string): readonly (readonly Step[])[] {
  const technique = techniques.find((one) => one.id === id)
  const options = (technique?.options ?? []).flatMap((option) => optionValues(option, protocol).map((value) => ({ [option.id]: value.id })))
  return [{}, ...options].map((chosen) => planFile(changedExample(id, (file) => void Object.assign(file.options, chosen))).procedure.steps)
}

describe('orders that bind', () => {
  for (const { id, musts, roles } of techniques) {
    it(`${id}: each is about steps that there are, names its harm once, and the procedure itself crosses none`, () => {
      const all = procedures(id)
      // Its roles name every step that it can have.
      const isMet = (which: Which): boolean =>
        typeof which === 'string'
          ? which in roles || rolesIn(roles, which) !== undefined
          : Object.values(roles).some((has) => has.includes(which.role))
      for (const { first, then, harm } of musts) {
        expect(harm).to.match(/^[a-z].{8,}[^.]$/)
        // By id it is a step of this technique; by role it is there where it is.
        for (const which of [first, then]) if (typeof which === 'string') expect(isMet(which), which).to.equal(true)
      }
      for (const procedure of all) {
        const broken = findOrderBreaks(
          procedure,
          procedure.filter((step) => !step.optional).map((step) => step.id),
        )
        expect(broken).to.deep.equal([])
        for (const step of procedure) expect(new Set(step.musts?.map(({ before }) => before)).size).to.equal(step.musts?.length)
      }
    })
  }

  for (const { id, musts } of techniques)
    it(`${id}: none is crossed, and so dropped, by the procedure’s own order`, () => {
      for (const steps of procedures(id))
        for (const { first, then, harm } of musts) {
          const crossed = placesOf(then, steps).flatMap((at) =>
            placesOf(first, steps)
              .filter((before) => before > at)
              .map((before) => [before, at]),
          )
          // Of steps that are numbered it binds those that come after it.
          const isOfSome =
            typeof then === 'string' &&
            then.endsWith('-*') &&
            placesOf(then, steps).some((at) => placesOf(first, steps).some((before) => before < at))
          if (!isOfSome) expect(crossed, `${JSON.stringify(first)} before ${JSON.stringify(then)}: ${harm}`).to.deep.equal([])
        }
    })

  it('put the baseline before whatever lifts, pulls, moulds or closes, in each of them', () => {
    for (const { id } of techniques) {
      for (const procedure of procedures(id)) {
        for (const step of procedure) {
          if (!hasStepRole(step, 'pulls', 'moulds', 'closes', 'opens') || hasStepRole(step, 'baseline')) continue
          const before = new Set<string>()
          const gather = (one: string): void => {
            for (const next of procedure.find((each) => each.id === one)?.musts ?? []) {
              if (before.has(next.before)) continue
              before.add(next.before)
              gather(next.before)
            }
          }
          gather(step.id)
          if (procedure.some((each) => each.id === 'baseline')) expect([...before], `${id} ${step.id}`).to.include('baseline')
        }
      }
    }
  })
})

/** Where the steps stand that a rule means. */
function placesOf(which: Which, steps: readonly Step[]): readonly number[] {
  return steps.flatMap(({ id, roles }, at) =>
    (typeof which === 'string' ? id === which || numberedId(id) === which : roles.includes(which.role)) ? [at] : [],
  )
}
