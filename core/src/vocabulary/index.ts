export * from './ages';
export * from './causes';
export * from './dates';
export * from './events';
export * from './operations';
export * from './quantities';
export * from './textures';
