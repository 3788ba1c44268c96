export * from './cells';
export * from './readMarkers';
