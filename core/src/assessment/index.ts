export * from './assess';
export * from './due';
export * from './glance';
export * from './stations';
