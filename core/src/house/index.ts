export * from './climate';
export * from './house';
