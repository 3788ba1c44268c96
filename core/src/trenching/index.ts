export * from './clear';
export * from './layout';
export * from './plan';
export * from './quantities';
export * from './alternatives';
export * from './exchange';
export * from './work';
export * from './tapes';
