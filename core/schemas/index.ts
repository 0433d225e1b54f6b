/** Everything that reads a document by its schema, apart from what measures it: a page that only measures needs none. */
export * from '../formats/bundleSchema';
export * from '../formats/migrations';
export * from '../formats/schemaProblems';
export * from './fieldLimits';
