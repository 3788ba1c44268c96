export * from './estimate';
export * from './needs';
export * from './rates';
