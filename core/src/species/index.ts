export * from './lookup';
export * from './own';
export * from './suggest';
export * from './table';
export * from './vectors';
