export * from './demo';
export * from './runs';
export * from './studio';
export * from './version1';
