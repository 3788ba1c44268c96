export * from './advice';
export * from './cuts';
