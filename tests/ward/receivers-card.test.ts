import { expect } from 'chai'
import fc from 'fast-check'
import { codeTexts, mostCodeBytes, qrModules } from '#ward/story/qr-modules'
import { cardLines, receiversCard } from '#ward/story/receivers-card'
import { foldEpisode } from '#contract/events/fold'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { planFile } from '../harness/cases/leg-slab-cases'
import { bothLegs } from '../../src/server/demo/findings'

const at = (iso: string): string => iso.slice(11, 16)
const plan = planFile(exampleOf('frame-traction'))

describe('the receiver’s card', () => {
  const { event, stayAfter, caseAfter, ms } = foldStay({
    technique: 'frame-traction',
    injury: { region: 'thigh', side: 'left', pattern: 'femoral-shaft-fracture', flags: ['fresh', 'open'], swelling: 'marked' },
    isOn: false,
  })
  const round = (atMin: number, change: object, isBaseline: boolean) =>
    event('round', { cases: ['c1'], isBaseline, outcome: 'done', reason: '', findings: { ...bothLegs('left'), ...change } }, atMin)
  const pulling = plan.procedure.steps.find((step) => step.pull)?.id ?? ''
  const stay = stayAfter(
    event('flags', { flags: ['anticoagulated', 'diabetes'] }, 1),
    event('asked', { injuryId: null, questions: ['latex-allergy'] }, 1),
    round(5, {}, true),
    round(30, { analgesia: true, vital: { systolic: 92, 'heart-rate': 118 } }, false),
    round(50, {}, false),
  )
  const record = caseAfter(
    event('plan', { plan }, 2),
    event('run-started', { runId: 'r1', plan }, 3),
    ...plan.procedure.steps
      .slice(0, plan.procedure.steps.findIndex((step) => step.id === pulling) + 1)
      .map((step, index) => event('step', { runId: 'r1', stepId: step.id, outcome: 'done', reason: '' }, 6 + index)),
    event('pull', { runId: 'r1', stepId: pulling, kg: 7, painBefore: 8, painAfter: 3, isEqualLength: true, tool: 'scale' }, 28),
    event('note', { text: 'ketamine 20 mg at 10:12' }, 29),
  )
  const card = (of = stay) => receiversCard(record, of, plan, ms(55), at)
  const section = (title: string, of = stay): readonly string[] => card(of).sections.find((one) => one.title === title)?.lines ?? []

  it('says who, what happened, what to be careful of, and what nobody has asked', () => {
    expect(card().who).to.match(/^Hale Brannock, birth date not known, number not known/)
    expect(section('What happened')[0]).to.match(/^LEFT thigh, femoral shaft fracture, fresh.*swelling marked$/)
    expect(section('Careful')).to.deep.equal(['Adhesive allergy: not asked', 'Latex allergy: no', 'Blood thinners: YES', 'Diabetes'])
    expect(section('Wound')).to.deep.equal(['Open wound: YES'])
  })

  it('says what is on as built, with the pull and at what it was taken, and who holds what', () => {
    const [worn, ...more] = section('On the body')
    expect(worn).to.match(/^LEFT thigh: Frame traction splint, on since 10:\d\d, its steps not finished$/)
    expect(more).to.include('put on by Ada').and.to.include('pull 7 kg, where the pain eased (10:28)')
  })

  it('tells pulse and feeling before, after and now apart, with the vital signs, drugs and notes as they were entered', () => {
    const felt = section('Pulse and feeling')
    expect(felt.map((line) => line.split(' (')[0])).to.deep.equal(['before', 'after', 'now'])
    expect(felt[0]).to.include('pulse present').and.to.include('feeling normal').and.not.include('right')
    expect(section('Vital signs').join())
      .to.match(/pressure 92|92/)
      .and.to.include('(10:30)')
    expect(section('Drugs')[0]).to.include('10:30')
    expect(section('What happened').join('\n')).to.include('ketamine 20 mg at 10:12')
  })

  it('says how far the hand-over has come', () => {
    expect(section('Hand-over')).to.deep.equal(['Neither side has said it yet.'])
    const given = foldEpisode(stay, 'e1', event('patient-given', { to: 'Resus 2', told: [] }, 56))
    expect(section('Hand-over', given)).to.deep.equal(['Ada gave over to Resus 2, 10:56'])
  })

  it('goes into codes whole, and what is too long for one is cut into several that say which they are', () => {
    const lines = cardLines(card())
    const texts = codeTexts(lines)
    const joined = texts.map((text) => text.replace(/^Part \d+ of \d+\n/, '')).join('\n')
    for (const line of lines) expect(joined.replaceAll('\n', ' ')).to.include(line)
    for (const text of texts) expect(() => qrModules(text)).not.to.throw()
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme', maxLength: 900 }), { maxLength: 6 }), (given) => {
        const made = codeTexts(given)
        expect(made.length).to.be.at.least(1)
        for (const text of made) expect(new TextEncoder().encode(text).length).to.be.at.most(mostCodeBytes)
        const letters = (text: string): string => text.replace(/[\s]/g, '')
        const back = made.map((text) => (made.length > 1 ? text.slice(text.indexOf('\n') + 1) : text)).join('')
        expect(letters(back)).to.equal(letters(given.join('')))
      }),
      { numRuns: 60 },
    )
  })
})
