export * from './assess';
export * from './glance';
export * from './stations';
export * from './trenches';
