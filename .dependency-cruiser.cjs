/** The import rules: downward only, no circles. ui ← features ← app; store and engine use core; core uses nothing above it. */
const above = (from, to, comment) => ({
  name: `${from}-imports-down`,
  comment,
  severity: 'error',
  from: { path: `^src/${from}/` },
  to: { path: `^src/(?:${to})/` },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    above('core', 'store|engine|ui|features|app', 'core is pure computation'),
    above('store', 'engine|ui|features|app', 'the store knows notes, not views'),
    above('engine', 'ui|features|app', 'the engine knows core and the store'),
    above('ui', 'store|engine|features|app', 'the design system knows no capability'),
    above('features', 'app', 'features are put together by the app'),
    {
      name: 'lent-is-a-page-of-its-own',
      comment: 'what is lent is shown without our notes, our state and our services',
      severity: 'error',
      from: { path: '^src/lent/' },
      to: {
        path: '^src/(?:store|engine|app|features/session)/',
        pathNot: '^src/(?:store/(?:device/|texts/rest-timer)|features/session/acting/shorten)',
      },
    },
    {
      name: 'gather-knows-no-index',
      comment: 'a gather is a question of rows; the index answers it',
      severity: 'error',
      from: { path: '^src/core/gather/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/index/' },
    },
    {
      name: 'database-behind-the-store',
      comment: 'notes are read, written and listened to through the note source; only the start makes the database',
      severity: 'error',
      from: { path: '^src/(?:engine|ui|features)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/store/notes/(?:database|schema)\\.ts$' },
    },
    {
      name: 'editor-without-the-store',
      comment: 'a page of its own can show and write a text without our store: only the session joins the two',
      severity: 'error',
      from: { path: '^src/features/editor/(?:look|reading|folding|editing|commands|make-editor)', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/store/', pathNot: '^src/store/(?:device/|texts/rest-timer)' },
    },
    {
      name: 'core-is-pure',
      comment: 'no React, no DOM library, no database in core',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/(?:react|react-dom|dexie|@codemirror|radix-ui|@reduxjs)/' },
    },
    {
      name: 'no-tests-in-code',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$' },
      to: { path: '\\.test\\.tsx?$' },
    },
    {
      name: 'server-apart',
      comment: 'only a test of it joins as the program does',
      severity: 'error',
      from: { path: '^(?:server|cli)/', pathNot: '/test-[\\w-]+\\.ts$' },
      to: { path: '^src/(?:store|engine|ui|features|app)/' },
    },
    {
      name: 'stand-in-alone',
      comment: 'an outside service knows nothing of Recado',
      severity: 'error',
      from: { path: '^stand-in/' },
      to: { path: '^(?:src|server|cli)/' },
    },
    { name: 'not-to-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '\\?raw$' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
