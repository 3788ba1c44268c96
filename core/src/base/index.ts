export * from './bearings';
export * from './kept';
export * from './question';
export * from './questions';
