export * from './periodic';
export * from './radial';
export * from './spread';
export * from './normal';
