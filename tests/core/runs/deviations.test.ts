import { expect } from 'chai'
import fc from 'fast-check'
import { findDeviations, type StepEntry } from '#core/runs/find-deviations'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const { steps } = planFile(exampleOf('leg-slab')).procedure
const ids = steps.map((step) => step.id)
let minute = 0
const entry = (stepId: string, outcome: StepEntry['outcome'] = 'done', reason = ''): StepEntry => ({
  stepId,
  outcome,
  reason,
  at: new Date(Date.parse('2026-01-10T08:00:00Z') + 60_000 * minute++).toISOString(),
  by: 'Ada',
})
const kinds = (entries: readonly StepEntry[]): string[] =>
  findDeviations(steps, entries).map(
    (deviation) => `${deviation.kind} ${deviation.stepId}${deviation.before ? ` before ${deviation.before}` : ''}`,
  )

describe('deviations of a run', () => {
  for (const id of techniqueIds) {
    it(`${id}: there are none when its own order is kept`, () => {
      const own = planFile(exampleOf(id)).procedure.steps
      expect(
        findDeviations(
          own,
          own.map((step) => entry(step.id)),
        ),
      ).to.deep.equal([])
    })
  }

  it('are none for steps without an order between them, nor for what was not planned', () => {
    expect(kinds([entry('lay-out'), entry('explain'), entry('identity'), entry('position'), entry('baseline')])).to.deep.equal([])
    expect(
      kinds([...ids.slice(0, ids.indexOf('reduction')).map((id) => entry(id)), entry('reduction', 'skipped'), entry('mould')]),
    ).to.deep.equal([])
  })

  it('name what was passed by, with its reason', () => {
    const found = findDeviations(steps, [entry('identity'), entry('lay-out', 'skipped', 'laid out before')])
    expect(found).to.have.length(1)
    expect(found[0]).to.include({ kind: 'skipped', stepId: 'lay-out', reason: 'laid out before', by: 'Ada' })
  })

  it('name what came before its turn, once, and not again when the turn comes', () => {
    expect(kinds([entry('wet'), entry('protect')])).to.deep.equal([
      'out-of-order wet before bone-points',
      'out-of-order wet before lay-out',
      'out-of-order wet before cut-slab',
    ])
  })

  it('name what was taken back and what was done once more', () => {
    expect(kinds([entry('protect'), entry('protect', 'undone'), entry('protect')])).to.deep.equal(['taken-back protect'])
    expect(kinds([entry('protect'), entry('protect')])).to.deep.equal(['repeated protect'])
    expect(kinds([entry('protect', 'undone')])).to.deep.equal([])
  })

  it('leave out steps that the procedure does not know, and never throw', () => {
    expect(kinds([entry('from-an-older-plan')])).to.deep.equal([])
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom<StepEntry['outcome']>('done', 'skipped', 'undone')), { maxLength: 40 }),
        (drawn) => {
          const entries = drawn.map(([id, outcome]) => entry(id, outcome))
          const found = findDeviations(steps, entries)
          for (const one of found) expect(ids).to.include(one.stepId)
          expect(found.filter((one) => one.kind === 'taken-back').length).to.be.at.most(
            entries.filter((one) => one.outcome === 'undone').length,
          )
        },
      ),
      { numRuns: 200 },
    )
  })
})
