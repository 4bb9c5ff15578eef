import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { readCase } from '#core/files/read-case'
import { watchedOf, type RoundInput } from '#core/model/observation'
import { techniques } from '#core/techniques/registry'
import { differencesOf } from './compare'
import { judgeRounds, workCase, type Worked } from './worked'
import { roundsToJudge } from './rounds'

/** One line of a self-check. */
export interface Line {
  readonly what: string
  readonly isRight: boolean
  /** What was looked at, or what is wrong. */
  readonly says: string
}

/** What published cases and rounds must come to: `docs/formats/self-check.json`. */
export interface Reference {
  readonly cases: Readonly<Record<string, Worked>>
  readonly rounds: Readonly<Record<string, Worked>>
}

const json = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'))
const exampleIn = (folder: string, name: string): unknown => json(join(folder, 'examples', `${name}.case.json`))

/** The rounds of every technique's published case, by name. */
function everyRound(
  folder: string,
): readonly { readonly name: string; readonly example: unknown; readonly rounds: readonly RoundInput[] }[] {
  return techniques.flatMap(({ id }) => {
    const example = exampleIn(folder, id)
    const injury = readCase(example).clinicalCase?.injury
    const all = roundsToJudge(watchedOf(injury?.region), injury?.side ?? 'left')
    return all.map(({ name, rounds }) => ({ name: `${id}: ${name}`, example, rounds }))
  })
}

/** Does a piece of the check; what throws is wrong, and stops nothing. */
function line(what: string, work: () => { readonly says: string; readonly wrong: readonly string[] }): Line {
  try {
    const { says, wrong } = work()
    return { what, isRight: wrong.length === 0, says: wrong.length === 0 ? says : wrong.join('; ') }
  } catch (error) {
    return { what, isRight: false, says: (error as Error).message }
  }
}

/** The figures of every technique that were worked by hand and published. */
export function checkFigures(folder: string): readonly Line[] {
  return techniques.map(({ id }) =>
    line(`figures of ${id}`, () => {
      const wanted = json(join(folder, 'figures', `${id}.json`)) as Readonly<Record<string, { readonly value: unknown }>>
      const came = workCase(exampleIn(folder, id))['figures'] as Readonly<Record<string, unknown>>
      const wrong = Object.entries(wanted).flatMap(([figure, { value }]) => differencesOf({ [figure]: value }, { [figure]: came[figure] }))
      return { says: `${Object.keys(wanted).length} published figures`, wrong }
    }),
  )
}

/** Whole plans with heat, rig and schedule, against what they were when this version was made. */
export function checkPlans(folder: string): readonly Line[] {
  const { cases } = json(join(folder, 'self-check.json')) as Reference
  return Object.entries(cases).map(([name, wanted]) =>
    line(`plan of ${name}`, () => {
      // As a file keeps it: what is not said is left out.
      const came = JSON.parse(JSON.stringify(workCase(exampleIn(folder, name)))) as Worked
      return { says: `${Object.keys(wanted).join(', ')}`, wrong: differencesOf(wanted, came) }
    }),
  )
}

/** Rounds that must be found urgent, and quiet ones that must not. */
export function checkRounds(folder: string): readonly Line[] {
  const { rounds: references } = json(join(folder, 'self-check.json')) as Reference
  const all = everyRound(folder)
  const lines = all.map(({ name, example, rounds }) =>
    line(`round, ${name}`, () => {
      const came = JSON.parse(JSON.stringify(judgeRounds(example, rounds))) as Worked
      const wanted = references[name]
      const [, last] = (came['rounds'] ?? []) as readonly { readonly level: string }[]
      return { says: last?.level ?? 'nothing', wrong: wanted ? differencesOf(wanted, came) : ['there is no reference for it'] }
    }),
  )
  const gone = Object.keys(references).filter((name) => !all.some((one) => one.name === name))
  return [...lines, ...gone.map((name): Line => ({ what: `round, ${name}`, isRight: false, says: 'it was not judged' }))]
}

/** The reference of this program as it stands: it is looked at by a person before it is kept. */
export function makeReference(folder: string): Reference {
  const names = readdirSync(join(folder, 'examples'))
    .filter((name) => name.endsWith('.case.json'))
    .map((name) => name.replace('.case.json', ''))
    .sort()
  return {
    cases: Object.fromEntries(names.map((name) => [name, workCase(exampleIn(folder, name))])),
    rounds: Object.fromEntries(everyRound(folder).map(({ name, example, rounds }) => [name, judgeRounds(example, rounds)])),
  }
}
