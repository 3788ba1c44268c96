export * from './bowl';
export * from './lift';
export * from './operation';
export * from './planned';
export * from './rules';
export * from './season';
export * from './watering';
export { rulesHolding } from './conditions';
