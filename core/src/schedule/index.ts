export * from './due';
export * from './marks';
export * from './task';
export * from './tasks';
export * from './works';
export { ROLES, type WhoDoes } from '../practice/followUps';
export * from './spells';
