export { migrateBundle, migrateDocument, OLDEST_VERSION } from './migrate';
export { METHOD_UNTIL_V3 } from './toVersion3';
