// Which room may import which. Types count: a cycle of types is a cycle of what has to be understood together.

/** A room may not import others: `from` and `to` are folders below src. */
function forbid(name, from, to, comment) {
  const folders = (list) => [list].flat().map((one) => `^src/${one}/`)
  return { name, severity: 'error', comment, from: { path: folders(from) }, to: { path: folders(to) } }
}

/**
 * Rooms from the ground up: a room knows what stands before it in the list; rooms of one line do not know each other.
 * @param house the folder below src that they stand in
 */
function layers(house, floors) {
  return floors.flatMap((floor, index) =>
    floor.flatMap((room) => {
      const unknown = [...floors.slice(index + 1).flat(), ...floor.filter((one) => one !== room)]
      if (unknown.length === 0) return []
      const within = unknown.map((one) => `${house}/${one}`)
      return [forbid(`${house}-${room}`, `${house}/${room}`, within, `The ${house} is built from the ground up.`)]
    }),
  )
}

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
    ...layers('core', [
      ['quantities'],
      ['model'],
      ['catalogue'],
      ['figures'],
      ['rules'],
      ['planner'],
      ['techniques'],
      ['runs', 'rounds'],
      ['standing'],
      ['files'],
      ['practice'],
    ]),
    ...layers('contract', [['records'], ['events'], ['api']]),
    ...layers('ward', [['case', 'practice'], ['body'], ['rounds'], ['owed'], ['standing'], ['story']]),
    ...layers('server', [
      ['ground'],
      ['db'],
      ['repositories', 'papers'],
      ['workers'],
      ['planning'],
      ['ledger'],
      ['kinds'],
      ['writing', 'people'],
      ['services'],
      ['middleware'],
      ['routes', 'demo'],
    ]),
    ...layers('web', [['parts'], ['sync', 'lane', 'workers'], ['round'], ['case'], ['shell'], ['screens']]),
    {
      name: 'events-without-techniques',
      severity: 'error',
      comment: 'What folds is loaded with the Board, and the techniques are half of the script: fold by what the event says.',
      from: { path: '^src/contract/(events|records)/', pathNot: '\\.schema\\.ts$|/body-schemas\\.ts$|/schemas\\.ts$' },
      to: { path: '^src/core/techniques/registry', reachable: true },
    },
    forbid('core-knows-nobody', 'core', ['contract', 'ward', 'server', 'web', 'cli', 'standins'], 'The core computes and knows nobody.'),
    forbid(
      'contract-below-programs',
      'contract',
      ['ward', 'server', 'web', 'cli', 'standins'],
      'What crosses the wire knows neither of its ends, nor what is read out of it.',
    ),
    forbid('ward-below-programs', 'ward', ['server', 'web', 'cli', 'standins'], 'What events mean is the same on both ends.'),
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
