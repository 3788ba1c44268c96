export * from './dig';
export * from './model';
export * from './order';
