export * from './past';
export * from './remember';
export * from './relapses';
