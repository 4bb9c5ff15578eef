import { expect } from 'chai'
import type { Caution } from '#core/model/plan'
import { saidLines } from '#core/runs/said-lines'
import { speakable, spokenStep } from '#core/runs/spoken-step'
import { openNowPlan } from '#core/techniques/open-now-plan'
import { techniques } from '#core/techniques/registry'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const caution = (level: Caution['level'], text: string, steps: readonly string[]): Caution => ({
  level,
  code: text,
  text,
  why: '',
  decisions: [],
  steps,
})

describe('a step as it is read aloud', () => {
  it('says a stop before the step, and its cautions after it; nothing of other steps', () => {
    const said = spokenStep({ id: 'lay', text: 'Lay the slab.' }, 4, [
      caution('note', 'Keep it flat.', ['lay']),
      caution('caution', 'Hot over 42 °C.', ['lay']),
      caution('stop', 'Call first.', ['lay']),
      caution('stop', 'Not here.', ['wet']),
      { ...caution('caution', 'Set aside.', ['lay']), overruled: { reason: 'seen', by: 'Ada Finch', at: '' } },
    ])
    expect(said).to.deep.equal(['Stop. Call first.', 'Step 4. Lay the slab.', 'Note. Keep it flat.', 'Caution. Hot over 42 degrees.'])
  })

  it('says headline and lines one by one, with who does what is another’s', () => {
    const step = {
      id: 'roll',
      headline: 'Rolled',
      text: 'Rolled. Turn. Keep them there.',
      lines: [
        { id: 'turn', act: 'turn' as const, by: 'shoulder' as const, text: 'Turn.' },
        { id: 'hold', act: 'hold' as const, by: 'you' as const, text: 'Keep them there.' },
      ],
    }
    expect(spokenStep(step, 2, [])).to.deep.equal(['Step 2. Rolled.', 'At the shoulder: Turn.', 'Keep them there.'])
  })

  it('never leaves unsaid what a text says beside its lines', () => {
    const lines = [{ id: 'look', act: 'look' as const, by: 'you' as const, text: 'Look.' }]
    expect(saidLines({ headline: 'Looked', text: 'Limb down. Looked. Look.', lines })).to.deep.equal({
      headline: 'Limb down. Looked. Look.',
      lines: [],
    })
    expect(saidLines({ text: 'Look.', lines: [{ ...lines[0]!, isUncut: true as const }] })).to.deep.equal({ headline: 'Look.', lines: [] })
  })

  for (const technique of techniques)
    it(`${technique.id}: opened at once, no line of any step is less than its text, and a limb is laid down`, () => {
      const { clinicalCase } = readCase(exampleOf(technique.id))
      const worn = planCase(clinicalCase!, testContext())!
      for (const region of ['lower-leg', 'neck'] as const) {
        const { steps } = openNowPlan(worn, technique, { injury: { ...clinicalCase!.injury, region } }).procedure
        for (const step of steps) {
          const { headline, lines } = saidLines(step)
          const said = lines.length === 0 ? headline : [`${headline}.`, ...lines.map(({ text }) => text)].join(' ')
          expect(said, step.id).to.equal(step.text)
        }
        const isLimb = technique.onUrgent.holds === 'break' || technique.onUrgent.holds === 'pull'
        expect(
          steps.some(({ text }) => text.includes('Limb down to heart level, not above it.')),
          region,
        ).to.equal(isLimb)
      }
    })

  it('says units and signs in words', () => {
    expect(speakable('Cut 49 cm at 90°, wet 5 min, pull 7 kg (69 N), 2 × 10 cm, 2–3 h, 60 %')).to.equal(
      'Cut 49 centimetres at 90 degrees, wet 5 minutes, pull 7 kilos (69 newtons), 2 times 10 centimetres, 2 to 3 hours, 60 percent',
    )
    expect(speakable('Lay it in, then mind 4 in all.')).to.equal('Lay it in, then mind 4 in all.')
  })

  for (const id of techniqueIds) {
    it(`${id}: no step says a unit as letters`, () => {
      const plan = planCase(readCase(exampleOf(id)).clinicalCase!, testContext())!
      plan.procedure.steps.forEach((step, index) => {
        const said = spokenStep(step, index + 1, plan.cautions).join(' ')
        expect(said).to.not.match(/\d\s*(cm|kg|°|kPa|mmHg|min)\b|\d °/)
        expect(said).to.include(`Step ${index + 1}.`)
      })
    })
  }
})
