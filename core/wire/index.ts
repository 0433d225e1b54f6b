export * from './answers';
export * from './changes';
