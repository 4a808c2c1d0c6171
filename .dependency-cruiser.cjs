/** The layers of docs/architecture.md: imports only go down. */
const layer = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: to },
});

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    layer('core-stands-alone', '^src/core', '^src/(app|features|ui|workers|server)|^cli|^e2e'),
    layer(
      'core-uses-no-node',
      '^src/core',
      '^(node:)?(fs|path|crypto|os|net|http|https|child_process|worker_threads)$',
    ),
    layer('server-below-interface', '^src/server', '^src/(app|features|ui)'),
    layer('server-without-react', '^src/server', '(^|/)node_modules/(react|react-dom|@mui)/'),
    layer('workers-below-interface', '^src/workers', '^src/(app|features|ui|server)'),
    layer('ui-below-features', '^src/ui', '^src/(app|features)'),
    layer('features-below-app', '^src/features', '^src/app'),
    {
      name: 'features-apart',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/([^/]+)/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'interface-takes-only-types-from-server',
      severity: 'error',
      from: { path: '^src/(features|ui)' },
      to: { path: '^src/server', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'postgres-only-in-server',
      severity: 'error',
      from: { path: '^src', pathNot: '^src/server' },
      to: { path: 'node_modules/postgres/' },
    },
    {
      name: 'core-through-its-faces',
      severity: 'error',
      from: { path: '^(src/(?!core)|cli|e2e|demo)' },
      to: { path: '^src/core/[^/]+/(?!index\\.ts$)' },
    },
    {
      name: 'server-through-its-faces',
      severity: 'error',
      from: { path: '^(src/(?!server)|cli|e2e|demo)' },
      to: { path: '^src/server/[^/]+/(?!index\\.ts$)', pathNot: 'testDatabase' },
    },
    {
      name: 'server-subjects-through-their-faces',
      severity: 'error',
      from: { path: '^src/server/([^/]+)', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/server/[^/]+/(?!index\\.ts$)', pathNot: ['^src/server/$1/', 'testDatabase'] },
    },
    {
      name: 'core-modules-through-their-faces',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/([^/]+)/(?!index\\.ts$)', pathNot: '^src/core/$1/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'node', 'default'],
    },
  },
};
