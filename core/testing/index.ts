export * from './demo';
export * from './studio';
export * from './version1';
