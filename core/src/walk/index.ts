export * from './looks';
export * from './toJudge';
export * from './triage';
