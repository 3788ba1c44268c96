export * from './periodic';
export * from './radial';
export * from './shortestRound';
export * from './spread';
export * from './normal';
