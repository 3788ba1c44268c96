export * from './case';
export * from './order';
export * from './read';
