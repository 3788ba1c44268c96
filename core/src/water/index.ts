export * from './balance';
export * from './evapotranspiration';
export * from './log';
export * from './manners';
export * from './next';
export * from './plan';
export * from './readWeather';
export * from './zone';
