export * from './limits';
export * from './schools';
