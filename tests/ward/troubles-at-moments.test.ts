import { expect } from 'chai'
import { runningClocks, runningHold, setPart } from '#ward/case/run-clocks'
import { standingOf } from '#ward/standing/standing-of-case'
import { firstAction } from '#core/model/standing'
import type { Trouble } from '#core/model/trouble'
import { isColumnRegion } from '#core/model/vocabulary'
import type { CaseRecord } from '#contract/records/case'
import { techniques } from '#core/techniques/registry'
import { troublesOf, wrongSideId } from '#core/techniques/shared/any-troubles'
import { foldStay } from '../harness/cases/fold-stay'

const moments = ['soft', 'set', 'on', 'opened'] as const
const rank = ['urgent', 'review', 'warn', 'none']
const clockIds = ['set', 'hold']

/** A case of a technique at a moment, and what is done with it there. */
function at(technique: (typeof techniques)[number], moment: (typeof moments)[number]) {
  const region = technique.regions[0]!
  const side = isColumnRegion(region) ? null : ('left' as const)
  const inRun = moment === 'soft' || moment === 'set'
  const folded = foldStay({ technique: technique.id, injury: { region, side }, isOn: !inRun })
  const { event, caseAfter, ms, stay } = folded
  const runId = 'r1'
  const before = inRun
    ? [
        event('run-started', { runId, device: 'd' }, 0),
        event('timer', { runId, timerId: 'set', label: 'Setting', minutes: 6, kind: 'set' }, 2),
        event('timer', { runId, timerId: 'hold', label: 'Hold', minutes: 6, kind: 'hold', until: 'mould' }, 2),
      ]
    : moment === 'opened'
      ? [event('opened', {}, 30)]
      : []
  const troubleMin = moment === 'soft' ? 3 : moment === 'set' ? 20 : 60
  const press = ({ id, label }: Trouble, min = troubleMin) =>
    event('trouble', { runId: inRun ? runId : null, stepId: inRun ? 'mould' : null, troubleId: id, label, note: '' }, min)
  const standing = (record: CaseRecord, min = troubleMin + 1) => standingOf(record, stay, null, ms(min))
  return { before, press, caseAfter, standing, troubleMin, ms, inRun }
}

for (const technique of techniques)
  describe(`${technique.id}: every trouble, while soft, set, on and opened`, () => {
    for (const moment of moments) {
      const { before, press, caseAfter, standing, troubleMin, ms, inRun } = at(technique, moment)
      const troubles = troublesOf(technique.troubles)
      const quiet = standing(caseAfter(...before))

      it(`${moment}: asks for something to be done, the first line first`, () => {
        for (const trouble of troubles) {
          expect(trouble.actions.length, trouble.id).to.be.greaterThan(0)
          for (const line of trouble.actions) expect(line, trouble.id).to.match(/^[A-Z].{8,}[.!?]$/s)
          const now = standing(caseAfter(...before, press(trouble)))
          if (trouble.level !== 'urgent' || trouble.id === wrongSideId) continue
          expect(now.level, trouble.id).to.equal('urgent')
          expect(firstAction(now)?.text ?? '', trouble.id).to.not.equal('')
        }
      })
      it(`${moment}: stands as high as it is, until it is ended; what is worth nothing leaves nothing`, () => {
        for (const trouble of troubles) {
          const now = standing(caseAfter(...before, press(trouble)))
          if (trouble.id === wrongSideId) continue
          const added = now.items.filter((item) => !quiet.items.some(({ id, level }) => id === item.id && level === item.level))
          if (trouble.level === 'none') expect(added, trouble.id).to.deep.equal([])
          else {
            const worst = Math.min(...added.map((item) => rank.indexOf(item.level)).filter((place) => place >= 0))
            expect(worst, `${trouble.id}: ${added.map((item) => `${item.id} ${item.level}`).join()}`).to.be.at.most(
              rank.indexOf(trouble.level),
            )
          }
        }
      })
      if (moment === 'soft' || moment === 'on')
        it(`${moment}: no trouble takes away what an earlier one left standing, nor answers what it asked`, () => {
          const urgent = troubles.filter((trouble) => trouble.level === 'urgent' && trouble.id !== wrongSideId)
          for (const first of urgent) {
            const pressed = press(first, troubleMin - 1)
            const alone = standing(caseAfter(...before, pressed))
            for (const second of troubles.filter((trouble) => trouble !== first)) {
              const both = standing(caseAfter(...before, pressed, press(second)))
              const ids = both.items.map((item) => item.id)
              for (const item of alone.items.filter((one) => one.level === 'urgent'))
                expect(ids, `${first.id} then ${second.id}`).to.include(item.id)
              expect(both.actions.some((action) => action.response !== null)).to.equal(false)
            }
          }
        })
      if (inRun)
        it(`${moment}: its clocks go on, but those that it says are over`, () => {
          for (const trouble of troubles) {
            const run = caseAfter(...before, press(trouble)).runs.at(-1)!
            expect(
              run.timers.map(({ id, endedAt }) => [id, endedAt]),
              trouble.id,
            ).to.deep.equal(clockIds.map((id) => [id, undefined]))
            const ends = runningClocks(run, trouble.endsClocks ?? [], ms(troubleMin))
            expect(ends, trouble.id).to.deep.equal(trouble.id === 'setting-early' && moment === 'soft' ? ['set'] : [])
            expect(runningHold(run, { id: 'mould' }, ms(troubleMin)) !== null, trouble.id).to.equal(moment === 'soft')
            expect(setPart(run, ms(troubleMin)) >= 0.8, trouble.id).to.equal(moment === 'set')
          }
        })
    }
  })
