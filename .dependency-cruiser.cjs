/** Imports point one way; see ARCHITECTURE.md. */
const TESTS = '(\\.test\\.tsx?$|^core/testing/)';
const outside = (folder, allowed) => ({
  name: `${folder}-imports`,
  comment: `${folder}/ may import ${allowed.join(', ') || 'nothing of ours'} only`,
  severity: 'error',
  from: { path: `^${folder}/`, pathNot: TESTS },
  to: {
    path: '^(app|ui|server|workers|cli|core|grammars|engines|demo|e2e|scripts|proxy)',
    pathNot: `^(${[folder, ...allowed].join('|')})/`,
  },
});

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    outside('core', []),
    outside('grammars', ['core']),
    outside('engines', ['core']),
    outside('cli', ['core', 'grammars', 'engines']),
    outside('workers/web', ['core', 'grammars']),
    outside('ui', ['core', 'engines', 'workers/web']),
    outside('server', ['core', 'grammars']),
    outside('workers/jobs', ['core', 'server']),
    outside('app', ['core', 'ui', 'server']),
    {
      name: 'core-is-pure',
      comment: 'the core imports small pure libraries only',
      severity: 'error',
      from: { path: '^core/', pathNot: TESTS },
      to: {
        dependencyTypes: ['core', 'npm', 'npm-dev'],
        pathNot: 'node_modules/(zod|papaparse|@types/papaparse)/',
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
