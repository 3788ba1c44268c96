export * from './density';
export * from './questions';
export * from './sample';
export * from './texture';
export * from './water';
