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

/** Where a test stands in for modules of the framework or for those of a browser, or has a database to itself: each file in a context of its own. */
const APART = [
  '/(sheet|stations|ui)/.*\\.test\\.tsx$',
  '/src/(actions|app|data|serve|workers)/.*\\.test\\.ts$',
  '/src/proxy\\.test\\.ts$',
  // Node takes the form of its library that the house does not bundle.
  '/src/core/markings/font-file\\.test\\.ts$',
];
const roots = ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/scripts', '<rootDir>/tests/unit'];

/**
 * Tests stand beside their file. Pure ones share a thread and the modules that it has loaded: they leave nothing behind in these. (In child
 * processes this runner may answer the second before it listens, and then waits for it for ever.)
 */
const plain = {
  displayName: 'plain',
  roots,
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  testPathIgnorePatterns: APART,
  runner: 'jest-light-runner',
  transform: {},
};

/** In ESM mode, because several libraries ship as ESM only. */
const apart = {
  displayName: 'apart',
  roots,
  testRegex: APART,
  testEnvironment: 'node',
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

const config = {
  projects: [plain, apart],
  // A machine that others use too may be many times slower for a minute: a test that hangs is told all the same.
  testTimeout: 60_000,
  // ES modules of finished files stay in a worker's memory; a worker grown large is replaced between two files.
  workerIdleMemoryLimit: '500MB',
};

export default config;
