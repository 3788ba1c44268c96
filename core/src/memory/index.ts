export * from './past';
export * from './remember';
