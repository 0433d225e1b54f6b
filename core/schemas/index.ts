/** Everything that reads a document by its schema, apart from what measures it: a page that only measures needs none. */
export {
  type Bundle,
  bundleJsonSchema,
  bundleSchema,
  collectionSchemas,
  documentSchemas,
} from '../formats/file/bundleSchema';
export { schemaProblems } from '../formats/file/schemaProblems';
export { METHOD_UNTIL_V3, migrateBundle, migrateDocument, OLDEST_VERSION } from '../formats/migrations';
export { type FieldLimits, fieldLimits, fieldLimitsSource } from './fieldLimits';
