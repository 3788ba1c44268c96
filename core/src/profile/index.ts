export * from './collar';
export * from './fill';
export * from './ground';
export * from './mulch';
export * from './problems';
export * from './profile';
export * from './section';
