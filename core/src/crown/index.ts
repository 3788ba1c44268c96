export * from './dieback';
export * from './dripLine';
export * from './vigour';
