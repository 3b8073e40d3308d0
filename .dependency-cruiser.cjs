/**
 * The arrows of the house: core <- contract <- server and web, and within each of them from the upper floors down. Rooms on one floor
 * do not know one another.
 */
const houses = {
  core: [
    ['quantity', 'heat', 'random', 'shape', 'rights'],
    ['refusal'],
    ['colour'],
    ['time', 'teeth', 'planning', 'devices', 'mesh', 'materials', 'statistics'],
    ['program', 'trimming', 'mounting', 'waxing', 'inspection', 'mixing', 'survey'],
    ['setup', 'casting', 'ceramic', 'curing', 'occlusion', 'finishing'],
    ['equipment', 'recovery'],
    // A sheet knows nothing of routes and cases; an engine of cases knows no template: they are given to it.
    ['sheet'],
    ['route'],
    ['case'],
    ['bench', 'document', 'lab-plan', 'quality'],
    ['jobs', 'calculators'],
    // A case with hidden truth: played on the routes of the house.
    ['practice'],
    ['testing'],
  ],
  server: [
    ['errors'],
    ['settings', 'live', 'log'],
    ['database', 'shapes'],
    ['network'],
    ['people', 'lab', 'backup'],
    ['clock'],
    ['equipment', 'setup', 'devices', 'calc'],
    ['program', 'casting'],
    ['case'],
    ['planning', 'practice'],
    ['quality'],
    ['materials', 'bench'],
    ['mixing', 'demo', 'web'],
    ['testing'],
  ],
  web: [
    ['format', 'live', 'session', 'keys'],
    ['preferences'],
    ['parts'],
    ['worker', 'form', 'table', 'drawings', 'handbook'],
    // What a bench does while the server is away.
    ['away'],
    // What an instrument shares with a case: the case that is open, the shelf, the way into the record.
    ['record', 'mesh', 'devices', 'quality'],
    ['program'],
    [
      'mixing',
      'trimming',
      'mounting',
      'setup',
      'waxing',
      'inspection',
      'casting',
      'ceramic',
      'curing',
      'occlusion',
      'finishing',
      'recovery',
      'survey',
      'equipment',
    ],
    ['shelf', 'sheet', 'route', 'instruments', 'plan'],
    ['case', 'bench', 'papers', 'practice'],
    ['app'],
    ['testing'],
  ],
}

const any = (rooms) => `(${rooms.join('|')})`
const NOT_TESTS = '\\.test\\.tsx?$'
const rules = Object.entries(houses).flatMap(([house, floors]) => [
  ...floors.map((rooms, floor) => ({
    name: `${house}-floor-${floor + 1}`,
    comment: `${rooms.join(', ')}: imports from the same room and from the floors below alone`,
    severity: 'error',
    from: { path: `^${house}/src/${any(rooms)}/`, pathNot: NOT_TESTS },
    to: { path: `^${house}/src/${any(floors.slice(floor).flat())}/`, pathNot: `^${house}/src/$1/` },
  })),
  {
    name: `${house}-every-room-has-a-floor`,
    severity: 'error',
    from: { path: `^${house}/src/[^/]+/`, pathNot: `^${house}/src/${any(floors.flat())}/` },
    to: {},
  },
])

module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment:
        'core imports neither server nor web nor any input or output; from outside only dates, shapes and the difference of colours',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/src|node_modules/(@date-fns/tz|@types/culori|culori|date-fns|typebox)/' },
    },
    {
      name: 'shapes-have-one-vocabulary',
      severity: 'error',
      from: { path: '^(core|contract|server|web)/', pathNot: '^core/src/shape/' },
      to: { path: 'node_modules/typebox/' },
    },
    {
      name: 'contract-on-core',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { pathNot: '^(contract|core)/src' },
    },
    { name: 'core-not-contract', severity: 'error', from: { path: '^core/src' }, to: { path: '^contract/' } },
    {
      name: 'web-takes-types-of-the-contract',
      comment: 'the shapes of the contract are for the server: the screens take its types alone',
      severity: 'error',
      from: { path: '^web/src' },
      to: { path: '^contract/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^(web|e2e)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^(server|e2e)/' } },
    {
      name: 'core-through-its-door',
      comment: 'outside the core, import @yentrik/core and nothing deeper; tests also @yentrik/core/testing',
      severity: 'error',
      from: { path: '^(contract|server|web)/src', pathNot: `${NOT_TESTS}|/src/testing/` },
      to: { path: '^core/src/.+/' },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    ...rules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['yentrik-source', 'import', 'node', 'default', 'types'],
    },
  },
}
