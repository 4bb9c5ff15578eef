import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js'
import { expect } from 'chai'
import { readdirSync, readFileSync } from 'node:fs'
import { planFile } from '../harness/cases/leg-slab-cases'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { exampleId } from '#contract/events/example-ids'
import { goodBodies } from '../harness/cases/good-events'
import { schemaFiles } from '../../scripts/generate/schema-files'
import { problemCodes } from '#core/model/problem'

const folder = new URL('../../docs/formats/', import.meta.url)
const load = (name: string): Record<string, unknown> => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Record<string, unknown>

describe('published formats', () => {
  const ajv = new Ajv2020({ allErrors: true, allowUnionTypes: true, formats: { uuid: true }, strictRequired: false })
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

  it('are what the programs check with today (npm run formats)', async () => {
    for (const { file, text } of await schemaFiles()) expect(readFileSync(file, 'utf8'), file).to.equal(text)
  })

  it('take the example of every event that people write, and refuse it under another name', () => {
    const isEvent = ajv.compile(load('event.schema.json'))
    for (const [kind, { stream, right, example }] of Object.entries(eventKinds)) {
      if (right === 'server' || kind === 'plan') continue
      const event = {
        id: exampleId,
        stream: { type: stream, id: exampleId },
        kind,
        v: 1,
        body: goodBodies[kind as EventKindId],
        at: '2026-01-10T08:00:00Z',
        offsetMs: 0,
        base: 1,
      }
      expect(isEvent(event), kind).to.equal(true)
      expect(isEvent({ ...event, body: { ...example, colour: 'green' } }), kind).to.equal(false)
      expect(isEvent({ ...event, kind: 'hologram' }), kind).to.equal(false)
    }
  })

  it('know the same words as the core', () => {
    expect(JSON.stringify(load('plan.schema.json'))).to.include(JSON.stringify(problemCodes))
  })

  it('refuse what is not a case', () => {
    expect(isCase({ format: 'zesty-wren/case', version: 1 })).to.equal(false)
    expect(isCase({ ...load(`examples/${examples[0] ?? ''}`), colour: 'green' })).to.equal(false)
  })
})
