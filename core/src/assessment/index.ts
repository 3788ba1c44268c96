export * from './assess';
export * from './glance';
export * from './stations';
