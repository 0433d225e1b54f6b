export * from './cases/version1';
export * from './demo';
export * from './runs';
export * from './studio';
