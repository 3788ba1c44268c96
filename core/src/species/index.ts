export * from './lookup';
export * from './suggest';
export * from './table';
export * from './vectors';
