import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import { askedFlags, flagWords, isOfPatient, type AskedFlag } from '#core/model/flag-words'
import { bodyRegionOf } from '#core/model/vocabulary'
import { planCase } from '#core/techniques/plan-case'
import { rankTechniques } from '#core/techniques/rank-techniques'
import { techniques } from '#core/techniques/registry'
import { consequences, whatIf, type Question, type WhatIf } from '#core/techniques/what-if'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { ankleCase, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'

function read(file: CaseFile): ClinicalCase {
  const { clinicalCase } = readCase(file)
  if (!clinicalCase) throw new Error('the case cannot be read')
  return clinicalCase
}
const bare = (technique: string): ClinicalCase => {
  const file = exampleOf(technique)
  file.patient['flags'] = []
  file.injury['flags'] = []
  return read(file)
}
const all = (clinicalCase: ClinicalCase, questions: readonly Question[]): ReadonlyMap<Question, WhatIf> =>
  new Map(whatIf(clinicalCase, testContext(), questions).map((one) => [one.question, one]))
const withFlag = (from: ClinicalCase, flag: AskedFlag): ClinicalCase =>
  isOfPatient(flag)
    ? { ...from, patient: { ...from.patient, flags: [flag as never] } }
    : { ...from, injury: { ...from.injury, flags: [flag as never] } }

describe('what an answer would change', () => {
  it('names the worst first: a stop before a caution, a caution before more rounds, and last what changes nothing', () => {
    const answers = whatIf(read(ankleCase()), testContext(), ['kyphosis', 'sedated', 'latex-allergy', 'skin-tented', 'lives-alone'])
    expect(answers.map(({ question, consequence }) => [question, consequence])).to.deep.equal([
      ['skin-tented', 'stop'],
      ['latex-allergy', 'caution'],
      ['sedated', 'rounds'],
      ['lives-alone', 'note'],
      ['kyphosis', 'nothing'],
    ])
    expect(answers[0]!.how).to.equal('Reduce now: call.')
    expect(answers[2]!.how).to.match(/^More rounds: \d+ in place of \d+\.$/)
    expect(answers[4]!.how).to.equal('')
  })

  it('says which device would suit better', () => {
    const collar = all(bare('extrication-collar'), ['unstable', 'penetrating'])
    expect(collar.get('penetrating')!.consequence).to.equal('stop')
    const opening = all(read({ ...exampleOf('pole-traction') }), ['arterial-disease'])
    expect(opening.get('arterial-disease')!.how).to.not.equal('')
  })

  it('counts no figures: where the bone is broken moves the stiffness of a slab and nothing that anybody would do otherwise', () => {
    const from = read(ankleCase())
    expect(all(from, ['level']).get('level')!.consequence).to.equal('nothing')
    const gains = [5, 25].map((levelCm) => {
      const plan = planCase({ ...from, injury: { ...from.injury, levelCm } }, testContext())!
      return JSON.stringify(plan.decisions.map((decision) => decision.value)) + JSON.stringify(plan.geometry)
    })
    expect(gains[0]).to.not.equal(gains[1])
  })

  it('asks for the weight where a child’s leg must not be pulled', () => {
    const file = exampleOf('frame-traction')
    delete file.patient['massKg']
    expect(all(read(file), ['mass']).get('mass')!.consequence).to.equal('stop')
  })

  it('tells of swelling, position, and readings too', () => {
    const file = ankleCase()
    file.injury['swelling'] = 'none'
    file.measurements = file.measurements.filter((measurement) => measurement['id'] !== 'calf-girth')
    const answers = all(read(file), ['swelling', 'position', 'reading:calf-girth', 'reading:no-such'])
    expect(answers.get('swelling')!.consequence).to.equal('caution')
    expect(answers.get('position')!.consequence).to.equal('steps')
    expect(answers.get('reading:calf-girth')!.consequence).to.not.equal('stop')
    expect(answers.get('reading:no-such')!.consequence).to.equal('nothing')
  })

  it('makes nothing of a case whose technique is not known', () => {
    const answers = whatIf({ ...read(ankleCase()), technique: 'no-such' }, testContext(), ['open', 'swelling'])
    expect(answers.map((answer) => answer.consequence)).to.deep.equal(['nothing', 'nothing'])
  })

  for (const id of techniqueIds) {
    const from = bare(id)
    let known: ReadonlyMap<Question, WhatIf> | null = null
    const answersHere = (): ReadonlyMap<Question, WhatIf> => (known ??= all(from, askedFlags))

    it(`${id}: says of every flag just what the plan with that flag says`, () => {
      const ctx = testContext()
      const plain = planCase(from, ctx)!
      const answers = answersHere()
      expect([...answers.keys()]).to.have.members([...askedFlags])
      for (const flag of askedFlags) {
        const { consequence, how } = answers.get(flag)!
        const after = planCase(withFlag(from, flag), ctx)!
        const isStopped = after.cautions.some(
          (caution) => caution.level === 'stop' && !plain.cautions.some((each) => each.code === caution.code && each.level === 'stop'),
        )
        expect([flag, consequence === 'stop']).to.deep.equal([flag, isStopped])
        if (consequence === 'stop' || consequence === 'caution') expect(after.cautions.map((caution) => caution.text)).to.include(how)
        if (consequence === 'steps')
          expect(after.procedure.steps.map((step) => step.text).join('\n')).to.include(how.replace(/^[^:]*then: /, ''))
        expect(how === '', flag).to.equal(consequence === 'nothing')
      }
    })

    it(`${id}: what matters suits its part of the body, and what is always asked matters`, () => {
      const technique = techniques.find((one) => one.id === id)!
      const part = from.injury.region === undefined ? null : bodyRegionOf(from.injury.region)
      expect([technique.bodyRegion].flat()).to.include(part)
      for (const [question, { consequence }] of answersHere()) {
        const { parts, isAlwaysAsked } = flagWords[question as AskedFlag]
        if (['stop', 'device', 'caution', 'steps'].includes(consequence)) expect([question, ...parts]).to.include(part)
        // Seated for it, nobody lies flat.
        const isSeated = /pregnant|breathless/.test(question) && (part === 'arm' || id === 'walker-boot')
        if (isAlwaysAsked && id !== 'cast-opening' && !isSeated) expect([question, consequence]).to.not.deep.equal([question, 'nothing'])
      }
    })
  }

  it('is in order for every technique', () => {
    for (const id of techniqueIds) {
      const weights = whatIf(bare(id), testContext(), [...askedFlags, 'swelling', 'level', 'position', 'age', 'height', 'mass']).map(
        (one) => consequences.indexOf(one.consequence),
      )
      expect(weights).to.deep.equal([...weights].sort((a, b) => a - b))
    }
  })

  it('ranks as the chooser does', () => {
    const from = bare('pole-traction')
    const best = (clinicalCase: ClinicalCase): string => rankTechniques(clinicalCase, testContext())[0]!.technique.name
    const { consequence, how } = all(from, ['wound-under-device']).get('wound-under-device')!
    const after = best(withFlag(from, 'wound-under-device'))
    expect(consequence === 'device').to.equal(after !== best(from))
    if (consequence === 'device') expect(how).to.include(after)
  })
})
