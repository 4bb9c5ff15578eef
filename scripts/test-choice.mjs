// What a call of npm test asks for: the whole, the quick part, the rest that only the long run has, suites, or files by name.

/** Every suite but `check`. */
export const suites = ['browser', 'scripts', 'server', 'cli', 'docs', 'web', 'standins', 'ward', 'contract', 'core']

/**
 * Files that only the long run has, which is part of every landing: kills and whole installs, and journeys of the interface whose dangers another
 * journey, or a cheaper test, holds in the whole run.
 */
const onlyLong = [
  ...['faults/frozen', 'faults/full-disk', 'faults/kills', 'faults/two-servers'].map((name) => `tests/server/${name}.test.ts`),
  ...['backup', 'bench', 'dev', 'package', 'rotate', 'self-check', 'start', 'supervisor'].map((name) => `tests/scripts/${name}.test.ts`),
  'tests/core/practice/drill.test.ts',
  ...[
    'board',
    'care-days',
    'care-team',
    'conversion',
    'counts',
    'drill',
    'endings',
    'every-screen',
    'examined-station',
    'feeling-level',
    'first-half',
    'first-minute',
    'hand-over',
    'held',
    'join-run',
    'keys-only',
    'lane-labels',
    'lead-morning',
    'make-ready',
    'make-station',
    'markup',
    'new-version',
    'night-round',
    'people',
    'practice',
    'put-on-again',
    'records',
    'rig',
    'shared-device',
    'steady-pages',
    'tab-killed',
    'work-owed',
    'worsening',
  ].map((name) => `tests/browser/${name}.test.ts`),
]

/** What the quick run leaves out: whole programs, the browser but for some journeys, faults of machine and line, hostile requests, many writers at once. */
const notQuick = [
  'tests/scripts/',
  'tests/server/faults/',
  'tests/server/attack/crowds',
  'tests/server/services/at-once',
  'tests/server/services/hostile-events',
]
/** The browser journeys of the quick run: what stands, a round, the line cut, a run of every technique. */
const quickJourneys = ['standing', 'round', 'line', 'every-technique'].map((name) => `tests/browser/${name}.test.ts`)

/**
 * Reads the arguments of npm test.
 * @param args suites, files, `quick`, `rest`, `--long`, `--grep WORDS`
 * @returns what is asked for, or a `problem` in words
 */
export function readAsked(args) {
  const asked = { isLong: false, isQuick: false, isRest: false, grep: '', only: [], problem: '' }
  for (let place = 0; place < args.length; place++) {
    const word = args[place]
    if (word === '--long') asked.isLong = true
    else if (word === '--grep') {
      asked.grep = args[++place] ?? ''
      if (!asked.grep) asked.problem = 'npm test: --grep needs words after it, as in `npm test -- core --grep "a slab"`.'
    } else if (word === 'quick') asked.isQuick = true
    else if (word === 'rest') asked.isRest = asked.isLong = true
    else if (['check', ...suites].includes(word) || /^tests\/.+\.test\.ts$/.test(word)) asked.only.push(word)
    else
      asked.problem = `npm test: there is no “${word}”. Choose of quick, rest, check, ${suites.join(', ')}, or name a file as tests/…/….test.ts.`
  }
  return asked
}

/** Whether any of a suite is asked for (`check` is one here). */
export function wantsSuite({ isQuick, isRest, only }, suite) {
  if (only.some((one) => one === suite || one.startsWith(`tests/${suite}/`))) return true
  if (isRest) return suite !== 'check'
  if (isQuick) return suite !== 'check' && suite !== 'scripts'
  return only.length === 0
}

/**
 * Whether a file of a suite is asked for.
 * @param hasLong whether it has tests or cases that only the long run has
 */
export function wantsFile({ isQuick, isRest, isLong, only }, suite, file, hasLong) {
  if (only.includes(file)) return true
  if (isRest) return onlyLong.includes(file) || hasLong
  if (onlyLong.includes(file) && !isLong) return false
  if (only.includes(suite)) return true
  if (isQuick) return suite === 'browser' ? quickJourneys.includes(file) : !notQuick.some((one) => file.startsWith(one))
  return only.length === 0
}

/** Files that only the long run has: a test looks whether they are there. */
export const longFiles = onlyLong
