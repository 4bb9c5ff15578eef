import { expect } from 'chai'
import type { Decision } from '#core/model/decision'
import { formOfPlan, isOffPlan, plannedKg } from '#core/rounds/planned-weights'
import { techniques } from '#core/techniques/registry'

const decided = (id: string, value: Decision['value']): Decision => ({ id, value }) as Decision

describe('weights as a round reads them', () => {
  const forms = techniques.flatMap(({ id, taskForms }) => Object.values(taskForms ?? {}).map((form) => ({ id, form })))
  const figures = forms.flatMap(({ form }) => form.flatMap((ask) => (ask.kind === 'figure' && ask.planned !== undefined ? [ask] : [])))

  it('are asked for where the plan hangs one, or does not decide it', () => {
    expect(figures.length).to.be.greaterThan(0)
    for (const { id, form } of forms) {
      const planned = form.flatMap((ask) => (ask.kind === 'figure' && ask.planned !== undefined ? [ask.planned] : []))
      expect(formOfPlan(form, []), id).to.deep.equal(form)
      expect(
        formOfPlan(
          form,
          planned.map((one) => decided(one, 3)),
        ),
        id,
      ).to.deep.equal(form)
      // What is not a planned weight stays, also where no weight hangs.
      expect(
        formOfPlan(
          form,
          planned.map((one) => decided(one, 0)),
        ),
        id,
      ).to.deep.equal(form.filter((ask) => ask.kind !== 'figure' || ask.planned === undefined))
    }
  })

  it('are off by more than half a kilogram and more than a tenth', () => {
    const [figure] = figures
    expect(plannedKg(figure!, [decided(figure!.planned!, 7)])).to.equal(7)
    expect(plannedKg(figure!, [decided(figure!.planned!, 'none')])).to.equal(null)
    for (const [kg, planned, isOff] of [
      [3.5, 3, false],
      [3.6, 3, true],
      [2.4, 3, true],
      [8.8, 8, false],
      [8.9, 8, true],
    ] as const)
      expect(isOffPlan(kg, planned), `${kg} of ${planned}`).to.equal(isOff)
  })
})
