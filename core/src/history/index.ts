export * from './changePoint';
export * from './events';
export * from './questions';
export * from './series';
export * from './sinceWhen';
export * from './weather';
