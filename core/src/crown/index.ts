export * from './alive';
export * from './dieback';
export * from './dripLine';
export * from './vigour';
