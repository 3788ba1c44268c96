export * from './changePoint';
export * from './events';
export * from './series';
export * from './sinceWhen';
export * from './weather';
export * from './age';
export * from './cohortTold';
export * from './moved';
