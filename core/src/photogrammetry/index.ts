export * from './homography';
export * from './sheet';
