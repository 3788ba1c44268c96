export * from './chance';
export * from './options';
export * from './weigh';
export * from './answer';
export * from './sheet';
