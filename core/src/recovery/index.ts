export * from './baci';
export * from './measures';
export * from './recovery';
export * from './record';
export * from './compare';
