import { runCheck } from './check-command'
import { readProtocolFile, runPlan } from './plan-command'
import { runSimulate, simulations } from './simulate-command'
import { runTechniques } from './techniques-command'
import { runValidate } from './validate-command'

const usage = `wren: plan, judge and check case files.

  wren plan FILE… | -      plan one case file, several, or standard input
  wren check FILE | -      judge the rounds of a check file
  wren validate FILE… | -  say what is wrong with case files
  wren verify              prove the database of npm start, or the one that DATABASE_URL names
  wren self-check          whether this installation answers as it was made to; wren self-check --help
  wren reset-access NAME   let somebody in who lost their password: a code, once
  wren techniques          list techniques, measurements, options and decisions
  wren simulate heat|rig|swelling FILE | -
                           skin temperature, suspension, or room under a shell

  --format json|text       json is the default
  --protocol FILE          plan by a local protocol, as the application saves it
Exit status: 0 done, 2 problems in the input, 3 a stop (plan, simulate) or an urgent last round (check).
`

/** Runs one command line and returns its exit status. */
async function main(args: readonly string[]): Promise<number> {
  const [formatSaid, unformatted] = takeOption(args, '--format')
  const [protocolFile, rest] = takeOption(unformatted, '--protocol')
  const format = formatSaid ?? 'json'
  if (format !== 'json' && format !== 'text') return misuse(`--format must be json or text, not ${String(format)}.`)
  const [command, ...files] = rest
  const stray = files.find((file) => file.startsWith('-') && file !== '-')
  if (stray) return misuse(`${stray} is not an option of wren.`)
  if (protocolFile !== undefined && command !== 'plan') return misuse('--protocol goes with plan.')
  switch (command) {
    case 'plan': {
      const protocol = protocolFile === undefined ? undefined : readProtocolFile(protocolFile)
      if (protocol === null) return 2
      return files.length > 0 ? runPlan(files, format, protocol) : misuse('plan needs a FILE, or - for standard input.')
    }
    case 'check':
      return files.length === 1 ? runCheck(files[0] ?? '-', format) : misuse('check needs one FILE, or - for standard input.')
    case 'validate':
      return files.length > 0 ? runValidate(files) : misuse('validate needs a FILE, or - for standard input.')
    case 'simulate': {
      const what = simulations.find((simulation) => simulation === files[0])
      if (!what) return misuse(`simulate needs heat, rig or swelling, not ${files[0] ?? 'nothing'}.`)
      return files.length === 2 ? runSimulate(what, files[1] ?? '-') : misuse('simulate needs one FILE, or - for standard input.')
    }
    case 'techniques':
      return runTechniques(format)
    case 'help':
    case '--help':
    case undefined:
      process.stdout.write(usage)
      return command === undefined ? 2 : 0
    default:
      return misuse(`${command} is not a command of wren.`)
  }
}

/** The value that follows an option, and the other words; an empty value when nothing follows. */
function takeOption(args: readonly string[], option: string): readonly [string | undefined, readonly string[]] {
  const at = args.indexOf(option)
  return at < 0 ? [undefined, args] : [args[at + 1] ?? '', args.filter((_, index) => index !== at && index !== at + 1)]
}

function misuse(message: string): number {
  process.stderr.write(`${message}\n\n${usage}`)
  return 2
}

process.exitCode = await main(process.argv.slice(2))
