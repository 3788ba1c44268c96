export * from './cuts';
export * from './dig';
export * from './push';
export * from './soilLog';
export * from './trench';
export * from './work';
export * from './model';
export * from './order';
