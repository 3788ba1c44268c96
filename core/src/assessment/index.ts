export * from './assess';
export * from './stations';
