export * from './compass';
export * from './periodic';
export * from './plan';
export * from './radial';
export * from './shortestRound';
export * from './spread';
export * from './normal';
