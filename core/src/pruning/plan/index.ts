export * from './assessCuts';
export * from './explain';
export * from './model';
export * from './problem';
export * from './solve';
export * from './solver';
export * from './value';
