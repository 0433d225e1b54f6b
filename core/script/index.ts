export * from './advice';
export * from './draftScript';
export * from './edits';
export { cuesToldIn, type LineSource, type ScriptLine, wantsWords } from './line';
export * from './rangeWords';
export * from './roomCard';
export * from './way';
