export * from './events';
export * from './questions';
