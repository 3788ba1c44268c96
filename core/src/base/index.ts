export * from './bearings';
export * from './question';
export * from './questions';
