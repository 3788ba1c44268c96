export * from './excavate';
export * from './keepOrFell';
export * from './mulch';
export * from './operation';
export * from './planned';
export * from './prescribe';
export * from './reset';
