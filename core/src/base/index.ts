export * from './question';
export * from './questions';
