/**
 * Who may import whom (docs/architecture.md draws it). tests/fence/ plants a violation of each rule and sees it found.
 * @type {import('dependency-cruiser').IConfiguration}
 */
const CORE = '^src/lib/core/';
const SERVER = '^src/(lib/server|workers|hooks\\.server)|^src/routes/.*(\\+server|\\.server)\\.ts$';
const TESTS = '\\.test\\.ts$';

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Two files that need each other are one idea, or two that are cut in the wrong place.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-is-pure',
      comment: 'The core imports nothing of ours outside the core.',
      severity: 'error',
      from: { path: CORE, pathNot: TESTS },
      to: { path: '^(src|tests|testing|scripts|bench|e2e)/', pathNot: CORE },
    },
    {
      name: 'core-needs-no-platform',
      comment: 'Of packages the core uses those that compute, and none of Node.js.',
      severity: 'error',
      from: { path: CORE, pathNot: TESTS },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/(re2js|ts-fsrs)/' },
    },
    {
      name: 'pages-know-no-server',
      comment: 'What runs in the browser imports nothing of the server.',
      severity: 'error',
      from: { path: '^src/lib/(ui|client|stand-ins|keyboards)/|^src/routes/.*\\.svelte$' },
      to: { path: SERVER },
    },
    {
      name: 'server-knows-no-pages',
      comment: 'The server imports no screen and nothing of the browser.',
      severity: 'error',
      from: { path: '^src/lib/server/' },
      to: { path: '^src/lib/(ui|client)/|\\.svelte$' },
    },
    {
      name: 'product-knows-no-tests',
      comment: 'What ships imports no test code.',
      severity: 'error',
      from: { path: '^src/', pathNot: TESTS },
      to: { path: `^(tests|testing|e2e|bench|scripts)/|${TESTS}` },
    },
    {
      name: 'no-test-runner-outside-tests',
      comment: 'Scripts and measurements import nothing that is bound to the test runner.',
      severity: 'error',
      from: { path: '^(scripts|bench|testing)/' },
      to: { path: 'node_modules/vitest/', reachable: true },
    },
    {
      name: 'slice-insides',
      comment: "A slice may know another's events, state and selectors, never what it makes of events.",
      severity: 'error',
      from: { path: '^src/lib/core/slices/([^/]+)/', pathNot: TESTS },
      to: { path: '^src/lib/core/slices/([^/]+)/slice\\.ts$', pathNot: '^src/lib/core/slices/$1/' },
    },
    {
      name: 'slices-know-no-session',
      comment: 'What is made of slices is not for slices to know.',
      severity: 'error',
      from: { path: '^src/lib/core/slices/', pathNot: TESTS },
      to: { path: '^src/lib/core/(session|host|commands|actions|desk|replica|switcher|search)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.svelte-kit|build|node_modules/\\.try)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.mjs', '.svelte', '.json'] },
  },
};
