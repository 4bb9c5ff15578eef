import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import type { CaseRecord } from '#contract/records/case'
import { asBuilt, builtWords, pullWords } from '#ward/body/as-built'
import { handOverOf } from '#ward/story/hand-over'
import { handsAt } from '#core/runs/hands-at'
import { heldAt } from '#core/runs/held-at'
import { hasStepRole, onRoles } from '#core/model/step-role'
import { gripWords } from '#core/runs/grips'
import { exampleOf, techniqueIds } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { planFile } from '../harness/cases/leg-slab-cases'

const at = (iso: string): string => iso.slice(11, 16)
/** The zone is Etc/UTC and the stay begins at 10:00. */
const lived = (technique: string) => {
  const folded = foldStay({ technique, isOn: false })
  const plan = planFile(exampleOf(technique))
  const begun = [folded.event('plan', { plan }, 1), folded.event('run-started', { runId: 'r1', plan }, 2)]
  const step = (id: string, atMin: number, outcome = 'done'): FoldableEvent =>
    folded.event('step', { runId: 'r1', stepId: id, outcome, reason: '' }, atMin)
  return { ...folded, plan, steps: plan.procedure.steps, begun, step }
}

describe('what is on the body', () => {
  for (const technique of techniqueIds.filter((id) => id !== 'cast-opening'))
    it(`${technique}: after each step what a simple body holds: on from the first step that puts something on, held what holds span`, () => {
      const { plan, steps, begun, step, caseAfter, stay, ms } = lived(technique)
      let onSince: number | null = null
      steps.forEach((one, index) => {
        const done = steps.slice(0, index + 1).map(({ id }, place) => step(id, 3 + place))
        if (onSince === null && hasStepRole(one, ...onRoles)) onSince = 3 + index
        const record = caseAfter(...begun, ...done)
        const built = asBuilt(record, stay, ms(4 + index))
        expect(built.onSince, one.id).to.equal(onSince === null ? null : new Date(ms(onSince)).toISOString())
        expect(built.state, one.id).to.equal(onSince === null ? 'not-on' : 'being-put-on')
        const next = steps[index + 1]
        const held = next ? heldAt(steps, next).filter(({ what }) => steps.findIndex(({ holds }) => holds?.what === what) <= index) : []
        expect(
          built.held.map(({ what }) => what),
          one.id,
        ).to.deep.equal(held.map(({ what }) => what))
        // Who holds is never said of a place where no hand is at work.
        const places = next ? handsAt(steps, next).map((place) => gripWords(place, plan.geometry.body)) : []
        const changed = steps.flatMap(({ holds }) => holds?.changes ?? []).map(({ place }) => gripWords(place, plan.geometry.body))
        for (const { where } of built.held) expect([...places, ...changed], one.id).to.include(where)
        expect(handOverOf(record, stay, ms(4 + index), null).built, 'the hand-over reads the same').to.deep.equal(built)
      })
    })

  const frame = lived('frame-traction')
  const { steps, begun, step, caseAfter, event, stay, ms } = frame
  const pulling = steps.findIndex((one) => one.pull)
  const until = (place: number): readonly FoldableEvent[] => steps.slice(0, place + 1).map(({ id }, index) => step(id, 3 + index))
  const built = (record: CaseRecord, atMin = 60) => asBuilt(record, stay, ms(atMin))

  it('a frame that was left after the pull is on, with its pull, and says that its steps are not finished', () => {
    const left = caseAfter(
      ...begun,
      ...until(pulling),
      event(
        'pull',
        { runId: 'r1', stepId: steps[pulling]?.id, kg: 7, painBefore: 8, painAfter: 3, isEqualLength: false, tool: 'scale' },
        40,
      ),
    )
    const now = built(left)
    expect(builtWords(now, at)).to.match(/^on since 10:\d\d, its steps not finished$/)
    expect(now.pulls.map(pullWords)).to.deep.equal(['pull 7 kg, where the pain eased'])
    expect(now.pulls[0]).to.include({ how: 'read', by: 'Ada' })
  })

  it('a pull that was taken and not read is as planned; one that was taken back is none', () => {
    const unread = built(caseAfter(...begun, ...until(pulling))).pulls
    expect(unread.map(({ how }) => how)).to.deep.equal(['as planned'])
    expect(unread.map(pullWords)[0]).to.include('as planned, not read')
    expect(unread[0]?.at, 'since the step that takes it').to.equal(new Date(ms(3 + pulling)).toISOString())
    const back = caseAfter(...begun, ...until(pulling), step(steps[pulling]?.id ?? '', 50, 'undone'))
    expect(built(back).pulls).to.deep.equal([])
  })

  it('what was planned or ordered and never done is not on', () => {
    expect(built(caseAfter(...begun, event('ordered', { ordered: { pull: { by: 'Otto', at: '', kg: 5 } } }, 5)))).to.include({
      state: 'not-on',
      onSince: null,
    })
    expect(builtWords(built(caseAfter(...begun)), at)).to.equal('not on yet')
  })

  it('off is off, whatever was on', () => {
    const off = caseAfter(...begun, ...until(pulling), event('removed', { reason: 'in theatre', skin: 'intact', movement: 'free' }, 50))
    expect(built(off)).to.include({ state: 'off' })
    expect(builtWords(built(off), at)).to.equal('off')
    expect(built(off).pulls, 'what is off pulls nothing').to.deep.equal([])
  })

  it('a cast that was cut is open, and one that was only eased says so', () => {
    const cast = foldStay({ technique: 'leg-cast' })
    const opening = (role: 'opens' | 'eases') =>
      cast.caseAfter(
        cast.event(
          'run-started',
          {
            runId: 'r2',
            technique: 'cast-opening',
            isOpenNow: true,
            plan: { ...planFile(exampleOf('cast-opening')), procedure: { steps: [{ id: 'x', roles: [role] }] } },
          },
          30,
        ),
        cast.event('step', { runId: 'r2', stepId: 'x', outcome: 'done', reason: '' }, 31),
      )
    expect(asBuilt(opening('opens'), cast.stay, cast.ms(40)).state).to.equal('open')
    expect(builtWords(asBuilt(opening('eases'), cast.stay, cast.ms(40)), at)).to.equal('on since 10:00, eased')
  })
})
