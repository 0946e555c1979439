/** Layer rules: imports run downward only. The order is the one in docs/architecture.md. */
const layers = [
  ['core/result', '^src/core/(result|units)'],
  ['core/math', '^src/core/math'],
  ['core/time', '^src/core/time'],
  ['core/records', '^src/core/records'],
  ['core/sky', '^src/core/(places|sky)'],
  ['core/instruments', '^src/core/(mount|optics|tracking|imaging|power)'],
  ['core/solving', '^src/core/solving'],
  ['core/verdict', '^src/core/verdict'],
  ['core/rig', '^src/core/rig'],
  ['core/history', '^src/core/history'],
  ['core/pole', '^src/core/pole'],
  ['core/night/learned', '^src/core/night/learned'],
  ['core/night/plan', '^src/core/night/plan'],
  ['core/night/life', '^src/core/night/life'],
  ['core/night/account', '^src/core/night/account'],
  ['core/night/nightStatic', '^src/core/night/nightStatic'],
  ['core/night/ledger', '^src/core/night/ledger'],
  ['core/night/nightAt', '^src/core/night/(nightAt|deriveNight)'],
  ['core/night/advice', '^src/core/night/advice'],
  ['formats', '^src/formats'],
  ['storage', '^src/(standins|storage|workers)'],
  ['frames', '^src/frames'],
  ['text', '^src/text'],
  ['ui', '^src/ui'],
  ['session', '^src/session'],
  ['features', '^src/features'],
  ['app', '^src/app'],
];
const upward = layers.slice(0, -1).map(([name, path], index) => ({
  name: `${name}-imports-upward`,
  severity: 'error',
  from: { path },
  to: { path: layers.slice(index + 1).map(([, above]) => above) },
}));

/** These stand side by side: none knows another. */
const BESIDE = ['standins', 'storage', 'workers'];
const beside = BESIDE.map((name) => ({
  name: `${name}-stands-alone`,
  severity: 'error',
  // A worker's own file is where its parts meet, as the app's entry is for the page.
  from: { path: `^src/${name}`, pathNot: '^src/workers/[^/]+[.]worker[.]ts$' },
  to: { path: `^src/(${BESIDE.filter((other) => other !== name).join('|')})` },
}));

module.exports = {
  forbidden: [
    ...upward,
    ...beside,
    {
      name: 'standins-do-not-measure',
      comment: 'What makes the simulated sky must not share a formula with what reads it.',
      severity: 'error',
      from: { path: '^src/standins' },
      to: { path: '^src/core/(solving|imaging|tracking)' },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'features-do-not-import-each-other',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/([^/]+)/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core' },
      to: { path: 'node_modules/(react|react-dom|dexie|express|bootstrap|react-.*|@tanstack)' },
    },
    { name: 'core-has-no-node', severity: 'error', from: { path: '^src/core' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'zod-only-in-records',
      severity: 'error',
      from: { path: '^src/core', pathNot: '^src/core/records' },
      to: { path: 'node_modules/zod' },
    },
    {
      name: 'ephemeris-behind-one-module',
      severity: 'error',
      from: { path: '^src', pathNot: '^src/core/sky/ephemeris.ts$' },
      to: { path: 'node_modules/astronomy-engine' },
    },
    {
      name: 'dexie-behind-storage',
      severity: 'error',
      from: { path: '^src', pathNot: '^src/storage' },
      to: { path: 'node_modules/dexie' },
    },
    {
      name: 'server-serves',
      severity: 'error',
      from: { path: '^server' },
      to: { path: '^src/(app|features|ui|text|storage)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json'] },
  },
};
