const swc = [
  '<rootDir>/tests/support/local-globals.mjs',
  {
    module: { type: 'es6' },
    jsc: {
      experimental: { keepImportAttributes: true },
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
  },
];

/** Unit tests stand beside their file; ESM mode because several libraries ship as ESM only. */
const config = {
  testEnvironment: 'node',
  // A machine that others use too may be many times slower for a minute: a test that hangs is told all the same.
  testTimeout: 60_000,
  // ES modules of finished files stay in a worker's memory; a worker grown large is replaced between two files.
  workerIdleMemoryLimit: '1200MB',
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/scripts', '<rootDir>/tests/unit'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  transform: { '^.+\\.(tsx?|m?js)$': swc },
  // Of the libraries only those in which the tests spend their time: see the transformer.
  transformIgnorePatterns: ['/node_modules/(?!(clipper2-ts|zod)/)'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: {
    '\\.css$': '<rootDir>/tests/support/no-styles.ts',
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@demo/(.*)$': '<rootDir>/demo/$1',
    '^@tests/(.*)$': '<rootDir>/tests/$1',
  },
};

export default config;
