const swc = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        target: 'es2022',
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'es6' },
    },
  ],
};
const shared = {
  transform: swc,
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transformIgnorePatterns: ['/node_modules/'],
};

export default {
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
