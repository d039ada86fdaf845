const transform = {
  '\\.mdx$': '<rootDir>/scripts/jest-mdx.mjs',
  '^.+\\.(t|j|mj)sx?$': [
    '@swc/jest',
    {
      sourceMaps: 'inline',
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
      module: { type: 'commonjs' },
    },
  ],
}
const common = {
  rootDir: '.',
  // The long forms are for `make check`.
  testPathIgnorePatterns: [
    '/node_modules/',
    ...(process.env.HUMBRA_LONG === '1' ? [] : ['\\.long\\.test\\.ts$']),
  ],
  roots: ['<rootDir>/src', '<rootDir>/cli', '<rootDir>/reference'],
  cacheDirectory: '<rootDir>/.cache/jest',
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^@ref/(.*)$': '<rootDir>/reference/$1' },
  transform,
  transformIgnorePatterns: [
    '/node_modules/(?!(?:d3-[a-z-]+|internmap|idb|fft\\.js|pure-rand|tinykeys|@audio|@wasm-audio-decoders|codec-parser|simple-yenc|@eshaz)/)',
  ],
}

const config = {
  maxWorkers: 2,
  // No test is timed: on a machine that is slow today they only take longer.
  testTimeout: 600_000,
  projects: [
    {
      ...common,
      displayName: 'node',
      testEnvironment: 'node',
      testMatch: ['**/*.test.ts'],
      // Through the sandbox every one of these is a slow look-up, and taps are synthesised and measured here.
      sandboxInjectedGlobals: ['Math', 'Number', 'Array', 'Float32Array', 'Float64Array'],
    },
    {
      ...common,
      displayName: 'dom',
      sandboxInjectedGlobals: ['Math'],
      testEnvironment: 'jsdom',
      testMatch: ['**/*.test.tsx'],
      setupFiles: ['<rootDir>/src/screens/testSetup.ts'],
      setupFilesAfterEnv: ['<rootDir>/src/screens/testPatience.ts'],
    },
  ],
}

export default config
