import next from 'eslint-config-next'
import boundaries from 'eslint-plugin-boundaries'
import tseslint from 'typescript-eslint'

// Which folder may import which; docs/ARCHITECTURE.md says the same in words.
const CORE = [
  ...[
    'numeric',
    'units',
    'sound',
    'membrane',
    'kit',
    'measurement',
    'head',
    'evening',
    'fitting',
    'pair',
    'spacing',
    'records',
    'log',
    'drift',
    'status',
    'bench',
    'sheets',
    'runs',
    // A leaf: nothing real leans on the simulator.
    'practice',
    // Drills on the practice drum: a leaf too.
    'ear',
  ],
]
const core = CORE.map((name) => `core/${name}`)
const LAYERS = {
  app: ['screens', 'ui', 'text', 'session', 'commands', 'server'],
  server: ['server', 'text', 'audio', ...core],
  screens: [
    'screens',
    'commands',
    'session',
    'handbook',
    'charts',
    'ui',
    'text',
    'files',
    'core/units',
    'core/kit',
    'core/records',
    'core/head',
    'core/evening',
    'core/fitting',
    'core/pair',
    'core/spacing',
    'core/log',
    'core/status',
    'core/bench',
    'core/drift',
    'core/sheets',
    'core/runs',
    'core/measurement',
    'core/ear',
  ],
  // Entries, what they answer, and their own small charts.
  handbook: ['handbook', 'ui', ...core],
  charts: [
    'charts',
    'text',
    'core/units',
    'core/kit',
    'core/sound',
    'core/records',
    'core/head',
    'core/pair',
    'core/spacing',
    'core/ear',
  ],
  // Fields read pitches, intervals and numbers as the core does: no word of drums in that.
  ui: ['ui', 'core/units'],
  text: ['text', ...core],
  commands: [
    'commands',
    'session',
    'text',
    'core/units',
    'core/records',
    'core/log',
    'core/status',
    'core/bench',
    'core/fitting',
  ],
  session: ['session', 'workers', 'storage', 'files', 'audio', 'text', ...core],
  workers: ['workers', 'storage', ...core],
  audio: ['audio', 'core/sound', 'core/numeric'],
  storage: ['storage', 'core/records', 'core/log'],
  files: ['files', 'core/records'],
  cli: ['cli', 'session', 'audio', 'text', ...core],
  // Outside of the app: what measures it, what it is held against, what its demo is made by.
  bench: ['bench', 'reference', 'session', 'audio', 'text', 'workers', 'cli', ...core],
  reference: ['reference', ...core],
  demo: ['demo', ...core],
}
// Inside the core a subject imports only itself and those before it in the list.
CORE.forEach((name, i) => (LAYERS[`core/${name}`] = core.slice(0, i + 1)))

const OUTSIDE = new Set(['bench', 'reference', 'demo'])
// By the whole path: src/core/bench is no part of the folder bench.
const elements = Object.keys(LAYERS).map((type) =>
  OUTSIDE.has(type)
    ? { type, partialMatch: false, pattern: `${type}/**/*` }
    : { type, pattern: type === 'cli' ? 'cli' : `src/${type}` },
)

const REACT = ['src/{app,charts,commands,handbook,screens,session,ui}/**/*.{ts,tsx}', 'src/*.tsx']

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      '.cache/**',
      'public/**',
      'next-env.d.ts',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  // Where React is: its rules run its compiler over every file they see.
  ...next.map((each) => (each.ignores && !each.rules ? each : { ...each, files: REACT })),
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...tseslint.configs.recommended],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: ['error', 'always'],
    },
  },
  {
    // A component that is longer does more than one thing.
    files: ['src/**/*.tsx'],
    ignores: ['**/*.test.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 120 }] },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx', '{cli,bench,reference,demo}/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': elements,
      'import/resolver': { typescript: { alwaysTryTypes: true } },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: Object.entries(LAYERS)
            .map(([from, allowed]) => ({
              from: { element: { type: from } },
              allow: { to: { element: { types: { anyOf: allowed } } } },
            }))
            // The schemas at the door are where a request's words are written down: their types reach all of the core.
            .concat([
              {
                from: { element: { types: { anyOf: core } } },
                allow: { to: { element: { type: 'core/records' } }, dependency: { kind: 'type' } },
              },
            ])
            .concat([{ allow: { to: { module: { origin: ['external', 'core'] } } } }]),
        },
      ],
    },
  },
  {
    // The core takes nothing from outside but arithmetic: no screen, no system, no clock, no chance of its own.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(react|next|node:|zustand|reselect|comlink|idb|piscina|@/)',
              message: 'the core is pure: it takes arithmetic and schemas from outside, and nothing else',
            },
          ],
        },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'the core has no clock: take the time as an argument' },
        { object: 'Math', property: 'random', message: 'the core has no chance of its own: numeric/random' },
        { object: 'performance', property: 'now', message: 'the core has no clock' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'the core has no clock',
        },
      ],
    },
  },
  {
    // A bare pattern of text finds another thing once more is drawn: a journey names what it means by role and name.
    files: ['e2e/journeys/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='getByText'][callee.object.name='page']",
          message: 'say where: by role and name, or the text of a region',
        },
      ],
    },
  },
  { files: ['bench/**', 'scripts/**', 'demo/**'], rules: { 'no-console': 'off' } },
)
