export * from './catalog';
export * from './exercise';
export * from './heat';
export * from './requirements';
export * from './search';
