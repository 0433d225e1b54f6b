export * from './guidance';
export * from './lowBack';
export * from './strays';
export * from './words';
