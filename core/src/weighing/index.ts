export * from './bowl';
export * from './operation';
export * from './planned';
export * from './rules';
export * from './season';
export * from './watering';
