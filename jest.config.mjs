const shared = { extensionsToTreatAsEsm: ['.ts', '.tsx'] };

/** In bare Node, at the speed that it has there, the core read once and not once a test file. */
const bare = {
  ...shared,
  runner: 'jest-light-runner',
  setupFiles: ['<rootDir>/scripts/setup/typescript.mjs'],
  transform: {},
};

/**
 * What asks the database or threads, starts programs or sets clocks: each file in a context of its own, ended when it
 * hangs. What is left waiting in a thread that files share would hold up those after it, and nothing ends them there.
 */
const APART = [
  '/web/thread/.*\\.test\\.ts$',
  '/web/server/(?!reports/|fairQueue|taking).*\\.test\\.ts$',
  '/web/server/reports/(reports|propertyReports)\\.test\\.ts$',
  '/scripts/(?!words).*\\.test\\.ts$',
];

export default {
  // Ends a test that hangs; says nothing of how fast one has to be.
  testTimeout: 300_000,
  testSequencer: '<rootDir>/scripts/setup/longFirst.mjs',
  projects: [
    {
      ...bare,
      displayName: 'core',
      testMatch: ['<rootDir>/{core,db}/**/*.test.ts', '<rootDir>/scripts/words.test.ts'],
    },
    {
      ...bare,
      displayName: 'screens',
      setupFiles: [...bare.setupFiles, '<rootDir>/scripts/setup/indexedDb.mjs'],
      testMatch: ['<rootDir>/web/**/*.test.ts'],
      testPathIgnorePatterns: ['<rootDir>/web/(server|thread|work)/', '/node_modules/'],
    },
    {
      ...bare,
      displayName: 'work',
      testMatch: ['<rootDir>/web/{server,work}/**/*.test.ts'],
      testPathIgnorePatterns: [...APART, '/node_modules/'],
      globalSetup: '<rootDir>/scripts/setup/threadsFirst.mjs',
    },
    {
      ...shared,
      displayName: 'apart',
      testRegex: APART,
      transform: { '^.+\\.tsx?$': '<rootDir>/scripts/setup/testTransform.mjs' },
      testEnvironment: 'node',
      transformIgnorePatterns: ['/node_modules/'],
      globalSetup: '<rootDir>/scripts/setup/threadsFirst.mjs',
    },
  ],
};
