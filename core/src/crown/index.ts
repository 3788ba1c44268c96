export * from './alive';
export * from './dieback';
export * from './dripLine';
export * from './vigour';
export * from './leafColour';
