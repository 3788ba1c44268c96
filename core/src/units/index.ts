export * from './enteredIn';
export * from './length';
export * from './limits';
export * from './quantity';
export * from './marks';
export * from './pressure';
export * from './share';
export * from './tradeLengths';
