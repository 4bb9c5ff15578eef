import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js'
import { expect } from 'chai'
import { readdirSync, readFileSync } from 'node:fs'
import { planFile } from '../core/leg-slab-cases'
import { injuryFlags, patientFlags, patterns, regions } from '#core/model/vocabulary'
import { problemCodes } from '#core/model/problem'

const folder = new URL('../../docs/formats/', import.meta.url)
const load = (name: string): Record<string, unknown> => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Record<string, unknown>

describe('published formats', () => {
  const ajv = new Ajv2020({ allErrors: true, allowUnionTypes: true })
  const isCase: ValidateFunction = ajv.compile(load('case.schema.json'))
  const isPlan: ValidateFunction = ajv.compile(load('plan.schema.json'))
  const examples = readdirSync(new URL('examples/', folder)).filter((name) => name.endsWith('.case.json'))

  it('have examples', () => expect(examples).to.have.length.of.at.least(2))

  for (const name of examples) {
    it(`${name} is a case, plans without problems, and its plan is a plan`, () => {
      const file = load(`examples/${name}`)
      expect(isCase(file), JSON.stringify(isCase.errors)).to.equal(true)
      const plan = planFile(file)
      expect(plan.problems).to.deep.equal([])
      const plain = JSON.parse(JSON.stringify(plan)) as unknown
      expect(isPlan(plain), JSON.stringify(isPlan.errors)).to.equal(true)
    })
  }

  it('know the same words as the core', () => {
    const text = JSON.stringify(load('case.schema.json'))
    for (const words of [patientFlags, injuryFlags, patterns, regions]) expect(text).to.include(JSON.stringify(words))
    expect(JSON.stringify(load('plan.schema.json'))).to.include(JSON.stringify(problemCodes))
  })

  it('refuse what is not a case', () => {
    expect(isCase({ format: 'zesty-wren/case', version: 1 })).to.equal(false)
    expect(isCase({ ...load(`examples/${examples[0] ?? ''}`), colour: 'green' })).to.equal(false)
  })
})
