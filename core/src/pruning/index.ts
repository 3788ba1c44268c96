export * from './advice';
export * from './assessDig';
export * from './cuts';
export * from './plan';
