export * from './studio';
export * from './version1';
