export * from './assess';
export * from './glance';
export * from './counted';
export * from './stations';
export * from './trenches';
