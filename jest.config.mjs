const shared = {
  transform: { '^.+\\.tsx?$': '<rootDir>/scripts/setup/testTransform.mjs' },
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transformIgnorePatterns: ['/node_modules/'],
};

export default {
  // Ends a test that hangs; says nothing of how fast one has to be.
  testTimeout: 300_000,
  projects: [
    { ...shared, displayName: 'core', testMatch: ['<rootDir>/core/**/*.test.ts'] },
    {
      ...shared,
      displayName: 'web',
      testMatch: ['<rootDir>/web/**/*.test.ts'],
      globalSetup: '<rootDir>/scripts/setup/threadsFirst.mjs',
    },
    {
      ...shared,
      displayName: 'scripts',
      testMatch: ['<rootDir>/scripts/**/*.test.ts', '<rootDir>/db/**/*.test.ts'],
    },
  ],
};
