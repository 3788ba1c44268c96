const shared = { extensionsToTreatAsEsm: ['.ts', '.tsx'] };

/** What computes: in bare Node, at the speed that it has there, the core read once and not once a test file. */
const bare = {
  ...shared,
  runner: 'jest-light-runner',
  setupFiles: ['<rootDir>/scripts/setup/typescript.mjs'],
  transform: {},
};

/** Documents, of which those that are kept in the database are tested with it. */
const PAPERS = ['<rootDir>/web/work/**/*.test.ts', '<rootDir>/web/server/reports/*.test.ts'];
const KEPT_PAPERS = '<rootDir>/web/server/reports/(reports|propertyReports).test.ts';

/** Threads beside the server, and what sets the clock of the process. */
const APART = [
  '<rootDir>/web/thread/**/*.test.ts',
  '<rootDir>/web/server/{beside,late,readyForWork}.test.ts',
  '<rootDir>/web/server/season/(icalendar|life).test.ts',
];

/** What starts programs, ends threads or sets clocks: each file in a context of its own, ended when it hangs. */
const apart = {
  ...shared,
  transform: { '^.+\\.tsx?$': '<rootDir>/scripts/setup/testTransform.mjs' },
  testEnvironment: 'node',
  transformIgnorePatterns: ['/node_modules/'],
};

export default {
  // Ends a test that hangs; says nothing of how fast one has to be.
  testTimeout: 300_000,
  testSequencer: '<rootDir>/scripts/setup/longFirst.mjs',
  projects: [
    {
      ...bare,
      displayName: 'core',
      testMatch: [
        '<rootDir>/core/**/*.test.ts',
        '<rootDir>/db/**/*.test.ts',
        '<rootDir>/scripts/words.test.ts',
      ],
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
      displayName: 'papers',
      testMatch: PAPERS,
      testPathIgnorePatterns: [KEPT_PAPERS, '/node_modules/'],
      globalSetup: '<rootDir>/scripts/setup/threadsFirst.mjs',
    },
    {
      ...bare,
      displayName: 'server',
      testMatch: ['<rootDir>/web/server/**/*.test.ts'],
      testPathIgnorePatterns: [
        '<rootDir>/web/server/(beside|late|readyForWork)\\.test\\.ts',
        '<rootDir>/web/server/season/(icalendar|life)\\.test\\.ts',
        '<rootDir>/web/server/reports/(?!reports\\.|propertyReports\\.)',
        '/node_modules/',
      ],
      globalSetup: '<rootDir>/scripts/setup/threadsFirst.mjs',
    },
    {
      ...apart,
      displayName: 'apart',
      testMatch: APART,
      globalSetup: '<rootDir>/scripts/setup/threadsFirst.mjs',
    },
    {
      ...apart,
      displayName: 'scripts',
      testMatch: ['<rootDir>/scripts/**/*.test.ts'],
      testPathIgnorePatterns: ['<rootDir>/scripts/words\\.test\\.ts', '/node_modules/'],
    },
  ],
};
