export * from './questions';
export * from './vigour';
