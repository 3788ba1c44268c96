export * from './dripLine';
export * from './vigour';
