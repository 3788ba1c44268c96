export * from './attachments';
export * from './basis';
export * from './differences';
export * from './result';
export * from './seal';
export * from './told';
export * from './verify';
