export * from './closing';
export * from './forecast';
export * from './random';
export * from './rates';
