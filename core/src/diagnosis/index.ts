export * from './facts';
export * from './rules';
export * from './verdict';
