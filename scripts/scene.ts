// npm run scene -- leg-cast: the scene of a technique's example, line by line, and what is wrong with it.
// npm run scene -- leg-cast --mutate: takes away each hold, grip change, laid-out thing, turn and pass once; each must be noticed.
import { readFileSync } from 'node:fs'
import { readCase } from '#core/files/read-case'
import { judgeScene, sceneOf } from '#core/scene/judge-scene'
import { defaultProtocol } from '#core/quantities/defaults'
import { leastPeople } from '#core/scene/least-people'
import { mutantsOf, unnoticed } from '#core/scene/mutate-scene'
import { isCut, isPost, playScene, type SceneState } from '#core/scene/play-scene'
import { planCase } from '#core/techniques/plan-case'
import { findTechnique } from '#core/techniques/registry'
import { createCliContext } from '../src/cli/context'

const [name = '', mode] = process.argv.slice(2)
const technique = findTechnique(name)
if (!technique) {
  console.error(`Name a technique: npm run scene -- leg-cast. ${name === '' ? '' : `There is none called ${name}.`}`)
  process.exit(2)
}
const file = new URL(`../docs/formats/examples/${name}.case.json`, import.meta.url)
const { clinicalCase } = readCase(JSON.parse(readFileSync(file, 'utf8')))
const plan = clinicalCase && planCase(clinicalCase, createCliContext())
if (!clinicalCase || !plan) throw new Error(`${file.pathname} is no case that can be planned.`)
const { steps } = plan.procedure
if (!isCut(steps)) {
  console.error(`${technique.name} is not cut into lines yet.`)
  process.exit(2)
}
const question = sceneOf(technique, plan, defaultProtocol)
if (!question) throw new Error(`${technique.name} does not say what is carried.`)

if (mode === '--mutate') {
  const missed = unnoticed(question)
  missed.forEach((words) => console.log(words))
  console.log(`${mutantsOf(question).length} changes, ${missed.length} not noticed`)
  process.exit(missed.length > 0 ? 1 : 0)
}

/** What stands, in a line: how the patient lies, and who carries what. */
function standing({ posture, carried, clockMin }: SceneState): string {
  const held = [...carried].map(
    ([what, { by, at, sinceMin }]) =>
      `${what}: ${by}${at ? ` at ${at}` : ''}${isPost(by) ? `, ${(clockMin - sinceMin).toFixed(0)} min` : ''}`,
  )
  return [posture ?? 'as they are', ...held].join('; ')
}

for (const { step, line, after } of playScene(steps)) {
  if (line === step.lines?.[0]) console.log(`\n${step.id}${step.wet ? ' (wet)' : ''}: ${step.headline}`)
  console.log(`  ${line.by.padEnd(8)} ${line.act.padEnd(7)} ${line.text}`)
  console.log(`${' '.repeat(19)}[${standing(after)}]`)
}
console.log(`\nLeast people: ${leastPeople(steps)}`)
const faults = judgeScene(question)
for (const { rule, step, line, text } of faults) console.log(`${rule}: ${step}${line ? `/${line}` : ''}: ${text}`)
console.log(`${faults.length} faults`)
process.exit(faults.length > 0 ? 1 : 0)
