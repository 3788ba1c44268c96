export * from './pack';
export * from './problem';
export * from './solve';
export * from './travel';
