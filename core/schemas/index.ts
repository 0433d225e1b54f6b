/** Everything that reads a document by its schema, apart from what measures it: a page that only measures needs none. */
export * from '../formats/file/bundleSchema';
export * from '../formats/file/schemaProblems';
export * from '../formats/migrations';
export * from './fieldLimits';
