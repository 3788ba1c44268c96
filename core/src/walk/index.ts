export * from './looks';
export * from './triage';
