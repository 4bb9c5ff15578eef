import { expect } from 'chai'
import { spawnSync } from 'node:child_process'
import { readdirSync } from 'node:fs'
import { exampleOf, techniqueIds } from '../harness/cases/example-cases'
import { planFile } from '../harness/cases/leg-slab-cases'
import { sampleOf } from '../harness/long'
import { findTechnique } from '#core/techniques/registry'

const folder = 'docs/formats/examples'
const wren = (...args: readonly string[]) => spawnSync(process.execPath, ['scripts/wren.mjs', ...args], { encoding: 'utf8' })

describe('wren over every technique', () => {
  let texts: string
  let lines: readonly { file?: string; exit: number; plan: { technique: string; decisions: { id: string }[] } | null }[]
  const files = readdirSync(folder).map((name) => `${folder}/${name}`)
  before(() => {
    const run = wren('plan', ...files)
    lines = run.stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as (typeof lines)[number])
    texts = wren('techniques', '--format', 'text').stdout
  })

  it('plans all published examples in one go, a line each', () => {
    expect(lines).to.have.length(files.length)
    for (const line of lines) expect(line.exit, line.plan?.technique).to.be.oneOf([0, 3])
    expect(new Set(lines.map((line) => line.plan?.technique))).to.have.property('size', techniqueIds.length)
  })

  for (const technique of sampleOf(techniqueIds, 4))
    it(`${technique}: text says every decision by its name`, () => {
      const run = wren('plan', `${folder}/${technique}.case.json`, '--format', 'text')
      for (const { label } of planFile(exampleOf(technique)).decisions) expect(run.stdout).to.include(label)
      expect(run.stdout).not.to.match(/undefined|NaN|\[object/)
    })

  for (const technique of techniqueIds) {
    it(`${technique}: is documented with its measurements, options and decisions`, () => {
      const found = findTechnique(technique)
      expect(texts).to.include(technique)
      for (const option of found?.options ?? []) expect(texts, option.id).to.include(option.id)
      for (const { id } of found?.decisions.filter((decision) => !/-\d+$/.test(decision.id)) ?? []) expect(texts, id).to.include(id)
    })
  }
})
