export * from './cohort';
export * from './pooling';
