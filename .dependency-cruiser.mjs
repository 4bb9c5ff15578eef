// Which room may import which. Types count: a cycle of types is a cycle of what has to be understood together.

/** A room may not import others: `from` and `to` are folders below src. */
function forbid(name, from, to, comment) {
  const folders = (list) => [list].flat().map((one) => `^src/${one}/`)
  return { name, severity: 'error', comment, from: { path: folders(from) }, to: { path: folders(to) } }
}

/** The core from the ground up: a room knows what stands before it in the list; rooms of one line do not know each other. */
const coreLayers = [
  ['quantities'],
  ['model'],
  ['catalogue'],
  ['figures'],
  ['rules'],
  ['planner'],
  ['techniques'],
  ['runs', 'rounds'],
  ['standing', 'files'],
]

const coreArrows = coreLayers.flatMap((layer, index) => {
  const above = coreLayers.slice(index + 1).flat()
  return layer.map((room) =>
    forbid(
      `core-${room}`,
      `core/${room}`,
      [...above, ...layer.filter((one) => one !== room)].map((one) => `core/${one}`),
      'The core is built from the ground up.',
    ),
  )
})

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    {
      name: 'no-cycle',
      severity: 'error',
      comment:
        'A file that imports itself round a corner: the words of both belong into a third. Parts that are fetched late are no cycle.',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['dynamic-import'] } },
    },
    ...coreArrows.filter((one) => one.to.path.length > 0),
    forbid('core-knows-nobody', 'core', ['contract', 'server', 'web', 'cli', 'standins'], 'The core computes and knows nobody.'),
    forbid('contract-below-programs', 'contract', ['server', 'web', 'cli', 'standins'], 'What crosses the wire knows neither of its ends.'),
    forbid(
      'records-first',
      'contract/records',
      ['contract/events', 'contract/api', 'contract/views'],
      'Records are what events fold into.',
    ),
    forbid(
      'events-below-views',
      'contract/events',
      ['contract/api', 'contract/views'],
      'Events know their records and nothing that reads them.',
    ),
    forbid('views-without-paths', 'contract/views', 'contract/api', 'A projection is read by many; it knows no wire.'),
    forbid(
      'repositories-below-services',
      'server/repositories',
      ['server/services', 'server/routes', 'server/demo', 'server/planning'],
      'Repositories alone know Sequelize, and nobody above.',
    ),
    forbid(
      'services-below-routes',
      ['server/services', 'server/planning', 'server/workers', 'server/papers'],
      'server/routes',
      'Use cases know no HTTP.',
    ),
    forbid(
      'db-first',
      'server/db',
      ['server/repositories', 'server/services', 'server/routes'],
      'The database is below everything of the server.',
    ),
    forbid(
      'stores-below-screens',
      ['web/stores', 'web/sync', 'web/hooks', 'web/workers'],
      ['web/screens', 'web/lane'],
      'State knows no screen.',
    ),
    forbid('lane-alone', 'web/lane', ['web/screens', 'web/stores', 'web/sync'], 'The lane knows geometry only.'),
    forbid('parts-below-screens', 'web/parts', 'web/screens', 'Parts are put together by screens.'),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.mjs', '.js'],
      conditionNames: ['import', 'node', 'default'],
      mainFields: ['module', 'main'],
    },
  },
}
