/** How tests read TypeScript. */
export const SWC = {
  jsc: {
    parser: { syntax: 'typescript', tsx: true },
    target: 'es2022',
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
};
