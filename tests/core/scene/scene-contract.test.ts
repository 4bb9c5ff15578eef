import { expect } from 'chai'
import { longestHeadline, longestLine } from '#core/model/step-line'
import { judgeScene } from '#core/scene/judge-scene'
import { firstUnfilled, leastPeople } from '#core/scene/least-people'
import { mutantsOf, unnoticed } from '#core/scene/mutate-scene'
import { isCut, playScene } from '#core/scene/play-scene'
import { readCase } from '#core/files/read-case'
import { workOut } from '#core/techniques/plan-case'
import { findTechnique } from '#core/techniques/registry'
import { techniqueIds, changedExample } from '../../harness/cases/example-cases'
import { cautionCodes, planFile, testContext } from '../../harness/cases/leg-slab-cases'
import { cutTechniques, optionChoices, sceneWith } from './scene-cases'

/** What is varied with each other, by technique; every other option one at a time. */
const varied: Readonly<Record<string, readonly string[]>> = {
  'leg-cast': ['extent', 'order', 'position', 'foot-hold'],
  'care-collar': ['spine-below', 'posture'],
}

describe('what the hands that are there can do', () => {
  for (const technique of cutTechniques) {
    const choices = optionChoices(technique, varied[technique] ?? [])

    it(`${technique}: in every school, position and extent the scene holds`, () => {
      for (const options of choices) {
        const question = sceneWith(technique, (file) => Object.assign(file.options, options))
        expect(isCut(question.plan.procedure.steps)).to.equal(true)
        const faults = judgeScene(question).map(({ rule, step, line, text }) => `${rule} ${step}/${line}: ${text}`)
        expect(faults, JSON.stringify(options)).to.deep.equal([])
      }
    })

    it(`${technique}: without any reading, for a child, for a heavy patient, for one who cannot be moved`, () => {
      for (const change of [
        { measurements: [] },
        { patient: { ageYears: 6, flags: [], massKg: 21 } },
        { patient: { ageYears: 41, flags: ['unresponsive'], massKg: 130 } },
        { patient: { ageYears: 41, flags: ['cannot-be-moved'], massKg: 70 } },
      ]) {
        const question = sceneWith(technique, (file) => Object.assign(file, change))
        expect(judgeScene(question), JSON.stringify(change)).to.deep.equal([])
      }
    })

    it(`${technique}: whatever is taken away from it is noticed`, () => {
      const question = sceneWith(technique)
      expect(mutantsOf(question).length).to.be.above(15)
      expect(unnoticed(question)).to.deep.equal([])
    })

    it(`${technique}: by one to six people there is a way or a stop, never silence, and what gives is said`, () => {
      for (const options of choices)
        for (const people of [1, 2, 3, 4, 5, 6]) {
          const { plan } = sceneWith(technique, (file) => {
            Object.assign(file.options, options)
            file['crew'] = { people }
          })
          const least = leastPeople(plan.procedure.steps)
          const stop = plan.cautions.find(({ code }) => code === 'nobody-holds')
          expect(stop !== undefined, `${people} of ${least}, ${JSON.stringify(options)}`).to.equal(people < least)
          if (stop) {
            expect(stop.level).to.equal('stop')
            expect(stop.text).to.match(/What helps: /)
            expect(plan.procedure.steps.map(({ id }) => id)).to.include(stop.steps[0])
          }
        }
    })

    it(`${technique}: who leaves in a step is missed there or later, or not needed any more`, () => {
      const { plan } = sceneWith(technique)
      const frames = playScene(plan.procedure.steps)
      const least = leastPeople(plan.procedure.steps)
      const missed = plan.procedure.steps.map(({ id }) => firstUnfilled(frames, least - 1, id)?.step.id ?? null)
      expect(missed[0]).to.be.a('string')
      expect(missed.at(-1)).to.equal(null)
      missed.forEach((step, at) => {
        if (step !== null) expect(plan.procedure.steps.findIndex(({ id }) => id === step)).to.be.at.least(at)
      })
    })
  }

  it('the floors of turning are those of the search: 4 uncleared, 2 cleared, one more where heavy', () => {
    const people = (spine: string, massKg: number) =>
      leastPeople(
        sceneWith('care-collar', (file) => {
          file.options['spine-below'] = spine
          file.patient['massKg'] = massKg
        }).plan.procedure.steps,
      )
    expect([people('not-cleared', 70), people('not-cleared', 130), people('cleared', 70), people('cleared', 130)]).to.deep.equal([
      4, 5, 2, 3,
    ])
  })

  it('a cast takes three, two where a chest has the foot, two for a short one, one for a short one on chest and prop', () => {
    const people = (extent: string, hold: string) =>
      leastPeople(sceneWith('leg-cast', (file) => Object.assign(file.options, { extent, 'foot-hold': hold })).plan.procedure.steps)
    expect([people('long', 'helper'), people('long', 'own-chest'), people('short', 'helper'), people('short', 'own-chest')]).to.deep.equal([
      3, 2, 2, 1,
    ])
  })

  it('too few to hold are stopped once, and not warned of besides; too slow are warned', () => {
    const codes = (people: number, waterC: number) =>
      cautionCodes(
        planFile(
          changedExample('leg-cast', (file) => {
            file['crew'] = { people }
            file['environment'] = { waterC, roomC: 21 }
          }),
        ),
      )
    expect(codes(2, 22)).to.include('nobody-holds').and.not.include('short-handed')
    expect(codes(3, 22)).not.to.include.members(['nobody-holds'])
  })

  it('of every technique: while nobody has said how many are here it is asked, and nothing is warned of by a guess', () => {
    for (const technique of techniqueIds) {
      const made = planFile(changedExample(technique, (file) => void (file['crew'] = {})))
      const codes = cautionCodes(made)
      const needed = made.decisions.filter(({ id }) => ['least-crew', 'people', 'lifters'].includes(id)).map(({ value }) => Number(value))
      expect(codes.includes('people-not-said'), technique).to.equal(needed.some((each) => each > 1))
      expect(codes, technique).not.to.include.members(['short-handed'])
      expect(codes, technique).not.to.include.members(['nobody-holds'])
    }
  })

  it('a position that cannot give the bend is refused where it is chosen, with those that can', () => {
    for (const position of ['face-down', 'hanging']) {
      const stop = sceneWith('leg-cast', (file) => void (file.options['position'] = position)).plan.cautions.find(
        ({ code }) => code === 'position-cannot',
      )
      expect(stop?.text).to.match(/on the back, or seated/)
      const short = sceneWith('leg-cast', (file) => Object.assign(file.options, { position, extent: 'short' })).plan
      expect(short.cautions.map(({ code }) => code)).not.to.include('position-cannot')
    }
  })
})

describe('the lines of every technique', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: each step has lines, whole or cut; cut ones are short and their text is headline and lines joined`, () => {
      const { steps } = planFile(changedExample(technique, () => undefined)).procedure
      for (const step of steps) {
        const lines = step.lines ?? []
        expect(lines, step.id).to.have.length.above(0)
        expect(new Set(lines.map(({ id }) => id)).size, step.id).to.equal(lines.length)
        const isUncut = lines.some((line) => line.isUncut)
        if (isUncut) {
          expect(
            lines.map(({ text }) => text),
            step.id,
          ).to.deep.equal([step.text])
          continue
        }
        expect(step.headline, step.id).to.be.a('string').with.length.within(4, longestHeadline)
        for (const { text } of lines) expect(text, step.id).to.have.length.within(4, longestLine)
        if (!step.items) expect(step.text, step.id).to.equal([`${step.headline}.`, ...lines.map(({ text }) => text)].join(' '))
      }
    })
  }

  it('what is laid out keeps its side, and whether it is stowed, counted or spare', () => {
    let qualified = 0
    for (const technique of techniqueIds) {
      const { clinicalCase } = readCase(changedExample(technique, () => undefined))
      const worked = clinicalCase && workOut(clinicalCase, testContext())
      const items = planFile(changedExample(technique, () => undefined)).procedure.steps.flatMap((step) => step.items ?? [])
      for (const item of worked?.outcome.steps.flatMap((step) => step.items ?? []) ?? []) {
        if (!/\b(left|right|stowed|counted|spare)\b/.test(item)) continue
        qualified++
        expect(
          items.some((listed) => listed.includes(item)),
          `${technique}: ${item}`,
        ).to.equal(true)
      }
    }
    expect(qualified).to.be.above(2)
  })

  for (const technique of techniqueIds) {
    it(`${technique}: no must is lost in its own order`, () => {
      const whole = findTechnique(technique)
      if (!whole) throw new Error(technique)
      for (const options of optionChoices(technique, [])) {
        const { steps } = planFile(changedExample(technique, (file) => Object.assign(file.options, options))).procedure
        const places = (which: (typeof whole.musts)[number]['first']): readonly number[] =>
          steps.flatMap(({ id, roles }, at) => {
            const named =
              typeof which === 'string'
                ? id === which || (which.endsWith('-*') && id.startsWith(which.slice(0, -1)))
                : roles.includes(which.role)
            return named ? [at] : []
          })
        for (const { first, then, harm } of whole.musts) {
          const [befores, afters] = [places(first), places(then)]
          if (befores.length === 0) continue
          for (const after of afters)
            expect(
              befores.some((before) => before < after) || befores.includes(after),
              `${JSON.stringify(first)} before ${steps[after]?.id}, ${JSON.stringify(options)}: ${harm}`,
            ).to.equal(true)
        }
      }
    })
  }
})
