/** Imports point one way; see ARCHITECTURE.md. */
const TESTS = '(\\.test\\.tsx?$|^core/testing/)';
const outside = (folder, allowed) => ({
  name: `${folder}-imports`,
  comment: `${folder}/ may import ${allowed.join(', ') || 'nothing of ours'} only`,
  severity: 'error',
  from: { path: `^${folder}/`, pathNot: TESTS },
  to: {
    path: '^(app|ui|server|workers|cli|core|grammars|engines|print|demo|e2e|scripts|proxy)',
    pathNot: `^(${[folder, ...allowed].join('|')})/`,
  },
});

/**
 * The rooms of the core, each above those that it may import. Beside them stand its few loose files (`brand.ts`,
 * `effort.ts`, `json.ts`, `random.ts`, `result.ts`, `units.ts`), which know no room.
 */
const ROOMS = [
  'words',
  'boards',
  'breadboards',
  'solver',
  'parts',
  'wiring',
  'electrics',
  'findings',
  'program',
  'stimuli',
  'rehearsal',
  'expectations',
  'formats',
  'judge',
  'plan',
  'statements',
  'course',
  'drawing',
  'generated',
  'faults',
  'worksheet',
  'kit',
  'meeting',
  'handout',
  'people',
  'outside',
  'package',
  'messages',
];
const inOrder = ROOMS.map((room, index) => ({
  name: `core-${room}-looks-down`,
  comment: `core/${room} may import rooms below it only`,
  severity: 'error',
  from: { path: `^core/${room}/`, pathNot: TESTS },
  to: { path: `^core/(${ROOMS.slice(index + 1).join('|') || '-'})/` },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    outside('core', []),
    ...inOrder,
    {
      name: 'core-files-know-no-room',
      severity: 'error',
      from: { path: '^core/[^/]+\\.ts$', pathNot: TESTS },
      to: { path: '^core/[^/]+/' },
    },
    outside('grammars', ['core']),
    outside('engines', ['core']),
    outside('print', ['core']),
    outside('cli', ['core', 'grammars', 'engines', 'print']),
    outside('workers/web', ['core', 'grammars']),
    outside('ui', ['core', 'engines', 'workers/web', 'workers/offline']),
    outside('server', ['core', 'grammars', 'print']),
    outside('workers/jobs', ['core', 'server']),
    outside('app', ['core', 'ui', 'server']),
    {
      name: 'core-is-pure',
      comment: 'the core imports small pure libraries only',
      severity: 'error',
      from: { path: '^core/', pathNot: TESTS },
      to: {
        dependencyTypes: ['core', 'npm', 'npm-dev'],
        pathNot: 'node_modules/(zod|papaparse|@types/papaparse|diff|@zip[.]js/zip[.]js|ical-generator)/',
      },
    },
    {
      name: 'sql-stays-in-server',
      severity: 'error',
      from: { pathNot: '^(server|scripts)/' },
      to: { path: 'node_modules/(knex|pg)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '^(\\.next|\\.didaktor)' },
  },
};
