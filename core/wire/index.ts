export * from './answers';
export * from './changes';
export { type Form, HANDOUT_FORMATS, type HandoutFormat, type HandoutSheet } from './handouts';
export * from './openApi';
export * from './routes';
