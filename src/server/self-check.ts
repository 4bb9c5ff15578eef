import { writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { foldVersion } from '#contract/events/fold'
import { defaultProtocol } from '#core/quantities/defaults'
import { catalogue } from '#core/catalogue/catalogue'
import { coreVersion } from '#core/techniques/plan-case'
import { checkFigures, checkPlans, checkRounds, type Line } from './self-check/check-core'
import { checkDatabase, checkServer } from './self-check/check-machine'
import { reportPaper, reportText, verdictOf, type Report } from './self-check/report'

const usage = `wren self-check [--server URL] [--json] [--pdf FILE] [--quick]
  works published figures, whole plans and judged rounds on this machine, proves the database and compares clocks
  --server URL  asks a server that runs too, as http://127.0.0.1:4180
  --json        as JSON; --pdf FILE writes a paper to file; --quick leaves out the database
Exit status: 0 everything is right, 1 something is not, 2 it was asked for wrongly.`

/** `wren self-check`: whether this installation, on this machine, answers as it was made to. */
async function main(): Promise<number> {
  let values: { readonly server?: string; readonly json?: boolean; readonly pdf?: string; readonly quick?: boolean }
  try {
    const options = { server: { type: 'string' }, json: { type: 'boolean' }, pdf: { type: 'string' }, quick: { type: 'boolean' } } as const
    ;({ values } = parseArgs({ args: process.argv.slice(process.argv[2] === 'self-check' ? 3 : 2), options }))
    if (values.server !== undefined && !URL.canParse(values.server)) throw new Error(`--server must be a URL, not ${values.server}.`)
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n${usage}\n`)
    return 2
  }
  const folder = fileURLToPath(new URL('../../docs/formats', import.meta.url))
  const url = process.env['DATABASE_URL']
  const lines: readonly Line[] = [
    ...checkFigures(folder),
    ...checkPlans(folder),
    ...checkRounds(folder),
    ...(values.quick ? [] : url ? await checkDatabase(url) : [noDatabase]),
    ...(values.server === undefined ? [] : await checkServer(values.server)),
  ]
  const report: Report = {
    format: 'zesty-wren/self-check',
    version: 1,
    isRight: lines.every((line) => line.isRight),
    at: new Date().toISOString(),
    host: hostname(),
    versions: {
      core: coreVersion,
      protocol: `${defaultProtocol.name}/${defaultProtocol.version}`,
      catalogue: String(catalogue.version),
      fold: String(foldVersion),
      node: process.version,
    },
    settings: Object.keys(process.env)
      .filter((name) => name.startsWith('WREN_') || name === 'DATABASE_URL' || name === 'PORT')
      .sort(),
    lines,
  }
  if (values.pdf !== undefined) writeFileSync(values.pdf, await reportPaper(report))
  process.stdout.write(values.json ? `${JSON.stringify(report, null, 2)}\n` : reportText(report))
  if (!report.isRight) process.stderr.write(`${verdictOf(report)}\n`)
  return report.isRight ? 0 : 1
}

const noDatabase: Line = {
  what: 'database',
  isRight: false,
  says: 'which? Start Zesty Wren with npm start, or set DATABASE_URL; --quick leaves it out',
}

process.exitCode = await main()
