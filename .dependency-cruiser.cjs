/** Arrows point one way: apps → features → packages → core, and inside the engine downwards. */
const only = (name, from, to, comment) => ({ name, severity: 'error', comment, from: { path: from }, to });

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    only(
      'core-stands-alone',
      '^packages/core/src',
      { path: '^(packages/(?!core/)|apps|demo|e2e|checks|bench)' },
      'The engine knows nothing of what is built on it.',
    ),
    only(
      'work-alone',
      '^packages/work',
      { path: '^(packages/(?!work/)|apps|demo|e2e|checks|bench)' },
      'The queue knows no use-case and no table but its own.',
    ),
    only(
      'host-and-client-alone',
      '^packages/(host|client)/',
      { path: '^(packages/(?!host/|client/)|apps|demo|e2e|checks|bench)' },
      'They know nothing of the application but what its API says.',
    ),
    only(
      'engine-task-on-core',
      '^packages/review/src/engine',
      { path: '^packages/(?!core/|review/src/engine/)' },
      'What runs in a thread of its own is the engine and nothing else.',
    ),
    only(
      'routes-by-use-cases',
      '^apps/web/(app|features)',
      { path: '^packages/store', dependencyTypesNot: ['type-only'] },
      'Screens and routes ask use-cases, which ask who may.',
    ),
    only('formats-on-core', '^packages/formats', { path: '^(packages/(?!core/|formats/)|apps|demo|e2e)' }, 'Readers know the engine only.'),
    only(
      'store-on-core',
      '^packages/store',
      { path: '^(packages/(?!core/|store/)|apps|demo|e2e)' },
      'The store keeps what the engine gives.',
    ),
    only('packages-below-apps', '^packages', { path: '^(apps|demo|e2e|checks|bench)' }, 'Nothing in a package knows an application.'),
    only(
      'use-cases-without-http',
      '^packages/review',
      { path: 'node_modules/(next|react|styled-components)/' },
      'Background work calls them too.',
    ),
    only('ui-knows-no-feature', '^apps/web/ui', { path: '^apps/web/(features|app|server)' }, 'The design system serves every screen.'),
    only('features-below-routes', '^apps/web/features', { path: '^apps/web/(app|server)' }, 'Screens are given their data.'),
    only(
      'browser-code-without-database',
      '^apps/web/(features|ui|workers)',
      { path: '^packages/(store|review|work)', dependencyTypesNot: ['type-only'] },
      'What runs in the browser takes only types from the server side.',
    ),
    only(
      'source-at-the-bottom',
      '^packages/core/src/source',
      { path: '^packages/core/src/(?!source)' },
      'Text and edits stand on nothing.',
    ),
    only(
      'document-on-source',
      '^packages/core/src/document',
      { path: '^packages/core/src/(?!source|document)' },
      'The tree stands on the text.',
    ),
    only(
      'semantics-below-rules',
      '^packages/core/src/(semantics|style|standards)',
      { path: '^packages/core/src/(rules|remedies|audit|spoken)' },
      'Facts about a page know no rule.',
    ),
    only(
      'rules-know-no-remedy',
      '^packages/core/src/rules',
      { path: '^packages/core/src/(remedies|audit|spoken)/', pathNot: 'remedies/names.ts$', dependencyTypesNot: ['type-only'] },
      'A rule names its remedies; it does not run them.',
    ),
    only(
      'public-surface',
      '^(?:packages/(formats|store|review|work)|apps|demo|e2e|checks|bench)/',
      { path: '^packages/[^/]+/src/(?!index\\.ts$|attachments/index\\.ts$|images/index\\.ts$|testing/)', pathNot: '^packages/$1/' },
      'Other rooms are entered by their door.',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(\\.next|\\.test\\.tsx?$)' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json'],
    },
  },
};
