import { expect } from 'chai'
import { describeHeat } from '#core/figures/heat/describe-heat'
import type { CrewInput } from '#core/model/crew-input'
import { wetTimeline } from '#core/figures/crew/wet-timeline'
import { createMemo } from '#core/model/plan-context'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

function crewOf(technique: string): CrewInput {
  const { clinicalCase } = readCase(exampleOf(technique))
  const plan = clinicalCase && planCase(clinicalCase, { ...testContext(), memo: createMemo() })
  const task = plan?.pending.find((one) => one.decision === 'least-crew')
  if (task?.decision !== 'least-crew') throw new Error(`${technique} has no wet phase`)
  return task.input
}

describe('the wet phase on a time line', () => {
  for (const technique of ['leg-slab', 'slab-and-stirrup', 'volar-slab', 'leg-cast']) {
    it(`${technique}: begins before the end of wetting, keeps its order, and spreads around what is likely`, () => {
      const input = crewOf(technique)
      const timeline = wetTimeline(input, 4)
      expect(timeline?.bars.map((bar) => bar.id)).to.have.members(input.steps.map((step) => step.id))
      const at = new Map(timeline?.bars.map((bar) => [bar.id, bar]))
      expect(at.get(input.wettingStep)?.endMin).to.be.closeTo(0, 1e-9)
      for (const step of input.steps) {
        const bar = at.get(step.id)
        expect((bar?.endMin ?? 0) - (bar?.startMin ?? 0)).to.be.closeTo(step.minutes[1], 1e-9)
        for (const before of step.after) expect(bar?.startMin).to.be.at.least((at.get(before)?.endMin ?? 0) - 1e-9)
        expect(bar?.earlyEndMin).to.be.at.most((bar?.lateEndMin ?? 0) + 1e-9)
      }
    })
  }

  it('is the same every time, and none when nobody can hold', () => {
    const input = crewOf('leg-cast')
    expect(wetTimeline(input, 4)).to.deep.equal(wetTimeline(input, 4))
    expect(wetTimeline(input, 1)).to.equal(null)
  })

  it('lays the setting curve over it: half has set at the setting time, and it only rises', () => {
    const input = crewOf('leg-slab')
    const curve = wetTimeline(input, 2)?.setCurve ?? []
    for (let index = 1; index < curve.length; index++) expect(curve[index]?.[1]).to.be.at.least(curve[index - 1]?.[1] ?? 0)
    const at = curve.find(([minute]) => minute === Math.round(input.setMin * 4) / 4)
    expect(at?.[1]).to.be.closeTo(0.5, 0.02)
    expect(curve.at(-1)?.[1]).to.be.greaterThan(0.99)
  })

  it('never ends later with one more pair of hands', () => {
    for (const technique of ['leg-slab', 'leg-cast']) {
      const input = crewOf(technique)
      const ends = [2, 3, 4].map((people) => {
        const timeline = wetTimeline(input, people)
        return timeline ? Math.max(...timeline.bars.map((bar) => bar.endMin)) : Infinity
      })
      expect(ends[1]).to.be.at.most(ends[0] ?? 0)
      expect(ends[2]).to.be.at.most(ends[1] ?? 0)
    }
  })
})

describe('heat in plain words', () => {
  const heat = { peakC: 41, peakMin: 12.5, minutesAbove44: 0, omega: 0.003 }
  const words = (change: Partial<typeof heat>, limitC = 44): string => describeHeat({ ...heat, ...change }, limitC).join(' ')

  it('is always an estimate and never promises that a limit is not reached', () => {
    for (const text of [words({}), words({ peakC: 45 }), words({ omega: 1 })]) {
      expect(text).to.include('In this estimate')
      expect(text).to.include('not a measurement')
      expect(text).not.to.match(/not reached|safe/)
    }
  })

  it('grows with what it finds: nothing, above the limit of this patient, enough to burn', () => {
    expect(words({})).to.include('The limit of this patient is 44 °C')
    expect(words({ peakC: 43 }, 42)).to.include('above the 42 °C of this patient')
    expect(words({ peakC: 49, omega: 1.4, minutesAbove44: 9 })).to.include('enough to burn')
    expect(words({ minutesAbove44: 9 })).to.include('above 44 °C for about 9 minutes')
    expect(words({ minutesAbove44: 1 })).to.include('about 1 minute.')
  })
})
