export * from './cueIndex';
