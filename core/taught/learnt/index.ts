export * from './learnt';
