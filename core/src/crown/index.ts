export * from './dripLine';
export * from './questions';
export * from './vigour';
