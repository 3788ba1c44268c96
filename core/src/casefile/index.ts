export * from './dig';
export * from './trench';
export * from './model';
export * from './order';
