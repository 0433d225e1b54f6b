export * from './answers';
export * from './changes';
export * from './openApi';
export * from './routes';
