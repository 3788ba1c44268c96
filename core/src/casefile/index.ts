export * from './model';
export * from './order';
