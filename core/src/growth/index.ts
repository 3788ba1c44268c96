export * from './closing';
export * from './forecast';
export * from './grown';
export * from './random';
export * from './rates';
