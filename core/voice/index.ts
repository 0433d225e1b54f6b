export * from './schoolFindings';
