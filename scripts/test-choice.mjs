// What a call of npm test asks for: the whole, the quick part, suites, or files by name.

/** Suites in the order in which the first worker takes them; the second takes them from the end. */
export const suites = ['browser', 'bench', 'scripts', 'server', 'cli', 'docs', 'web', 'standins', 'contract', 'core']

/** Suites that the quick run takes whole. */
const quickSuites = ['server', 'cli', 'docs', 'web', 'standins', 'contract', 'core']
/** What it leaves out of them: faults of machine and line, hostile requests, fifty writers at once. */
const notQuick = ['tests/server/faults/', 'tests/server/services/at-once.test.ts', 'tests/server/services/hostile-events.test.ts']
/** The browser journeys of the quick run: the first half of the path, what stands, a round, the line cut, a run of every technique. */
const quickJourneys = ['first-half', 'standing', 'round', 'line', 'every-technique'].map((name) => `tests/browser/${name}.test.ts`)

/**
 * Reads the arguments of npm test.
 * @param args suites, files, `quick`, `--long`, `--grep WORDS`
 * @returns what is asked for, or a `problem` in words
 */
export function readAsked(args) {
  const asked = { isLong: false, isQuick: false, grep: '', only: [], problem: '' }
  for (let place = 0; place < args.length; place++) {
    const word = args[place]
    if (word === '--long') asked.isLong = true
    else if (word === '--grep') {
      asked.grep = args[++place] ?? ''
      if (!asked.grep) asked.problem = 'npm test: --grep needs words after it, as in `npm test -- core --grep "a slab"`.'
    } else if (word === 'quick') asked.isQuick = true
    else if (['check', ...suites].includes(word) || /^tests\/.+\.test\.ts$/.test(word)) asked.only.push(word)
    else
      asked.problem = `npm test: there is no “${word}”. Choose of quick, check, ${suites.join(', ')}, or name a file as tests/…/….test.ts.`
  }
  return asked
}

/** Whether any of a suite is asked for (`check` is one here). */
export function wantsSuite({ isQuick, only }, suite) {
  if (only.some((one) => one === suite || one.startsWith(`tests/${suite}/`))) return true
  if (isQuick) return suite === 'browser' || quickSuites.includes(suite)
  return only.length === 0
}

/** Whether a file of a suite is asked for. */
export function wantsFile({ isQuick, only }, suite, file) {
  if (only.includes(suite) || only.includes(file)) return true
  if (isQuick) return suite === 'browser' ? quickJourneys.includes(file) : !notQuick.some((one) => file.startsWith(one))
  return only.length === 0
}
