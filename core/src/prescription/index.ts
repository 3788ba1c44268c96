export * from '../remedies';
export * from '../weighing';
export * from './answers';
export * from './changes';
export * from './clashes';
export * from './prescribe';
export * from './seasons';
export * from './workOrder';
