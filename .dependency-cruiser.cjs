/** The arrows between the rooms: app → ui, app/cli → server → core. A rule each, and no cycles. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment:
        'core computes on plain data: no other room, no Node module, no library but the pure ones named here',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^src/core|^node_modules/(@types/)?(parse5|css-tree|css-select|css-what|entities|diff|jsonc-parser|fast-xml-parser|saxes|spdx-license-ids|fastest-levenshtein|file-type)(/|$)|^entities/decode$',
      },
    },
    {
      name: 'markup-knows-no-errata',
      severity: 'error',
      from: { path: '^src/core/(address|markup|styles)' },
      to: { path: '^src/core/(errata|swap|sets|rights|edition)' },
    },
    {
      name: 'ui-knows-no-database',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/(server|app|cli)|^node_modules/(pg|drizzle-orm|sharp|joi)/' },
    },
    {
      name: 'server-knows-no-screens',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/(app|ui|cli)' },
    },
    {
      name: 'cli-is-headless',
      severity: 'error',
      from: { path: '^src/cli' },
      to: { path: '^src/(app|ui)|^src/server/(db|jobs|accounts|work)' },
    },
    {
      name: 'nobody-needs-the-demo',
      severity: 'error',
      from: { path: '^src' },
      to: { path: '^(demo|tests)' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next' },
    enhancedResolveOptions: { conditionNames: ['import', 'node', 'default', 'types'] },
  },
};
