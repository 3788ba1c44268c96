export * from './cuts';
export * from './lags';
export * from './limits';
export * from './nutrients';
export * from './schools';
export * from './trenches';
export * from './worth';
