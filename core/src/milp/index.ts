export * from './highs';
export * from './mip';
