export * from './density';
export * from './exchange';
export * from './map';
export * from './penetration';
export * from './questions';
export * from './sample';
export * from './texture';
export * from './water';
