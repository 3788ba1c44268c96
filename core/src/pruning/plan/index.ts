export * from './assessCuts';
export * from './compare';
export * from './explain';
export * from './model';
export * from './problem';
export * from './propose';
export * from './solve';
export * from './value';
